import { dayIn } from '@/lib/calendar/zone';
import type { Tree } from '@/store/tree';
import { certaintyWords } from '@/core/diagnose/words';
import Link from 'next/link';
import { exactMoney, money } from '@/core/cost/prices';
import { dayAfter } from '@/lib/calendar/days';
import { programmeWords, USUAL_PROGRAMME } from '@/core/season/programme';
import { showAmount, showTrunk } from '@/lib/units/units';
import { concerns } from '@/core/diagnose/reading';
import { METHOD_NAMES } from '@/core/label/methods';
import { findSign } from '@/knowledge';
import { allows, todayOf } from '@/app/_server/viewer';
import { Series } from '@/ui/figures/series';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { LeftRows } from '../../jobs/day/left-rows';
import { dayAndClock, dayThere, fromToday, shortDay } from '@/ui/words';
import { overviewOf } from '@/views/tree';
import { ofTree } from '../_frame/load';
import { Evidence } from './evidence.client';
import { StepStrip, TreeHead, TreeTag, TreeWhy } from '../_frame/tree-frame';
import { checksOf, finder, testWords, hostOf, visitOf } from '@/facts/diagnosis';
import { ChangeAnswer } from './chain.client';
import { EditTree, Remind, Revoke, Settle } from './overview.client';
import { Works, worksNow } from './works';
import { takenNames } from '@/core/quotes/quote';
import { findWork } from '@/knowledge/works';
import { ItsProgrammes } from './programmes';
import { SeasonHere } from './season-here';
import { hostNames } from '@/app/(in)/trees/choices';
import { clockNow } from '@/store/clock';

const load = ofTree(overviewOf);
export async function generateMetadata({ params }: { params: Promise<{ id: string }> }) {
  const { tree } = await load((await params).id);
  return { title: `${tree.tag}, ${tree.siteName}` };
}

/** Days after which a trunk is measured anew before anything is dosed on it. */
const READING_DAYS = 30;

