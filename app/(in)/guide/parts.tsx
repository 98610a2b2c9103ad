import Link from 'next/link';
import type { Condition, Knowledge, Sign } from '@/core/diagnose/knowledge';
import { PARTS_OF_TREE } from '@/core/diagnose/words';
import { MONTHS_OF_YEAR, monthName } from '@/lib/calendar/months';
import { SignFigure } from '@/ui/figures/signs';
import { TagLine } from '@/ui/frame/pieces';

/** What the guide holds, and the ways from it. */
export function GuideTag({ knowledge, mayEdit }: { knowledge: Knowledge; mayEdit: boolean }) {
  return (
    <div>
      <p className="text-tag leading-none font-extrabold">Guide</p>
      <p className="mt-2 text-[0.9375rem] text-ink-2">Version of {knowledge.conditions.length} conditions</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Hosts">{knowledge.hosts.length}</TagLine>
        <TagLine name="Signs">{knowledge.signs.length}</TagLine>
        <TagLine name="Quick tests">{knowledge.tests.length}</TagLine>
        <TagLine name="Conditions">{knowledge.conditions.length}</TagLine>
        <TagLine name="Look-alikes">{knowledge.lookalikes.length}</TagLine>
      </dl>
      <p className="mt-4">
        <Link href="/practice" className="press w-full">
          Practice round
        </Link>
      </p>
      <p className="mt-2">
        <Link href="/guide/figures" className="press w-full">
          All drawings
        </Link>
      </p>
      <p className="mt-2">
        <Link href="/guide/hosts" className="press w-full">
          Hosts by their leaves
        </Link>
      </p>
      {mayEdit && (
        <p className="mt-2">
          <Link href="/guide/new" className="press w-full">
            Our own entries
          </Link>
        </p>
      )}
    </div>
  );
}

/** The form that finds: by word, host, place on the tree and month. */
export function FindForm(of: {
  knowledge: Knowledge;
  find: string | undefined;
  host: string | undefined;
  place: string | undefined;
  month: string | undefined;
}) {
  const { knowledge, host, place } = of;
  return (
    <form role="search" className="my-3 flex flex-wrap gap-3" action="/guide">
      <input
        name="find"
        aria-label="A word: a sign, a pest, a host"
        placeholder="sticky car, borer, a Latin name …"
        defaultValue={of.find}
        className="box flex-1 basis-56"
        maxLength={80}
      />
      <select name="host" aria-label="Host" defaultValue={host ?? ''} className="box w-auto max-w-full">
        <option value="">every host</option>
        {[...knowledge.hosts]
          .sort((a, b) => a.name.localeCompare(b.name))
          .map((h) => (
            <option key={h.id} value={h.id}>
              {h.name}
            </option>
          ))}
      </select>
      <select name="place" aria-label="Place on the tree" defaultValue={place ?? ''} className="box w-auto">
        <option value="">whole tree</option>
        {PARTS_OF_TREE.map((p) => (
          <option key={p}>{p}</option>
        ))}
      </select>
      <select name="month" aria-label="Month" defaultValue={of.month ?? ''} className="box w-auto">
        <option value="">all year</option>
        {MONTHS_OF_YEAR.map((m) => (
          <option key={m} value={m}>
            {monthName(m)}
          </option>
        ))}
      </select>
      <button className="press press-main min-h-hand">Find</button>
    </form>
  );
}

/** What tells look-alikes apart. */
export function LookalikeTable({
  table,
  conditions,
}: {
  table: Knowledge['lookalikes'][number];
  conditions: readonly Condition[];
}) {
  return (
    <section className="mb-6">
      <h2>{table.name}</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="What tells the look-alikes apart">
        <table className="dense mt-1">
          <thead>
            <tr>
              <th scope="col">It is</th>
              <th scope="col">when it looks so</th>
              <th scope="col">and this settles it</th>
            </tr>
          </thead>
          <tbody>
            {table.rows.map((r) => (
              <tr key={r.condition}>
                <td>
                  <Link href={`/guide/${r.condition}`} className="font-bold underline underline-offset-3">
                    {conditions.find((c) => c.id === r.condition)?.name ?? r.condition}
                  </Link>
                </td>
                <td>{r.looks}</td>
                <td>{r.tell}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Signs that were found, with their drawings. */
export function FoundSigns({ signs }: { signs: readonly Sign[] }) {
  return (
    <section className="mb-5">
      <h2>Signs</h2>
      <ul className="columns-2 gap-8 phone:columns-1">
        {signs.map((s) => (
          <li key={s.id} className="row flex break-inside-avoid items-center gap-3 py-1.5">
            {s.figure && <SignFigure id={s.figure} size={44} caption={false} />}
            <span>
              {s.words} <span className="text-small text-ink-2">{s.place}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Conditions that were found. */
export function FoundConditions({ conditions }: { conditions: readonly Condition[] }) {
  return (
    <ul>
      {conditions.map((c) => (
        <li key={c.id} className="row">
          <Link
            href={`/guide/${c.id}`}
            className="group grid grid-cols-[minmax(180px,260px)_1fr] gap-x-5 py-2.5 phone:grid-cols-1"
          >
            <span>
              <b className="group-hover:underline">{c.name}</b>
              {c.latin && <i className="block text-small">{c.latin}</i>}
              <span className="block text-small text-ink-2">
                {c.kind}
                {c.reportable ? ', may have to be reported' : ''}
              </span>
            </span>
            <span className="text-[0.9375rem]">{c.about}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
