import type { Browser, CDPSession } from '@playwright/test';
import { v7 } from 'uuid';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn } from '@/lib/calendar/zone';
import { programmes } from '@/knowledge';
import type { Sql } from '@/store/db';
import type { Table } from './table';
import { yearOf } from '@/lib/calendar/months';

const TREES = 300;
const VISITS = 14;
/** Moves of the hand in one measurement. */
const MOVES = 120;

/** A programme over 300 trees of one place of whoever is signed in, with visits that wait for a look: they can be dragged. */
async function assignOver(owner: Sql, email: string): Promise<string> {
  const [at] = await owner<{ companyId: string; personId: string; siteId: string }[]>`
    select w.company_id as "companyId", w.id as "personId", (
      select t.site_id from tree t where t.company_id = w.company_id group by t.site_id order by count(*) desc limit 1
    ) as "siteId"
    from person w
    where w.email = ${email}`;
  const { companyId, personId, siteId } = at!;
  const programme = programmes.find((p) => p.steps.some((s) => s.act.kind === 'look'))!;
  const step = programme.steps.find((s) => s.act.kind === 'look')!.key;
  const today = dayIn(new Date(), 'UTC');
  const assignmentId = v7();
  await owner`
    insert into programme_assignment (id, company_id, site_id, programme, from_day, until_day, reason, said, by_person)
    values (${assignmentId}, ${companyId}, ${siteId}, ${owner.json(programme as never)}, ${today},
      ${dayAfter(today, 1, 'years')},
      'Measured.', '{}', ${personId})`;
  await owner`
    insert into programme_visit (id, company_id, assignment_id, tree_id, step, year, nth, kind, state, day, earliest, latest)
    select gen_random_uuid(), ${companyId}, ${assignmentId}, t.id, ${step}, ${yearOf(today)}, n, 'look',
      'expected',
      d, d - 5, d + 12
    from (
      select id, row_number() over (order by walk_order, id) as i
      from tree
      where company_id = ${companyId} and site_id = ${siteId} and archived_at is null
      limit ${TREES}) t
    cross join generate_series(1, ${VISITS}) n
    cross join lateral (select ${today}::date + (25 * n + t.i % 7)::int as d) x`;
  return siteId;
}

interface TraceEvent {
  name: string;
  pid: number;
  tid: number;
  ts: number;
  dur?: number;
  args: { name?: string };
}

/** Main-thread work of each frame while something is done, ms in order of size. */
async function framesOf(cdp: CDPSession, act: () => Promise<void>): Promise<number[]> {
  const events: TraceEvent[] = [];
  const collect = ({ value }: { value: unknown[] }) => void events.push(...(value as TraceEvent[]));
  cdp.on('Tracing.dataCollected', collect);
  await cdp.send('Tracing.start', {
    categories: 'disabled-by-default-devtools.timeline,devtools.timeline,toplevel',
    transferMode: 'ReportEvents',
  });
  await act();
  const complete = new Promise<void>((done) => cdp.once('Tracing.tracingComplete', () => done()));
  await cdp.send('Tracing.end');
  await complete;
  cdp.off('Tracing.dataCollected', collect);
  const main = new Set(
    events.filter((e) => e.name === 'thread_name' && e.args.name === 'CrRendererMain').map((e) => `${e.pid} ${e.tid}`),
  );
  const here = events.filter((e) => main.has(`${e.pid} ${e.tid}`));
  const commits = here
    .filter((e) => e.name === 'Commit')
    .map((e) => e.ts)
    .sort((a, b) => a - b);
  const tasks = here.filter((e) => e.name === 'ThreadControllerImpl::RunTask');
  return commits
    .slice(1)
    .map(
      (to, i) => tasks.filter((t) => t.ts >= commits[i]! && t.ts < to).reduce((sum, t) => sum + (t.dur ?? 0), 0) / 1000,
    )
    .sort((a, b) => a - b);
}

/** The ribbons of 300 trees: what a frame costs the main thread while they are moved, and while a visit is dragged. */
export async function ribbon(
  { report }: Table,
  of: { browser: Browser; url: string; cookie: string; owner: Sql; email: string },
) {
  const { browser, url, cookie, owner, email } = of;
  const siteId = await assignOver(owner, email);
  const context = await browser.newContext({ viewport: { width: 1280, height: 900 } });
  const [name, value] = cookie.split('=') as [string, string];
  await context.addCookies([{ name, value, url }]);
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await page.goto(`${url}/schedule?place=${siteId}`, { waitUntil: 'networkidle' });
  await page.getByText('By tree', { exact: true }).click();
  const figure = page.getByRole('group', { name: /^The year as a drawing/ });
  await figure.scrollIntoViewIfNeeded();
  const box = (await figure.boundingBox())!;
  const moved = async (x: number, y: number, by: (i: number) => number) => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 0; i < MOVES; i++) await page.mouse.move(x + by(i), y);
    await page.mouse.up();
  };
  const p95 = (frames: number[]) => frames[Math.floor(frames.length * 0.95)] ?? NaN;
  // The ground, beside every ring: the axis at the top.
  const panning = await framesOf(cdp, () => moved(box.x + box.width * 0.8, box.y + 8, (i) => -4 * i));
  report(`ribbons of ${TREES} trees moved: main thread a frame, p95`, p95(panning), 'ms', 16);
  await page.getByRole('button', { name: 'Year', exact: true }).click();
  const ring = (await figure.locator('[data-rows] circle').nth(30).boundingBox())!;
  const dragging = await framesOf(cdp, () =>
    moved(ring.x + ring.width / 2, ring.y + ring.height / 2, (i) => 3 * (i % 60)),
  );
  report(`a visit dragged among them: main thread a frame, p95`, p95(dragging), 'ms', 16);
  await context.close();
}
