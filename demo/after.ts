import { perform, type Command } from '@/commands/command';
import { addToDay } from '@/commands/jobs/add-to-day';
import { assignProgramme } from '@/commands/programmes/assign-programme';
import { checkRegion } from '@/commands/rules/check-region';
import { addTask } from '@/commands/sites/add-task';
import { setSection } from '@/commands/sites/set-section';
import { hoursOn, type HoursRule } from '@/core/schedule/hours';
import { dayAfter } from '@/lib/calendar/days';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { simulatedStation } from '@/stand-ins/weather/station';
import { loadViewer } from '@/store/auth';
import { clockNow } from '@/store/clock';
import { v7 } from 'uuid';
import type { z } from 'zod';
import { sql, today } from './rows';
import { crews } from './scenario';

const estuary = simulatedStation(7, { climate: CLIMATES.estuary, lat: 50 });

/** Performs a command as a person of the sample; what it refuses is a fault of the sample. */
async function performAs<S extends z.ZodType, T>(
  scope: { companyId: string; personId: string },
  given: Command<S, T>,
  input: unknown,
) {
  const viewer = (await loadViewer(scope))!;
  const answer = await perform(given, { viewer, receivedAt: clockNow(), station: () => estuary }, input);
  if (!answer.ok) throw new Error(answer.issues.map((f) => f.message).join(' '));
}

/** The first owner of the company of a row, as a column: who performs what the sample does by commands. */
const ownerOf = (row: ReturnType<typeof sql>) => sql`(
  select w.id
  from person w
  where w.company_id = ${row}.company_id and w.role = 'owner'
  order by w.id
  limit 1)`;

/** The birches of the school have their programme: laid by the command itself, for the days to come. */
export async function assignToBirches() {
  const [birches] = await sql<{ companyId: string; siteId: string; personId: string; treeIds: string[] }[]>`
    select t.company_id as "companyId", t.site_id as "siteId", array_agg(t.id order by t.walk_order) as "treeIds",
      ${ownerOf(sql`t`)} as "personId"
    from tree t
    join site p on p.id = t.site_id and p.name = 'School grounds'
    where t.host_id = 'silver-birch'
    group by 1, 2`;
  if (!birches) return;
  await performAs(birches, assignProgramme, {
    id: v7(),
    programme: 'birch-borer',
    siteId: birches.siteId,
    treeIds: birches.treeIds,
    from: today,
    until: dayAfter(dayAfter(today, 2, 'years'), -1, 'days'),
    reason: 'The school wants them kept.',
  });
}

/** The owner has read the region's profile against the rules in force: it ships signed by nobody. */
export async function signRules() {
  const owners = await sql<{ companyId: string; personId: string }[]>`
    select distinct on (company_id) company_id as "companyId", id as "personId"
    from person
    where role = 'owner'
    order by company_id, id`;
  for (const scope of owners) {
    await performAs(scope, checkRegion, { against: 'The made-up rules of the sample' });
  }
}

/** The orchard is divided by its rows, and has something to come back for and something left to its owner. */
export async function divideOrchard() {
  const [orchard] = await sql<{ companyId: string; siteId: string; personId: string; tags: string[] }[]>`
    select t.company_id as "companyId", t.site_id as "siteId", array_agg(t.tag order by t.walk_order) as tags,
      ${ownerOf(sql`t`)} as "personId"
    from tree t
    join site p on p.id = t.site_id and p.name = 'Ferry orchard'
    group by 1, 2`;
  if (!orchard) return;
  const { siteId, tags } = orchard;
  const third = Math.ceil(tags.length / 3);
  for (const [i, section] of ['River row', 'Middle row', 'Lane row'].entries()) {
    const row = tags.slice(i * third, (i + 1) * third);
    if (row.length) await performAs(orchard, setSection, { siteId, section, tags: row.join(', ') });
  }
  await performAs(orchard, addTask, {
    id: v7(),
    siteId,
    who: 'client',
    what: 'Gather the fallen apples under all rows',
    instructions: 'All of them, the rotten ones too, within the week; into the bins by the gate, not on the heap.',
    due: dayAfter(today, 9, 'days'),
  });
  await performAs(orchard, addTask, {
    id: v7(),
    siteId,
    who: 'company',
    what: 'Look at the ties before the gales',
    due: dayAfter(today, 20, 'days'),
  });
}

/** The next day on which the crew of the quay goes out has its round: the avenue, then the ravine. */
export async function putOnADay() {
  const [quay] = await sql<
    { companyId: string; personId: string; crewId: string; hours: HoursRule[]; ids: string[] }[]
  >`
    select c.company_id as "companyId", c.id as "crewId", c.hours,
      ${ownerOf(sql`c`)} as "personId",
      array(
        select n.id
        from treatment_plan n
        join tree t on t.id = n.tree_id
        join site p on p.id = t.site_id and p.name in ('Quay Avenue', 'Well field ravine')
        where n.company_id = c.company_id and n.state = 'open' and n.planned_for is null
        order by p.name, t.walk_order) as ids
    from crew c
    where c.name = ${crews[0]!.name}
    order by c.id
    limit 1`;
  const day = Array.from({ length: 7 }, (_, i) => dayAfter(today, i, 'days')).find(
    (d) => quay && hoursOn(quay.hours, d, null).length,
  );
  if (!quay?.ids.length || !day) return;
  // Whatever the weather: it is said on the page of the round, and the crew knows what to do.
  await performAs(quay, addToDay, { day, crewId: quay.crewId, itemIds: quay.ids, anyway: true });
}
