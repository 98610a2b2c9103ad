import { MarginShell } from './margin.client';

/** What the margin's handle counts on a phone. */
export interface MarginCount {
  stops: number;
  holds: number;
  notes: number;
}

/** Tag | Bench | Margin. On a phone the tag is the sticky head and the margin a sheet behind a handle. */
export function Frame({
  tag,
  head,
  margin,
  count,
  handle,
  children,
}: {
  tag: React.ReactNode;
  head?: React.ReactNode;
  margin: React.ReactNode;
  count?: MarginCount;
  handle?: string;
  children: React.ReactNode;
}) {
  return (
    <div className="grid min-h-[calc(100dvh-52px)] grid-cols-[212px_minmax(0,1fr)] grid-rows-[1fr_auto] desk:grid-cols-[212px_minmax(0,1fr)_292px] desk:grid-rows-1 phone:block print:block">
      <aside
        aria-label="Tag"
        className="no-print row-span-2 border-r border-line py-3.5 pl-3.5 desk:row-span-1 phone:hidden"
      >
        <div className="plate h-full min-h-[520px] px-3.5 pt-8 pb-5">
          <span
            aria-hidden
            className="absolute top-3.5 left-1/2 -ml-1.75 size-3.5 rounded-full border border-bark bg-paper"
          />
          {tag}
        </div>
      </aside>
      {head && <div className="no-print sticky top-0 z-10 hidden bg-bark text-on-bark phone:block">{head}</div>}
      <MarginShell count={count} handle={handle} margin={margin} headed={Boolean(head)}>
        <main
          id="work"
          tabIndex={-1}
          className="min-w-0 bg-sheet outline-none px-6.5 py-5 phone:min-h-dvh phone:px-4 phone:pt-4 phone:pb-28"
        >
          {children}
        </main>
      </MarginShell>
    </div>
  );
}
