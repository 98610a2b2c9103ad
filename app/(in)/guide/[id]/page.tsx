import { BesideTreatment, ConditionTag, Shows, Tests } from './parts';
import { companySouth } from '@/facts/region';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import type { Condition, Host } from '@/core/diagnose/knowledge';
import { commonOn, concerns, signsOf } from '@/core/diagnose/reading';
import { tellApart } from '@/core/diagnose/check';
import { COMMON_WORDS, inSentence } from '@/core/diagnose/words';
import { COMMON_TITLES } from '../common';
import { finder } from '@/facts/diagnosis';
import { besideOf } from '@/knowledge/beside';
import { firmnessOf, type Firmness } from '@/knowledge/beside/firmness';
import { stationFor } from '@/app/_server/station';
import { knowledgeFor } from '@/app/_server/knowledge';
import { allows, viewer } from '@/app/_server/viewer';
import { figureNames, kindOfFigure, SignFigure } from '@/ui/figures/signs';
import { Frame } from '@/ui/frame/frame';
import { Section } from '@/ui/frame/pieces';
import { lifeYear } from '@/views/life';
import { waysHere } from '@/views/ways';
import { OverrideForm } from './override.client';
import { Ways } from './ways';
import { ThroughTheYear } from './year';
import { clockNow } from '@/store/clock';

const FIRM_WORDS: Record<Firmness, string> = {
  'well studied': 'Well studied',
  'usual practice': 'Usual practice, few trials',
  'little known': 'Little known',
};
export async function generateMetadata({ params }: { params: Promise<{ id: string }> }) {
  const { knowledge } = await knowledgeFor(await viewer());
  return { title: finder(knowledge)((await params).id)?.name ?? 'Field guide' };
}

