import type { DecisionResult } from '@/core/decide/decide';
import { monthName } from '@/core/decide/decide';
import type { Condition, Host, Knowledge } from '@/core/diagnose/knowledge';
import { oftenOf, signsOf } from '@/core/diagnose/reading';
import { concerns } from '@/core/diagnose/reading';
import type { Observed } from '@/core/diagnose/rank';
import { inWords } from '@/core/diagnose/sureness';
import { OFTEN } from '@/core/diagnose/words';
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
      <div className="overflow-x-auto">
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

/** The decision as one page: what, why, what first, what is open, what the client is told. */
export function DecisionSheet({
  result,
  find,
  month,
}: {
  result: DecisionResult;
  find: (id: string) => Condition | null;
  month: number;
}) {
  const c = result.condition ? find(result.condition) : null;
  const open = result.options.filter((o) => o.open);
  const later = result.options.filter((o) => !o.open);
  return (
    <section aria-label="The decision">
      <p className="text-small font-semibold text-ink-2">The ranking and the rules say</p>
      <p className="text-tag leading-none font-extrabold first-letter:uppercase">{result.decision}</p>
      {c && (
        <p className="mt-2 text-lead">
          <b>{c.name}</b>, {result.certainty} ({inWords(result.p)})
        </p>
      )}
      <ul className="mt-3">
        {result.reasons
          .filter((r) => r.id !== 'named')
          .map((r) => (
            <li key={r.id} className="row py-2">
              {r.sentence} <span className="text-small text-ink-2">{r.source}</span>
            </li>
          ))}
      </ul>
      {result.duties.length > 0 && (
        <div className="mt-3 border-l-4 border-madder pl-4">
          <h3>First, or beside it</h3>
          {result.duties.map((d) => (
            <p key={d.id} className="py-1">
              {d.sentence}
            </p>
          ))}
        </div>
      )}
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
      {c && c.kind !== 'harmless' && (
        <div className="mt-4 grid gap-x-8 desk:grid-cols-2">
          <div>
            <h3>Open in {monthName(month)}</h3>
            {open.length === 0 && <p className="text-ink-2">Nothing.</p>}
            <ul>
              {open.map((o) => (
                <li key={o.method + o.what} className="row py-1.5">
                  <b className="inline-block first-letter:uppercase">{o.method}</b>: {o.what}
                  <span className="block text-small text-ink-2">
                    {o.use === 'cure'
                      ? 'cures'
                      : o.use === 'protect'
                        ? 'protects'
                        : o.use === 'support'
                          ? 'supports the tree'
                          : 'relieves'}
                    {o.organic ? ', organic' : ''}; {o.when}
                  </span>
                </li>
              ))}
            </ul>
          </div>
          <div>
            <h3>Later</h3>
            {later.length === 0 && <p className="text-ink-2">Nothing more.</p>}
            <ul>
              {later.map((o) => (
                <li key={o.method + o.what} className="row py-1.5">
                  <b>{monthName(o.from)}</b>: {o.what}
                  <span className="block text-small text-ink-2">{o.when}</span>
                </li>
              ))}
            </ul>
          </div>
        </div>
      )}
      {c && (
        <p className="mt-3 text-[0.9375rem]">
          <b>What does not work:</b> {c.useless}
        </p>
      )}
      <p className="mt-3 border-l-[3px] border-cambium-deep pl-3">
        <b>To the client:</b> {result.tell}
      </p>
    </section>
  );
}
