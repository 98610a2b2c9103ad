import Link from 'next/link';
import type { Action } from '@/core/decide/actions';
import type { DecisionResult } from '@/core/decide/types';
import { strangersTo, type Doubt } from '@/core/diagnose/doubts';
import { localMonth } from '@/lib/calendar/hemisphere';
import { monthName } from '@/lib/calendar/months';
import type { Condition, Host, Knowledge } from '@/core/diagnose/knowledge';
import { oftenOf, signsOf } from '@/core/diagnose/reading';
import { concerns } from '@/core/diagnose/reading';
import type { Observed } from '@/core/diagnose/rank';
import { inWords, sureOf } from '@/core/diagnose/sureness';
import { certaintyWords, OFTEN } from '@/core/diagnose/words';
import type { Diagnosis } from '@/facts/diagnosis';
import { SignFigure } from '@/ui/figures/signs';

/** Signs and tests that tell two conditions apart on a host, the clearest first, and what was found of each. */
export function LookalikeTable({
  a,
  b,
  host,
  knowledge,
  observed,
}: {
  a: Condition;
  b: Condition;
  host: Host;
  knowledge: Knowledge;
  observed: Observed;
}) {
  const word = (c: Condition, sign: string) => oftenOf(c, sign) ?? 'by chance';
  const share = (c: Condition, sign: string, idle: number) => {
    const o = oftenOf(c, sign);
    return o ? OFTEN[o] : idle;
  };
  const own = new Set([...signsOf(a), ...signsOf(b), ...a.signs.never, ...b.signs.never]);
  const signs = knowledge.signs
    .filter((s) => own.has(s.id) && concerns(s.groups, host))
    .map((s) => ({ s, apart: share(a, s.id, s.idle) - share(b, s.id, s.idle) }))
    .filter((x) => Math.abs(x.apart) > 0.2)
    .sort((x, y) => Math.abs(y.apart) - Math.abs(x.apart))
    .slice(0, 7);
  const found = (sign: string) => {
    const f = observed.findings.find((x) => x.sign === sign);
    return !f || f.state === 'not looked'
      ? 'not looked'
      : f.state === 'absent'
        ? 'not there'
        : `there, ${f.grade} of 4`;
  };
  return (
    <section className="mt-6" aria-label="Look-alikes side by side">
      <h2>Which of the two?</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="What tells the look-alikes apart">
        <table className="dense mt-1">
          <thead>
            <tr>
              <th scope="col">Sign</th>
              <th scope="col">{a.name}</th>
              <th scope="col">{b.name}</th>
              <th scope="col">Here</th>
            </tr>
          </thead>
          <tbody>
            {signs.map(({ s, apart }) => (
              <tr key={s.id}>
                <th scope="row" className="border-line-2! font-normal!">
                  <span className="flex items-center gap-2 text-body text-ink">
                    {s.figure && <SignFigure id={s.figure} size={40} caption={false} />}
                    {s.words}
                  </span>
                </th>
                <td className={apart > 0 ? 'font-bold' : ''}>{word(a, s.id)}</td>
                <td className={apart < 0 ? 'font-bold' : ''}>{word(b, s.id)}</td>
                <td className="whitespace-nowrap">{found(s.id)}</td>
              </tr>
            ))}
            <tr>
              <th scope="row" className="border-line-2!">
                Settled by
              </th>
              <td>{a.decidingTest}</td>
              <td>{b.decidingTest}</td>
              <td />
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** What the client asks about: how likely it is here, and what settles it; or that it does not attack this tree. */
export function AskedAbout({ found, about }: { found: Diagnosis; about: string | undefined }) {
  const { host, knowledge, candidates } = found;
  const asked = about ? found.find(about) : null;
  const here = asked && candidates.find((c) => c.id === asked.id);
  return (
    <section>
      <h2 className="text-body">The client asks about</h2>
      <form method="get" className="mt-1 flex gap-2">
        <select name="about" aria-label="The client asks about" className="box" defaultValue={asked?.id ?? ''}>
          <option value="">choose</option>
          {[...knowledge.conditions]
            .sort((a, b) => a.name.localeCompare(b.name))
            .map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
        </select>
        <button className="press">Ask</button>
      </form>
      {asked && (
        <p className="mt-2 text-[0.9375rem]" role="status">
          {here
            ? `${asked.name}: ${inWords(here.p)} from what was seen. What settles it: ${asked.decidingTest}.`
            : strangersTo(host, [asked.id], knowledge)}
        </p>
      )}
    </section>
  );
}

const STATUS: Record<Action['status'], string> = {
  now: 'May be done today',
  later: 'In its months',
  unsure: 'Waits for a fact or a test',
  'not here': 'Not on this tree',
};
const SERVES = { cure: 'cures', protect: 'protects', support: 'supports the tree', relief: 'relieves' } as const;

/** The methods of one status, each with what stands in its way. */
function Actions({ status, of, south }: { status: Action['status']; of: readonly Action[]; south: boolean }) {
  if (!of.length) return null;
  return (
    <div>
      <h3>{STATUS[status]}</h3>
      <ul>
        {of.map((o) => (
          <li key={o.method + o.what} className="row py-1.5">
            <b className="inline-block first-letter:uppercase">{o.method}</b>: {o.what}
            <span className="block text-small text-ink-2">
              {[
                SERVES[o.use],
                ...(o.organic ? ['organic'] : []),
                ...(status === 'later' ? [`from ${monthName(localMonth(o.from, south))}`] : []),
                o.when,
                ...(status === 'unsure' && o.needs && !o.against.length
                  ? [`asks for “${certaintyWords(o.needs)}”`]
                  : []),
              ].join('; ')}
            </span>
            {o.against.map((x) => (
              <span key={x.id} className="block text-small font-semibold text-sap">
                {x.sentence}
              </span>
            ))}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What has not been looked at, in the order in which it is worth it. */
function InspectFurther({ result, treeId }: { result: DecisionResult; treeId: string }) {
  if (!result.look.length) return null;
  const minutes = result.look.reduce((sum, l) => sum + l.minutes, 0);
  return (
    <section aria-label="What to look at" className="mt-4">
      <h3>Look at this next, in this order (about {Math.round(minutes)} min)</h3>
      <ol className="list-decimal pl-6">
        {result.look.map((l) => (
          <li key={l.id} className="py-1.5">
            <b>{l.what}</b>
            <span className="block text-small text-ink-2">
              {l.why} {l.minutes < 1 ? 'Half a minute.' : `${Math.round(l.minutes)} min.`}
            </span>
          </li>
        ))}
      </ol>
      <Link href={`/trees/${treeId}/inspect`} className="press mt-2">
        Look at it
      </Link>
    </section>
  );
}

/** The decision as one page: what comes first, what, why, what is known and not, what is open, what the client is told. */
export function DecisionSheet({
  result,
  find,
  south,
  doubts,
  treeId,
}: {
  result: DecisionResult;
  find: (id: string) => Condition | null;
  south: boolean;
  doubts: readonly Doubt[];
  treeId: string;
}) {
  const c = result.condition ? find(result.condition) : null;
  const by = (status: Action['status']) => result.options.filter((o) => o.status === status);
  const searching = result.decision === 'look further' || result.decision === 'not yet named';
  return (
    <section aria-label="The decision">
      <p className="text-small font-semibold text-ink-2">The ranking and the rules say</p>
      <h2 className="text-tag leading-none font-extrabold first-letter:uppercase">
        {result.decision === 'not yet named' ? 'something is wrong, not yet named' : result.decision}
      </h2>
      {c && (
        <p className="mt-2 text-lead">
          <b>{c.name}</b>, {certaintyWords(result.certainty)}
          {result.certainty === sureOf(result.p)
            ? ` (${inWords(result.p)})`
            : result.certainty === 'near certain'
              ? ', by a sign that names it'
              : ''}
        </p>
      )}
      {searching && <InspectFurther result={result} treeId={treeId} />}
      {result.meanwhile.length > 0 && (
        <div className="mt-3">
          <h3>Meanwhile</h3>
          <ul className="list-disc pl-6">
            {result.meanwhile.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </ul>
        </div>
      )}
      <ul className="mt-3">
        {result.reasons
          .filter((r) => r.id !== 'named')
          .map((r) => (
            <li key={r.id + r.sentence} className="row py-2">
              {r.sentence} <span className="text-small text-ink-2">{r.source}</span>
            </li>
          ))}
      </ul>
      {[...doubts.map((d) => d.sentence), ...result.open].map((x) => (
        <p key={x} className="mt-2 border-l-[3px] border-sap pl-3">
          {x}
        </p>
      ))}
      {result.atRisk.length > 0 && result.decision !== 'protect a sound tree' && (
        <p className="mt-3">
          <b>At risk:</b> {result.atRisk.map((r) => `${r.name}, ${r.because}`).join(' ')}
        </p>
      )}
      {result.thresholds.length > 0 && (
        <p className="mt-2 text-[0.9375rem]">
          <b>Thresholds used:</b> {result.thresholds.join(' ')}{' '}
          {result.school.length > 0 && (
            <>
              <b>School:</b> {result.school.join(' ')}
            </>
          )}
        </p>
      )}
      {c && c.kind !== 'harmless' && result.options.length > 0 && (
        <div className="mt-4 grid gap-x-8 gap-y-4 desk:grid-cols-2">
          {(['now', 'later', 'unsure', 'not here'] as const).map((s) => (
            <Actions key={s} status={s} of={by(s)} south={south} />
          ))}
        </div>
      )}
      {c && (
        <p className="mt-3 text-[0.9375rem]">
          <b>What does not work:</b> {c.useless}
        </p>
      )}
      {!searching && <InspectFurther result={result} treeId={treeId} />}
      <p className="mt-3 border-l-[3px] border-cambium-deep pl-3">
        <b>To the client:</b> {result.tell}
      </p>
    </section>
  );
}
