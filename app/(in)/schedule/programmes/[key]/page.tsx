import { companySouth } from '@/facts/region';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { saidSchema } from '@/facts/answers';
import { SAID, type FactKey } from '@/core/gates/said';
import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import { refusal } from '@/core/people/rights';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { hostsAmong, assigningView, sectionsAmong, sortsAmong, type AssigningView } from '@/views/programmes';
import { stationFor } from '@/app/_server/station';
import { allows, todayOf, viewer } from '@/app/_server/viewer';
import { actWords, groupsWords, SCHOOL_WORDS, termsWords, timeWords } from '../words';
import { ProgrammePreview } from './preview';
import { clockNow } from '@/store/clock';
import { SiteChoice } from '@/ui/controls/site-choice.client';

export const metadata = { title: 'Programme' };
const words = (most: number) => z.string().trim().max(most).catch('').default('');
const day = z.iso.date().optional().catch(undefined);
const asked = z.object({
  place: z.uuid().optional().catch(undefined),
  host: words(60),
  sort: words(120),
  section: words(60),
  tags: words(600),
  without: words(600),
  from: day,
  until: day,
  reason: words(600),
  carried: z.uuid().optional().catch(undefined),
});
/** Answers to questions stand in the address beside the rest, each under its own name. */
const saidOf = (query: Record<string, unknown>) => {
  const given = Object.entries(query).flatMap(([k, v]) =>
    k.startsWith('said.') && typeof v === 'string' && v !== '' ? [[k.slice(5), v] as const] : [],
  );
  const read = saidSchema.safeParse(Object.fromEntries(given));
  return read.success ? read.data : {};
};

interface Address {
  params: Promise<{ key: string }>;
  searchParams: Promise<Record<string, string | string[]>>;
}
export default async function Page({ params, searchParams }: Address) {
  const v = await viewer();
  const { key } = await params;
  const query = await searchParams;
  const q = asked.parse(query);
  const today = todayOf(v);
  const said = saidOf(query);
  const from = q.from ?? today;
  const view = await assigningView({
    viewer: v,
    stationFor,
    now: clockNow(),
    key,
    asked: {
      siteId: q.place ?? null,
      host: q.host || null,
      sort: q.sort || null,
      section: q.section || null,
      tags: q.tags,
      without: q.without,
      from: q.place ? from : null,
      until: q.until ?? null,
      reason: q.reason,
      said,
    },
  });
  if (!view) return notFound();
  const { programme } = view;
  const until = q.until ?? dayAfter(dayAfter(from, programme.years, 'years'), -1, 'days');
  const mayAssign = allows(v, 'prescribe');
  const south = companySouth(v);
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">{programme.name}</p>
      <p className="mt-2 text-[0.9375rem] text-ink-2">{groupsWords(programme)}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Steps">{programme.steps.length}</TagLine>
        <TagLine name="Years">{programme.years}</TagLine>
        <TagLine name="School">{SCHOOL_WORDS[programme.school]}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <section>
      <h2 className="text-body">What it rests on</h2>
      <p className="text-[0.9375rem]">{programme.basis}</p>
      <p className="mt-3">
        <Link className="press w-full" href={`/schedule/programmes/${programme.key}/edit`}>
          {programme.key.startsWith('own-') ? 'Change it' : 'Copy and change it'}
        </Link>
      </p>
      <p className="mt-3 text-[0.9375rem]">
        <Link href="/schedule/programmes">All programmes</Link>
      </p>
    </section>
  );
  return (
    <Frame tag={tag} margin={margin} handle="What it rests on, and changing it">
      <h1>{programme.name}</h1>
      <p className="mt-2">{programme.about}</p>
      <details className="mt-5" open={!view.place || undefined}>
        <summary className="min-h-hand text-lead font-bold">Its {programme.steps.length} steps</summary>
        <ol>
          {programme.steps.map((s) => (
            <li key={s.key} className="row py-2">
              <b>{s.name}</b>, {timeWords(s, programme, south)}
              <span className="block text-[0.9375rem]">{[actWords(s), ...termsWords(s)].join('; ')}</span>
              <span className="block text-[0.9375rem] text-ink-2">{s.why}</span>
            </li>
          ))}
        </ol>
      </details>
      <Section title="Over which trees" id="trees">
        {mayAssign ? (
          <AssigningForm view={view} q={q} from={from} until={until} said={said} />
        ) : (
          <p>{refusal(v.role, 'prescribe')}</p>
        )}
      </Section>
      {view.preview && (
        <ProgrammePreview
          view={view}
          preview={view.preview}
          asked={{ from, until, reason: q.reason, said, carriedFrom: q.carried ?? null }}
          units={v.units}
          prices={v.prices}
        />
      )}
    </Frame>
  );
}

