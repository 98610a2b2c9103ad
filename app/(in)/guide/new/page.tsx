import Link from 'next/link';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { OPTION_METHODS } from '@/core/diagnose/knowledge';
import { ADDED_KINDS, type AddedKind, type CUSTOM_SCHEMAS, type CustomEntry } from '@/core/custom/overlay';
import { groupsOf } from '@/core/diagnose/reading';
import { conditionsNow, findCondition, findHost, findSign, hosts, hostsNow } from '@/knowledge';
import { besideOf } from '@/knowledge/beside';
import { knowledgeFor } from '@/app/_server/knowledge';
import { customEntries } from '@/store/knowledge';
import { allows, viewer } from '@/app/_server/viewer';
import { Frame } from '@/ui/frame/frame';
import type { Named } from '@/ui/controls/picked.client';
import { Section, TagLine } from '@/ui/frame/pieces';
import { dayThere } from '@/ui/words';
import { CustomCondition, type WrittenCondition } from './condition.client';
import { BringEntries, TakeBack } from './entries.client';
import { CustomHost } from './host.client';
import { likeHost } from './host-form';
import { CustomSign } from './sign.client';
import { CustomTest } from './test.client';
import { CustomWork } from './work.client';
import { BackToGuide } from '../back';

export const metadata = { title: 'Our own entries' };
const asked = z.object({
  what: z.enum(ADDED_KINDS).catch('host'),
  from: z.string().max(60).catch(''),
});

/** What an entry is called. */
function nameOf(e: CustomEntry): string {
  if (e.data === null) return `${e.key}, taken back`;
  switch (e.kind) {
    case 'likelihood':
      return `${findCondition(e.data.condition)?.name ?? e.data.condition}: ${findSign(e.data.sign)?.words ?? e.data.sign}, ${e.data.often ?? 'has nothing to do with it'}`;
    case 'sign':
      return e.data.words;
    default:
      return e.data.name;
  }
}
const byName = (list: readonly Named[]): Named[] =>
  list.map(({ id, name }) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name));
const asOptions = (list: readonly Named[]) => list.map(({ id, name }) => ({ value: id, name }));
/** Every tree by its name, and every group of trees. */
const treesAndGroups = (): Named[] =>
  byName([...groupsOf(hostsNow())].map((id) => ({ id, name: findHost(id)?.name ?? `all ${id.replace(/-/g, ' ')}` })));