/** One condition: what it shows, what it is taken for, what comes before and after it, what is done, and what is not. */
export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ place?: string }>;
}) {
  const [v, { id }, query] = await Promise.all([viewer(), params, searchParams]);
  const { knowledge } = await knowledgeFor(v);
  const find = finder(knowledge);
  const c = find(id) ?? notFound();
  const { life, winters } = besideOf(c);
  const [year, here] = await Promise.all([
    lifeYear({
      viewer: v,
      condition: c,
      siteId: z.uuid().safeParse(query.place).data ?? null,
      stationFor,
      now: clockNow(),
    }),
    waysHere(v, c),
  ]);
  const south = year?.south ?? companySouth(v);
  const firmness = firmnessOf(id);
  const signs = new Map(knowledge.signs.map((s) => [s.id, s]));
  const hosts = knowledge.hosts.filter((h) => concerns(c.groups, h));
  const figures = [...new Set(signsOf(c).flatMap((s) => signs.get(s)?.figure ?? []))];
  const beside = figureNames().filter(
    (f) => !figures.includes(f) && figures.some((g) => kindOfFigure(g) === kindOfFigure(f)),
  );
  const link = (x: string) => (
    <Link key={x} href={`/guide/${x}`} className="underline underline-offset-3">
      {find(x)?.name ?? x}
    </Link>
  );
  const chain = (title: string, ids: readonly string[]) =>
    ids.length > 0 && (
      <p className="py-1">
        <b>{title}</b> {ids.map((x, i) => [i > 0 && ', ', link(x)])}
      </p>
    );
  const apart = (other: Condition) => {
    const host = hosts.find((h) => concerns(other.groups, h));
    const told = host && tellApart(c, other, host, knowledge);
    if (!told) return null;
    const [test, outcome] = told.split('/');
    const t = knowledge.tests.find((x) => x.id === test);
    return signs.get(told)?.words ?? (t ? `${t.name}: ${t.outcomes.find((o) => o.id === outcome)?.words}` : null);
  };
  return (
    <Frame
      tag={<ConditionTag condition={c} south={south} mayEdit={allows(v, 'edit the guide')} />}
      margin={
        <>
          <section>
            <h2 className="text-body">Taken for</h2>
            {c.lookalikes.length === 0 && <p className="text-ink-2">Nothing in particular.</p>}
            <ul>
              {c.lookalikes.map((x) => {
                const other = find(x);
                const told = other && apart(other);
                return (
                  <li key={x} className="row py-1.5 text-[0.9375rem]">
                    {link(x)}
                    {told && <span className="block text-small text-ink-2">told apart by: {inSentence(told)}</span>}
                  </li>
                );
              })}
            </ul>
          </section>
          <section>
            <h2 className="text-body">Hosts</h2>
            {c.groups.length === 0 && <p className="text-[0.9375rem]">Every tree.</p>}
            {COMMON_WORDS.map((often) => (
              <HostList
                key={often}
                title={c.commonOn ? COMMON_TITLES[often] : null}
                hosts={c.groups.length ? hosts.filter((h) => commonOn(c, h) === often) : []}
              />
            ))}
            {c.worseOn.length > 0 && (
              <p className="text-[0.9375rem]">Worst on {c.worseOn.join(', ').replace(/-/g, ' ')}.</p>
            )}
          </section>
        </>
      }
      handle="Look-alikes and hosts"
    >
      <h1>{c.name}</h1>
      <p className="text-lead">{c.about}</p>
      <p className="mt-1">
        <b>If nothing is done:</b> {c.course}
      </p>
      {figures.length > 0 && (
        <div className="mt-4 flex flex-wrap items-start gap-5">
          {figures.map((f) => (
            <SignFigure key={f} id={f} size={112} />
          ))}
          {beside.length > 0 && <p className="w-14 self-center text-small text-ink-2">and not these:</p>}
          {beside.slice(0, 3).map((f) => (
            <SignFigure key={f} id={f} size={72} />
          ))}
        </div>
      )}
      <Shows condition={c} signs={signs} />
      <Tests condition={c} knowledge={knowledge} />
      {life.length > 0 && <ThroughTheYear life={life} year={year} winters={winters} id={id} />}
      {(c.drivers.length > 0 || c.followers.length > 0) && (
        <Section title="Chain">
          {chain('Let in by', c.drivers)}
          {chain('Brings', c.followers)}
        </Section>
      )}
      <Section title="What is done" aside={c.resistance ? `resistance: ${c.resistance}` : ''}>
        <p className="py-1">
          <b>Threshold:</b> {c.threshold}
        </p>
        <Ways condition={c} here={here} units={v.units} south={south} />
        <p className="mt-2">
          <b>What does not work:</b> {c.useless}
        </p>
        <BesideTreatment condition={c} />
      </Section>
      <p className="mt-4 text-small text-ink-2">
        {c.id.startsWith('own-') ? '' : `${FIRM_WORDS[firmness.firm]}${firmness.why ? `: ${firmness.why}` : ''}. `}
        {c.basis}
      </p>
      {allows(v, 'edit the guide') && (
        <OverrideForm
          condition={c.id}
          signs={knowledge.signs
            .filter((s) => c.groups.length === 0 || hosts.some((h) => concerns(s.groups, h)))
            .map((s) => ({ id: s.id, words: `${s.words} (${s.place})` }))}
        />
      )}
    </Frame>
  );
}

/** Hosts by name, each leading to its page; under how common it is there, where that differs. */
function HostList({ title, hosts }: { title: string | null; hosts: readonly Host[] }) {
  if (!hosts.length) return null;
  return (
    <p className="py-1 text-[0.9375rem]">
      {title && <b className="block">{title} on</b>}
      {hosts.map((h, i) => [
        i > 0 && ', ',
        h.unlisted ? (
          h.name.toLowerCase()
        ) : (
          <Link key={h.id} href={`/guide/hosts/${h.id}`} className="underline underline-offset-3">
            {h.name.toLowerCase()}
          </Link>
        ),
      ])}
    </p>
  );
}