/** Questions that stand open on any of the trees, once each. */
function questionsOf({ preview }: AssigningView): { fact: FactKey; answers: readonly string[] }[] {
  const gates = (preview?.trees ?? []).flatMap((t) =>
    t.visits.flatMap((v) => (v.stop && 'gates' in v.stop ? v.stop.gates : [])),
  );
  const open = new Map<FactKey, readonly string[]>();
  for (const g of gates) if (g.asks && g.asks !== 'stage') open.set(g.asks, g.answers ?? SAID[g.asks].answers);
  return [...open].map(([fact, answers]) => ({ fact, answers }));
}

function AssigningForm({
  view,
  q,
  from,
  until,
  said,
}: {
  view: AssigningView;
  q: z.output<typeof asked>;
  from: LocalDate;
  until: LocalDate;
  said: Readonly<Partial<Record<FactKey, string>>>;
}) {
  const { places, place, issue, preview } = view;
  const questions = questionsOf(view);
  const answered = Object.entries(said).filter(([k]) => !questions.some((x) => x.fact === k));
  const label = 'mb-1 block font-semibold';
  return (
    <form action="#preview">
      {q.carried && <input type="hidden" name="carried" value={q.carried} />}
      <div className="grid gap-x-5 gap-y-4 desk:grid-cols-2">
        <SiteChoice name="place" list={places} chosen={place?.id ?? ''} empty="choose a place" required />
        {place && (
          <>
            <label className="block">
              <span className={label}>Kind of tree</span>
              <select name="host" className="box" defaultValue={q.host}>
                <option value="">all {place.fit.length} that it is for</option>
                {hostsAmong(place.fit).map((h) => (
                  <option key={h.id} value={h.id}>
                    {h.name}, {h.trees}
                  </option>
                ))}
              </select>
            </label>
            {sortsAmong(place.fit).length > 0 && (
              <label className="block">
                <span className={label}>Sort</span>
                <select name="sort" className="box" defaultValue={q.sort}>
                  <option value="">all sorts</option>
                  {sortsAmong(place.fit).map((sort) => (
                    <option key={sort} value={sort}>
                      {sort}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {sectionsAmong(place.fit).length > 0 && (
              <label className="block">
                <span className={label}>Section</span>
                <select name="section" className="box" defaultValue={q.section}>
                  <option value="">all of the place</option>
                  {sectionsAmong(place.fit).map((section) => (
                    <option key={section} value={section}>
                      {section}
                    </option>
                  ))}
                </select>
              </label>
            )}
            <label className="block">
              <span className={label}>Only these tags, like 1–20, 33 (empty: all)</span>
              <input name="tags" className="box" defaultValue={q.tags} />
            </label>
            <label className="block">
              <span className={label}>Without these tags</span>
              <input name="without" className="box" defaultValue={q.without} />
            </label>
            <label className="block">
              <span className={label}>From</span>
              <input type="date" name="from" className="box" defaultValue={from} required />
            </label>
            <label className="block">
              <span className={label}>To</span>
              <input type="date" name="until" className="box" defaultValue={until} required />
            </label>
            {questions.map(({ fact, answers }) => (
              <label key={fact} className="block">
                <span className={label}>{SAID[fact].question} (for all of them)</span>
                <select name={`said.${fact}`} className="box" defaultValue={said[fact] ?? ''}>
                  <option value="">nobody has said</option>
                  {answers.map((a) => (
                    <option key={a} value={a}>
                      {a}
                    </option>
                  ))}
                </select>
              </label>
            ))}
            {answered.map(([fact, a]) => (
              <input key={fact} type="hidden" name={`said.${fact}`} value={a} />
            ))}
            <label className="block desk:col-span-2">
              <span className={label}>Why to go on in spite of what only holds (empty: what holds is left out)</span>
              <input name="reason" className="box" defaultValue={q.reason} />
            </label>
          </>
        )}
      </div>
      {place && place.others > 0 && (
        <p className="mt-2 text-[0.9375rem] text-ink-2">
          {place.others} {place.others === 1 ? 'tree' : 'trees'} there are of kinds that it is not for.
        </p>
      )}
      {issue && (
        <p className="mt-3 font-semibold text-madder" role="alert">
          {issue}
        </p>
      )}
      <button type="submit" className={`press mt-4 phone:w-full ${preview ? '' : 'press-main'}`}>
        {place ? 'Show what it would mean' : 'Choose its trees'}
      </button>
    </form>
  );
}