/** What this company knows better: its versions, entries of its own, and what it takes from others. */
export default async function Page({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  const [v, query] = await Promise.all([viewer(), searchParams]);
  if (!allows(v, 'edit the guide')) notFound();
  const [entries, { knowledge }] = await Promise.all([customEntries(v), knowledgeFor(v)]);
  const { what, from } = asked.parse(query);
  const conditions = byName(conditionsNow());
  const begun = entries.find((e) => e.kind === what && e.key === from && e.data !== null);
  /** What is changed, as it stands; null for a new one. */
  const begin = <K extends AddedKind>(kind: K) =>
    (begun?.kind === kind ? begun.data : null) as z.output<(typeof CUSTOM_SCHEMAS)[K]> | null;
  // Another version is another form, with a draft of its own.
  const draft = `${what} ${from} ${begun?.version ?? 0}`;
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">Our own entries</p>
          <dl className="mt-3 border-t border-line-2">
            {ADDED_KINDS.map((k) => (
              <TagLine key={k} name={`${k}s`}>
                {entries.filter((e) => e.kind === k && e.data !== null).length}
              </TagLine>
            ))}
          </dl>
          <BackToGuide />
        </>
      }
      margin={
        <section>
          <h2 className="text-body">How it holds</h2>
          <p className="text-[0.9375rem]">
            Own entries lie over what ships, and take part in everything: they are looked for, ranked, decided, planned,
            carried out and taught. Each is checked as what ships is. An update of Elmhorn leaves them as they are; one
            that rests on something no longer shipped is kept and told in the guide. Every change is a new version.
          </p>
          <h2 className="mt-4 text-body">To others and from others</h2>
          <p className="text-[0.9375rem]">
            A file holds entries with what they rest on. All of a file comes in, or none and why. Sums of heat of our
            own go along. Labels travel from the shelf, programmes from the season.
          </p>
        </section>
      }
      handle="How own entries hold"
    >
      <h1>Our own entries</h1>
      <div className="my-3 flex flex-wrap items-start gap-3">
        <BringEntries />
        {entries.length > 0 && (
          <a href="/api/knowledge" download className="press no-print">
            All of them as a file
          </a>
        )}
      </div>
      <Section
        title="What we know better"
        empty={entries.length === 0 && 'Nothing yet. Open a condition in the guide and write what you see here.'}
      >
        <ul>
          {entries.map((e) => (
            <li key={e.kind + e.key} className="row flex flex-wrap items-center gap-3 py-2">
              <span className="min-w-0 flex-1 basis-72">
                <b className="block">
                  {nameOf(e)} <span className="font-normal text-ink-2">({e.kind})</span>
                </b>
                <span className="block text-[0.9375rem]">{e.note}</span>
                <span className="block text-small text-ink-2">
                  version {e.version}, {e.byName}, {dayThere(e.at, v.timeZone)}
                </span>
              </span>
              {e.data !== null && (
                <a href={`/api/knowledge?key=${encodeURIComponent(e.key)}`} download className="press no-print">
                  As a file
                </a>
              )}
              {e.data !== null && e.kind !== 'likelihood' && (
                <Link href={`/guide/new?what=${e.kind}&from=${e.key}#form`} className="press no-print">
                  Change it
                </Link>
              )}
              {e.data !== null && e.kind !== 'likelihood' && <TakeBack kind={e.kind} entry={e.key} name={nameOf(e)} />}
            </li>
          ))}
        </ul>
      </Section>
      <nav aria-label="What is added" className="mt-6 mb-3 flex flex-wrap gap-3">
        {ADDED_KINDS.map((k) => (
          <Link
            key={k}
            href={`/guide/new?what=${k}`}
            aria-current={k === what ? 'page' : undefined}
            className={`press ${k === what ? 'border-2 bg-paper font-extrabold underline' : ''}`}
          >
            A {k}
          </Link>
        ))}
      </nav>
      <h2 id="form" className="mb-3 scroll-mt-16">
        {begun ? `Changing ${nameOf(begun)}` : `A ${what} of our own`}
      </h2>
      {what === 'host' && (
        <CustomHost
          key={draft}
          draft={draft}
          begin={begin('host')}
          hosts={hosts.filter((h) => !h.unlisted).map(likeHost)}
        />
      )}
      {what === 'sign' && (
        <CustomSign key={draft} draft={draft} begin={begin('sign')} groups={asOptions(treesAndGroups())} />
      )}
      {what === 'test' && (
        <CustomTest
          key={draft}
          draft={draft}
          begin={begin('test')}
          groups={asOptions(treesAndGroups())}
          conditions={asOptions(conditions)}
        />
      )}
      {what === 'work' && (
        <CustomWork
          key={draft}
          draft={draft}
          begin={begin('work')}
          methods={OPTION_METHODS.map((m) => ({ value: m, name: m }))}
          conditions={asOptions(conditions)}
        />
      )}
      {what === 'condition' && (
        <CustomCondition
          key={draft}
          draft={draft}
          from={from}
          begin={beginFrom(from)}
          lists={{
            groups: treesAndGroups(),
            signs: knowledge.signs.map((s) => ({ id: s.id, name: `${s.words} (${s.place})` })),
            outcomes: knowledge.tests.flatMap((t) =>
              t.outcomes.slice(0, -1).map((o) => ({ id: `${t.id}/${o.id}`, name: `${t.name}: ${o.words}` })),
            ),
            conditions,
            methods: OPTION_METHODS,
          }}
          action="/guide/new"
        />
      )}
    </Frame>
  );
}

const NOTHING: WrittenCondition = {
  id: '',
  name: '',
  kind: 'sap feeder',
  groups: [],
  about: '',
  course: '',
  season: [4, 10],
  common: 'now and then',
  signs: {},
  deciding: null,
  decidingTest: '',
  curativeNeeds: 'likely',
  policy: 'treat',
  threshold: '',
  options: [],
  useless: '',
  tell: '',
  basis: '',
};
/** What a condition of one's own is begun from: nothing, its own last version, or a copy of one that ships with what stands beside it. */
function beginFrom(id: string): WrittenCondition {
  const like = findCondition(id);
  if (!like) return NOTHING;
  if (like.id.startsWith('own-')) return like;
  // Chains and look-alikes of what ships name it alone.
  return {
    ...like,
    id: '',
    name: `Our ${like.name.toLowerCase()}`,
    lookalikes: [],
    followers: [],
    drivers: [],
    beside: besideOf(like),
  };
}
