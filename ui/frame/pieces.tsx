import Link from 'next/link';

/** A line of the tag: what, and how much. */
export function TagLine({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="row flex items-baseline justify-between gap-2 py-1.5 text-[0.9375rem]">
      <dt className="text-ink-2">{name}</dt>
      <dd className="figures text-right font-bold">{children}</dd>
    </div>
  );
}

/** A tree in a list, as its small tag. */
export function TagRow({
  href,
  tag,
  title,
  children,
  right,
}: {
  href: string;
  tag: string;
  title: string;
  children?: React.ReactNode;
  right?: React.ReactNode;
}) {
  return (
    <li className="row flex min-h-16 items-center gap-4 py-2.5 phone:flex-wrap">
      <Link href={href} className="group flex min-w-0 flex-1 items-center gap-4">
        <span className="plate-small flex-none">{tag}</span>
        <span className="min-w-0">
          <span className="block font-bold group-hover:underline">{title}</span>
          <span className="block text-[0.9375rem] text-ink-2">{children}</span>
        </span>
      </Link>
      {right}
    </li>
  );
}

/** Told behind what a client has taken. */
export const Accepted = ({ accepted }: { accepted: boolean }) =>
  accepted && (
    <>
      , <b className="text-ink">sold</b>
    </>
  );

/** Trees that have the same as the one above, opened on demand. */
export function MoreTrees({ trees }: { trees: readonly { id: string; href: string; tag: string }[] }) {
  if (!trees.length) return null;
  return (
    <li className="row">
      <details>
        <summary className="min-h-hand py-2 text-[0.9375rem]">
          and {trees.length} more {trees.length === 1 ? 'tree' : 'trees'}
        </summary>
        <p className="flex flex-wrap gap-x-3 pb-2">
          {trees.map((t) => (
            <a key={t.id} href={t.href} className="inline-block min-h-10 py-2">
              {t.tag}
            </a>
          ))}
        </p>
      </details>
    </li>
  );
}

/** A list with its heading; an empty one says what to do first. */
export function Section({
  title,
  aside,
  empty,
  children,
  id,
}: {
  title: string;
  aside?: React.ReactNode;
  empty?: string | false;
  children?: React.ReactNode;
  id?: string;
}) {
  return (
    <section className="mt-7 scroll-mt-20" id={id}>
      <div className="flex items-baseline justify-between gap-4">
        <h2>{title}</h2>
        {aside && <p className="text-right text-[0.9375rem] text-ink-2">{aside}</p>}
      </div>
      {empty ? <p className="py-4 text-ink-2">{empty}</p> : children}
    </section>
  );
}

/** As large as the column holds: a long figure must never be cut off. */
const pourSize = (value: string) =>
  value.length <= 4 ? 'text-pour-big phone:text-pour' : value.length <= 6 ? 'text-pour' : 'text-tag';

/** The number that is poured or drilled, readable at arm's length. */
export function Pour({
  label,
  value,
  unit,
  children,
  big = false,
}: {
  label: string;
  value: string;
  unit: string;
  children?: React.ReactNode;
  big?: boolean;
}) {
  return (
    <div className="mb-4">
      <p className="text-[0.9375rem] font-semibold text-ink-2">{label}</p>
      <p className="figures leading-none font-bold">
        <span className={big ? pourSize(value) : 'text-tag'}>{value}</span>{' '}
        <span className={big ? 'text-head' : 'text-lead'}>{unit}</span>
      </p>
      {children && <div className="mt-1.5">{children}</div>}
    </div>
  );
}

/** A fact of a sheet: name at the left, value at the right, a hair line below. */
export function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="row flex items-baseline justify-between gap-4 py-2.5">
      <dt className="text-ink-2">{name}</dt>
      <dd className="figures text-right font-bold">{children}</dd>
    </div>
  );
}

/** What saves lives and regions: before everything else of a page. */
export function Warnings({ children }: { children: React.ReactNode }) {
  return (
    <aside aria-label="Warnings" className="mb-4 border-l-[6px] border-madder bg-sheet pl-3">
      {children}
    </aside>
  );
}