/** The one thing to do next on a tree, and why. */
function nextStep(
  tree: Tree,
  planned: Tree['plans'][number] | null,
  today: string,
): { href: string; name: string; why: string } {
  const base = `/trees/${tree.id}`;
  const [reading] = tree.readings;
  const read = reading ? dayIn(reading.at, tree.timeZone) : null;
  if (planned?.earliest && planned.earliest > today)
    return {
      href: `${base}/prescribe`,
      name: 'See the plan',
      why: `${planned.labelName} is planned for ${shortDay(planned.plannedFor!)}.`,
    };
  if (planned)
    return { href: `${base}/treat`, name: 'Start the sheet', why: `${planned.labelName} is planned for this tree.` };
  if (read === null || read < dayAfter(today, -READING_DAYS, 'days'))
    return {
      href: `${base}/measure`,
      name: 'Measure',
      why: read ? `Last measured ${shortDay(read)}.` : 'Nobody has put a tape around this tree.',
    };
  if (!tree.looks[0]) return { href: `${base}/inspect`, name: 'Inspect', why: 'Nobody has looked this tree over.' };
  const [savedDiagnosis] = tree.savedDiagnoses;
  return savedDiagnosis
    ? { href: `${base}/prescribe`, name: 'Prescribe', why: `Decided: ${savedDiagnosis.decision}.` }
    : { href: `${base}/diagnose`, name: 'Diagnose', why: 'Looked at, and nothing named yet.' };
}

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { viewer, tree, knowledge, duties, quotes, year, visits, lefts } = await load((await params).id);
  const find = finder(knowledge);
  const told = testWords(knowledge);
  const today = todayOf(viewer);
  const nameOf = (c: string) => find(c)?.name ?? c;
  const checks = checksOf(tree);
  const open = tree.followUps.filter((f) => f.state === 'open');
  const plan = tree.plans.find((p) => p.state === 'open');
  const base = `/trees/${tree.id}`;
  /** Looks of programmes are answered there: what they found decides what follows. */
  const asked = new Map(visits.map((x) => [x.id, x.assignmentId]));
  const mayAnswer = (f: { earliest: string }) => f.earliest <= today;
  const next = nextStep(tree, plan ?? null, today);
  const look = visitOf(tree);
  const host = hostOf(tree);
  const works = worksNow(tree.works, today);
  const steps = [
    ...tree.plans
      .filter((p) => p.state === 'open' && !p.assignment)
      .map((p) => ({ id: p.id, name: p.labelName, href: `${base}/treat?plan=${p.id}`, price: p.price })),
    ...tree.works
      .filter((w) => w.state === 'open' && !w.assignment)
      .map((w) => ({ id: w.id, name: findWork(w.workId)?.name ?? w.workId, href: '#works', price: w.price })),
  ];
  return (
    <Frame
      tag={<TreeTag tree={tree} units={viewer.units} here="tree" />}
      head={<TreeHead tree={tree} units={viewer.units} here="tree" />}
      margin={<TreeWhy tree={tree} />}
      handle="What was named and done"
    >
      <StepStrip tree={tree} duties={duties} here="tree" />
      <div className="flex flex-wrap items-center justify-between gap-4">
        <div>
          <h1>{open[0] && open[0].due <= today ? open[0].what : 'This tree'}</h1>
          <p className="text-ink-2">{next.why}</p>
        </div>
        <Link href={next.href} className="press press-main phone:w-full">
          {next.name}
        </Link>
      </div>

      <Section
        title="Look again"
        aside="counted from what was done"
        empty={open.length === 0 && 'Nothing is due. Dates appear here once something has been done.'}
      >
        <ul>
          {open.map((f) => (
            <li key={f.id} className="row flex flex-wrap items-center gap-x-6 gap-y-1 py-3">
              <div className="min-w-0 flex-1 basis-80">
                <p className="font-bold">
                  {f.what}
                  {f.onlyIf && <span className="font-normal"> (only if {f.onlyIf})</span>}
                </p>
                <p className="text-[0.9375rem] text-ink-2">{f.reason}</p>
              </div>
              <p className={`figures font-bold ${f.due < today ? 'text-madder' : ''}`}>
                {shortDay(f.due)} <span className="block text-small font-normal">{fromToday(f.due, today)}</span>
              </p>
              {asked.has(f.rootId)
                ? mayAnswer(f) && (
                    <Link href={`/schedule/programmes/assigned/${asked.get(f.rootId)}`} className="press">
                      Say what it found
                    </Link>
                  )
                : allows(viewer, 'settle a follow-up') && (
                    <Settle id={f.id} kind={f.kind} what={f.what} onlyIf={f.onlyIf} />
                  )}
            </li>
          ))}
        </ul>
      </Section>
      {allows(viewer, 'settle a follow-up') && <Remind treeId={tree.id} today={today} />}

      <SeasonHere tree={tree} year={year} today={today} mayNote={allows(viewer, 'measure')} />

      <div className="grid gap-x-10 desk:grid-cols-2">
        <Section title="Trunk" empty={tree.readings.length === 0 && 'No reading yet.'}>
          <div className="py-3">
            <Series
              points={tree.readings.map((r) => ({ at: r.at.getTime(), value: r.diameterCm })).reverse()}
              show={(d) => showTrunk(d, viewer.units).text}
              what="Diameter"
            />
          </div>
        </Section>
        <Section title="Last look" empty={!look && 'Nobody has looked this tree over.'}>
          {look && (
            <div className="py-2">
              <dl>
                <TagLine name="Crown loss">{look.crownLoss === null ? 'not judged' : `${look.crownLoss} %`}</TagLine>
                <TagLine name="Vigour">{look.vigour ?? 'not judged'}</TagLine>
              </dl>
              <ul className="mt-2">
                {look.findings
                  .filter((f) => f.state === 'seen')
                  .map((f) => (
                    <li key={f.sign} className="text-[0.9375rem]">
                      <b className="figures">{f.grade}</b> {findSign(f.sign)?.words ?? f.sign}
                      {f.sure === 'perhaps' && ', perhaps'}
                      {f.lastSeason && ', last season'}
                    </li>
                  ))}
                {look.earlier.map((f) => (
                  <li key={f.sign} className="text-[0.9375rem] text-ink-2">
                    {findSign(f.sign)?.words ?? f.sign}: seen before, not looked at again
                  </li>
                ))}
              </ul>
              <p className="mt-1 text-small text-ink-2">
                {tree.looks[0]!.byName}, {dayAndClock(look.at, tree.timeZone)}
              </p>
            </div>
          )}
        </Section>
      </div>

      {steps.length > 0 && (
        <Section
          title="The plan of this tree"
          aside={programmeWords(tree.programme ?? USUAL_PROGRAMME, viewer.schools.programme)}
        >
          <ol>
            {steps.map((s, i) => (
              <li key={s.id} className="row flex flex-wrap items-center justify-between gap-x-6 gap-y-1 py-2.5">
                <Link href={s.href} className="font-bold underline underline-offset-3">
                  {i + 1}. {s.name}
                </Link>
                <span className="figures">
                  {s.price ? (
                    <>
                      <b>{money(s.price.now, viewer.prices)}</b> once, {money(s.price.overYears, viewer.prices)} over{' '}
                      {s.price.years} years, as planned
                    </>
                  ) : (
                    'no price was kept'
                  )}
                </span>
              </li>
            ))}
          </ol>
          <p className="py-2">
            <Link href={`${base}/prescribe#plan`}>Its programme and its visits to come</Link>
          </p>
        </Section>
      )}

      <ItsProgrammes treeId={tree.id} visits={visits} today={today} />

      {works.length > 0 && (
        <Section title="Works without a product" id="works">
          <Works works={works} timeZone={tree.timeZone} may={allows(viewer, 'apply')} />
        </Section>
      )}

      {quotes.length > 0 && (
        <Section title="Offered to the client" id="offers">
          <ul>
            {quotes.map((p) => (
              <li key={p.id} className="row py-3">
                <p>
                  <b>{p.data.options.map((o) => o.name).join(', ')}</b>
                </p>
                <p className="text-small text-ink-2">
                  {p.byName}, {dayAndClock(p.at, tree.timeZone)}:{' '}
                  {p.answer
                    ? `${p.answer.who} took ${takenNames(p.data, p.answer.options).toLowerCase()}${p.answer.word ? `: “${p.answer.word}”` : ''}`
                    : p.revokedAt
                      ? 'taken back'
                      : p.expiresAt < clockNow()
                        ? 'has run out'
                        : `waits for an answer until ${dayThere(p.expiresAt, tree.timeZone)}`}
                </p>
                {!p.answer && !p.revokedAt && p.expiresAt > clockNow() && allows(viewer, 'prescribe') && (
                  <Revoke id={p.id} />
                )}
              </li>
            ))}
          </ul>
        </Section>
      )}

      {tree.changes.length > 0 && (
        <Section title="Found while digging" aside="the plan changes when the client agrees">
          <ul>
            {tree.changes.map((c) => (
              <li key={c.id} className="row py-3">
                <p>
                  <b>{c.what}</b>
                  {c.priceMinor !== null && <span className="figures"> {exactMoney(c.priceMinor, viewer.prices)}</span>}
                </p>
                <p className="text-small text-ink-2">
                  {c.byName}, {dayAndClock(c.at, tree.timeZone)}:{' '}
                  {c.state === 'open' ? 'waits for the client' : `${c.state}, ${c.settledHow}`}
                </p>
                {c.state === 'open' && allows(viewer, 'edit grounds') && <ChangeAnswer id={c.id} />}
              </li>
            ))}
          </ul>
        </Section>
      )}

      <Section
        title="What it was taken for"
        aside="newest first; the dropped ones stay"
        empty={tree.savedDiagnoses.length === 0 && 'Nothing has been named yet.'}
      >
        <ol>
          {tree.savedDiagnoses.map((savedDiagnosis) => {
            const after = tree.savedDiagnoses.find((x) => x.overturns.includes(savedDiagnosis.id));
            const dropped = after !== undefined;
            return (
              <li key={savedDiagnosis.id} className="row grid grid-cols-[110px_1fr] gap-x-4 py-2.5 phone:grid-cols-1">
                <span className="figures font-bold">{dayThere(savedDiagnosis.at, tree.timeZone)}</span>
                <span>
                  <b className={dropped ? 'line-through' : ''}>{nameOf(savedDiagnosis.conditionId)}</b>,{' '}
                  {certaintyWords(savedDiagnosis.certainty)}: {savedDiagnosis.decision}.
                  <span className="block text-[0.9375rem]">{savedDiagnosis.reason}</span>
                  {dropped && after && (
                    <span className="block text-[0.9375rem] text-sap">
                      It was wrong: {nameOf(after.conditionId).toLowerCase()} took its place
                      {after.overturnedBy.length > 0 ? `, by ${after.overturnedBy.map(told).join(', ')}` : ''}.
                    </span>
                  )}
                  {savedDiagnosis.ranking.length > 0 && (
                    <span className="block text-small text-ink-2">
                      Ranking then:{' '}
                      {savedDiagnosis.ranking
                        .slice(0, 3)
                        .map((r) => `${nameOf(r.id)} ${Math.round(r.p * 100)} %`)
                        .join(', ')}
                    </span>
                  )}
                </span>
              </li>
            );
          })}
        </ol>
        {checks.map((c) => (
          <p key={c.look.id} className="py-2">
            <b>Check of {dayThere(c.look.at, tree.timeZone)}:</b> {c.savedDiagnosis.sentence}
          </p>
        ))}
      </Section>

      <Evidence
        treeId={tree.id}
        looks={tree.looks.slice(0, 6).map((look) => ({
          id: look.id,
          day: dayThere(look.at, tree.timeZone),
          by: look.byName,
          seen: look.findings.filter((f) => f.state === 'seen').length,
          tests: look.tests.length,
        }))}
        withdrawn={tree.withdrawn.map((w) => ({
          id: w.id,
          day: dayThere(w.at, tree.timeZone),
          by: w.byName,
          reason: w.reason,
        }))}
        samples={tree.samples.map((s) => ({
          ...s,
          sentOn: shortDay(s.sentOn),
          answeredOn: s.answeredOn && shortDay(s.answeredOn),
          outcomes:
            knowledge.tests.find((t) => t.id === s.testId)?.outcomes.map((o) => ({ id: o.id, words: o.words })) ?? [],
        }))}
        laboratories={knowledge.tests
          .filter(
            (t) =>
              t.cost === 'laboratory' &&
              (t.groups.length === 0 || t.groups.some((g) => g === tree.hostId || host?.groups.includes(g))),
          )
          .map((t) => ({ id: t.id, name: t.name }))}
        byOthers={tree.byOthers.map((o) => ({
          ...o,
          onDay: shortDay(o.onDay),
          for: o.conditionId ? nameOf(o.conditionId) : null,
        }))}
        conditions={knowledge.conditions
          .filter((c) => host && concerns(c.groups, host) && c.kind !== 'unknown' && c.id !== 'nothing-wrong')
          .map((c) => ({ id: c.id, name: c.name }))
          .sort((a, b) => a.name.localeCompare(b.name))}
        today={today}
        refused={!allows(viewer, 'examine')}
      />

      <Section title="Done" empty={tree.records.length === 0 && 'Nothing has been done on this tree yet.'}>
        <ul>
          {tree.records.map((r) => (
            <li key={r.id} className="row flex flex-wrap justify-between gap-x-6 py-2.5">
              <Link href={`/records/${r.id}`} className="font-bold underline underline-offset-3">
                {shortDay(r.doneOn)}
              </Link>
              <span className="flex-1 basis-60">
                {METHOD_NAMES[r.method as keyof typeof METHOD_NAMES]}, {r.actives.map((a) => a.name).join(', ')}
                {r.eatFrom && r.eatFrom > today && (
                  <b className="block text-[0.9375rem]">Fruit may be eaten from {shortDay(r.eatFrom)}.</b>
                )}
                {r.withdrawn && <b> (withdrawn)</b>}
              </span>
              <span className="figures font-bold">
                {showAmount(r.amount, r.unit === 'mL' ? 'volume' : 'mass', viewer.units).text}
              </span>
            </li>
          ))}
        </ul>
      </Section>
      {lefts.length > 0 && (
        <Section title="Left undone" aside="a crew came, and it waits">
          <LeftRows lefts={lefts} timeZone={tree.timeZone} />
        </Section>
      )}

      {tree.photos.length > 0 && (
        <Section title="Photos">
          <ul className="flex flex-wrap gap-3 py-3">
            {tree.photos.map((p) => (
              <li key={p.id}>
                <a href={`/api/photos/${p.id}`} className="block">
                  {/* eslint-disable-next-line @next/next/no-img-element -- already resized, served with its own rights */}
                  <img
                    src={`/api/photos/${p.id}`}
                    alt={`Photo of ${dayThere(p.at, tree.timeZone)}${p.sign ? `: ${findSign(p.sign)?.words ?? p.sign}` : ''}`}
                    width={132}
                    height={Math.round((132 * p.height) / p.width)}
                    loading="lazy"
                  />
                  {p.sign && (
                    <span className="block max-w-[132px] text-small">{findSign(p.sign)?.words ?? p.sign}</span>
                  )}
                </a>
              </li>
            ))}
          </ul>
        </Section>
      )}

      {allows(viewer, 'edit grounds') && (
        <EditTree
          tree={{
            id: tree.id,
            tag: tree.tag,
            hostId: tree.hostId,
            species: tree.species,
            note: tree.note,
            walkOrder: tree.walkOrder,
            lat: tree.lat,
            lon: tree.lon,
            variety: tree.variety,
            eaten: tree.eaten,
            version: tree.version,
          }}
          hosts={hostNames()}
        />
      )}
      {!allows(viewer, 'edit grounds') && tree.note && <p className="mt-6">{tree.note}</p>}
    </Frame>
  );
}
