import fc from 'fast-check';
import { bounding, provenBy } from './bound';
import { driveMatrix, kilometres } from './drive';
import { learnedPace, learnedSetUp } from './durations';
import { PACE } from '../label/minutes';
import { hoursOn, hoursText, weekdayOf } from './hours';
import { readHours } from './read-hours';
import { jobsOf, before, type Item } from './jobs';
import { broken, emptyPlan } from './plan';
import { indexed, ownCost, WEIGHTS, type Job, type Problem } from './problem';
import { search } from './search';
import {
  changesBetween,
  gapOf,
  inForce,
  placedIn,
  rainsUntil,
  solving,
  whyNot,
  withoutCrew,
  type Answer,
} from './solve';
import { drawProblem } from './testing';
import { dayAfter } from '../../lib/calendar/days';

const DAYS = ['2027-05-03', '2027-05-04', '2027-05-05'];
const job = (more: Partial<Job>): Job => ({
  id: 'j',
  siteId: 'p',
  earliest: DAYS[0]!,
  latest: DAYS[2]!,
  firm: true,
  wanted: null,
  told: null,
  minutes: 30,
  hangs: 0,
  kit: null,
  licences: [],
  licensed: false,
  chances: null,
  daytimes: null,
  stake: 2,
  sick: false,
  reEntryHours: 0,
  after: [],
  now: null,
  locked: false,
  ...more,
});
const town = (jobs: Job[], more: Partial<Problem> = {}): Problem => ({
  days: DAYS,
  crews: ['a', 'b'].map((id) => ({
    id,
    name: id,
    hours: DAYS.map(() => ({ from: 480, to: 960 })),
    rests: DAYS.map(() => []),
    licences: DAYS.map(() => (id === 'a' ? ['tree injection'] : null)),
  })),
  places: ['p', 'q', 'r'].map((id) => ({ id, name: id, open: DAYS.map(() => [{ from: 0, to: 1440 }]) })),
  kits: [{ key: 'spray', setUp: 20, count: 1 }],
  drive: [0, 1, 2, 3, 4].map((i) => [0, 1, 2, 3, 4].map((k) => (i === k || i + k === 1 ? 0 : 10))),
  jobs,
  ...more,
});
const solved = (p: Problem, steps = 300): Answer => {
  const s = solving(p);
  for (let i = 0; i < steps; i++) s.step(i / steps);
  return s.answer();
};
const at = (a: Answer, id: string) => placedIn(a).get(id) ?? null;

/**
 * A referee of its own: reads an answer as a crew would, with the clock in hand, and knows nothing of how it was found.
 * @returns what is against the rules
 */
function illegal(p: Problem, { rounds, left }: Answer): string[] {
  const issues: string[] = [];
  const stands = new Map<string, { d: number; crew: number; begin: number; end: number }>();
  const kits = new Map<string, Set<string>>();
  for (const r of rounds) {
    const d = p.days.indexOf(r.day);
    const c = p.crews.findIndex((x) => x.id === r.crewId);
    const hours = p.crews[c]!.hours[d];
    if (!hours) issues.push(`${r.crewId} does not work on ${r.day}`);
    const used = new Set(r.stops.flatMap((s) => s.jobIds.map((id) => p.jobs.find((j) => j.id === id)!.kit)));
    /** Minutes between two moments in which the crew does not rest. */
    const awake = (a: number, b: number) =>
      b - a - p.crews[c]!.rests[d]!.reduce((sum, x) => sum + Math.max(0, Math.min(b, x.to) - Math.max(a, x.from)), 0);
    let clock = hours!.from;
    let since = p.kits.filter((k) => used.has(k.key)).reduce((a, k) => a + k.setUp, 0);
    for (const k of used) if (k) kits.set(`${k} ${d}`, (kits.get(`${k} ${d}`) ?? new Set()).add(r.crewId));
    let from = c;
    for (const s of r.stops) {
      const place = p.places.findIndex((x) => x.id === s.siteId);
      since += p.drive[from]![p.crews.length + place]!;
      if (awake(clock, s.begin) < since - 1e-6) issues.push(`${s.siteId} is begun before anybody is there`);
      const jobs = s.jobIds.map((id) => p.jobs.find((j) => j.id === id)!);
      const hands = jobs.reduce((a, j) => a + j.minutes, 0);
      if (awake(s.begin, s.end) < hands - 1e-6) issues.push(`${s.siteId} is too short for its work`);
      let set = s.begin;
      for (const j of jobs) {
        const suits = j.daytimes?.[d];
        if (suits && !suits.some((h) => awake(Math.max(h.from, s.begin), Math.min(h.to, s.end)) >= j.minutes - 1e-6))
          issues.push(`${j.id} is done when neither air nor light suit it`);
        set += j.minutes;
        if (set + j.hangs > s.end + 1e-6) issues.push(`${j.id} is left hanging`);
        stands.set(j.id, { d, crew: c, begin: s.begin, end: s.end });
        if (j.siteId !== s.siteId) issues.push(`${j.id} stands at another place`);
      }
      if (!p.places[place]!.open[d]!.some((o) => s.begin >= o.from && s.end <= o.to))
        issues.push(`${s.siteId} is closed`);
      clock = s.end;
      since = 0;
      from = p.crews.length + place;
    }
    if (awake(clock, hours!.to) < p.drive[from]![c]! - 1e-6) issues.push(`${r.crewId} is late home on ${r.day}`);
  }
  for (const [key, crews] of kits) {
    const kit = p.kits.find((k) => key.startsWith(k.key))!;
    if (kit.count !== null && crews.size > kit.count) issues.push(`too many ${key}`);
  }
  for (const j of p.jobs) {
    const s = stands.get(j.id);
    if (!s) {
      if (!left.some((l) => l.jobId === j.id)) issues.push(`${j.id} is forgotten`);
      continue;
    }
    const day = p.days[s.d]!;
    const crew = p.crews[s.crew]!;
    if (day < j.earliest || (j.firm && day > j.latest)) issues.push(`${j.id} is out of its span`);
    if (j.licensed && !crew.licences[s.d]) issues.push(`${j.id} without a licence`);
    if (j.licences.some((l) => !crew.licences[s.d]?.includes(l))) issues.push(`${j.id} without its licence`);
    if (j.locked && j.now && (j.now.day !== day || j.now.crewId !== crew.id)) issues.push(`${j.id} was locked`);
    for (const a of j.after) {
      const o = stands.get(a.jobId);
      if (o && s.d - o.d < a.days) issues.push(`${j.id} too soon after ${a.jobId}`);
    }
    for (const o of p.jobs) {
      const t = stands.get(o.id);
      if (!t || o.id === j.id || o.siteId !== j.siteId || !j.reEntryHours) continue;
      if (t.d === s.d && t.crew === s.crew) continue;
      if (t.d === s.d || (t.d > s.d && t.d * 1440 + t.begin < s.d * 1440 + s.end + 60 * j.reEntryHours))
        issues.push(`${o.id} enters too soon after ${j.id}`);
    }
  }
  return issues;
}

const drawn = fc.record({
  size: fc.record({
    jobs: fc.integer({ min: 0, max: 40 }),
    crews: fc.integer({ min: 1, max: 3 }),
    days: fc.integer({ min: 3, max: 10 }),
    places: fc.integer({ min: 1, max: 12 }),
    hours: fc.integer({ min: 2, max: 10 }),
  }),
  seed: fc.integer({ min: 1, max: 1e9 }),
});

describe('any town', () => {
  it('a job that does not fit after all leaves the day of the others as it was', () => {
    const p = drawProblem({ jobs: 37, crews: 1, days: 8, places: 2, hours: 10 }, 918975264);
    const a = solved(p, 40);
    const told = [...a.rounds.flatMap((r) => r.stops.flatMap((s) => s.jobIds)), ...a.left.map((l) => l.jobId)];
    expect(told.sort()).toEqual(p.jobs.map((j) => j.id).sort());
  });
  it('no answer is ever illegal, and nothing that waits is forgotten', () => {
    fc.assert(
      fc.property(drawn, ({ size, seed }) => {
        const p = drawProblem(size, seed);
        const a = solved(p, 40);
        expect(illegal(p, a)).toEqual([]);
        const x = indexed(p);
        const slotOf = Int32Array.from(p.jobs, (j) => {
          const s = at(a, j.id);
          return s ? p.crews.findIndex((c) => c.id === s.crewId) * x.nDays + p.days.indexOf(s.day) : -1;
        });
        // The rules that the server asks say the same as the referee.
        const orders = new Map(
          a.rounds.map((r) => [
            p.crews.findIndex((c) => c.id === r.crewId) * x.nDays + p.days.indexOf(r.day),
            r.stops.map((s) => p.places.findIndex((q) => q.id === s.siteId)),
          ]),
        );
        expect(broken(x, slotOf, orders).filter((b) => b.limit.by !== 'locked')).toEqual([]);
      }),
      { numRuns: 120 },
    );
  });

  it('what the rules call broken the referee calls illegal: days and crews thrown at random', () => {
    let caught = 0;
    fc.assert(
      fc.property(drawn, fc.infiniteStream(fc.nat()), ({ size, seed }, rolls) => {
        const p = drawProblem(size, seed);
        const x = indexed(p);
        const slotOf = Int32Array.from(p.jobs, () => (rolls.next().value! % (x.nSlots + 1)) - 1);
        const told = broken(x, slotOf);
        // Put one after the other, a plan takes only what is legal then.
        const plan = emptyPlan(x);
        slotOf.forEach((s, j) => s >= 0 && plan.against(j, s).length === 0 && plan.put(j, s));
        const orders = new Map(
          plan.jobsIn.flatMap((_, slot) => {
            const day = plan.dayOf(slot);
            return day?.ok ? [[slot, day.stops.map((q) => q.place)] as const] : [];
          }),
        );
        expect(broken(x, plan.slotOf, orders).filter((b) => b.limit.by !== 'locked')).toEqual([]);
        if (told.length) caught += 1;
      }),
      { numRuns: 80 },
    );
    expect(caught).toBeGreaterThan(20);
  });

  it('the cost that is kept while searching is the cost of what stands', () => {
    fc.assert(
      fc.property(drawn, ({ size, seed }) => {
        const x = indexed(drawProblem(size, seed));
        const s = search(x, 3);
        for (let i = 0; i < 25; i++) s.step(i / 25);
        const { slotOf, days, cost } = s.best();
        const jobs = slotOf.reduce((sum, slot, j) => sum + (slot < 0 ? x.missed[j]! : x.own[j]![slot]!), 0);
        const going = days.reduce((sum, d) => sum + (d?.ok ? d.cost : 0), 0);
        expect(cost).toBeCloseTo(jobs + going, 6);
      }),
      { numRuns: 80 },
    );
  });

  it('a bound is never above what a plan costs, and its prices prove it', () => {
    fc.assert(
      fc.property(drawn, ({ size, seed }) => {
        const x = indexed(drawProblem(size, seed));
        const s = search(x, 5);
        for (let i = 0; i < 60; i++) s.step(i / 60);
        const { cost } = s.best();
        const b = bounding(x);
        for (let i = 0; i < 60 && b.round(cost); i++);
        const least = b.best();
        expect(least.value).toBeLessThanOrEqual(cost + 1e-6);
        expect(provenBy(x, least)).toBeCloseTo(least.value, 6);
        // Whatever prices somebody makes up: what they prove is true.
        const wild = Float64Array.from(x.missed, (m, j) => ((j * 7919 + seed) % 1000) * 0.001 * m);
        expect(provenBy(x, { worth: wild })).toBeLessThanOrEqual(cost + 1e-6);
      }),
      { numRuns: 100 },
    );
  });

  it('small towns: of all arrangements whatever none costs less than the bound, and the cheapest is found', () => {
    const gaps = Array.from({ length: 30 }, (_, i) => i + 1).map((seed) => {
      const x = indexed(drawProblem({ jobs: 5, crews: 1, days: 3, places: 3, hours: 5 }, seed));
      let least = Infinity;
      const slotOf = new Int32Array(5);
      const each = (j: number): void => {
        if (j < 5) {
          for (let s = -1; s < x.nSlots; s++) {
            slotOf[j] = s;
            each(j + 1);
          }
          return;
        }
        if (broken(x, slotOf).length) return;
        const plan = emptyPlan(x);
        slotOf.forEach((s, k) => s >= 0 && plan.put(k, s));
        least = Math.min(least, plan.cost());
      };
      each(0);
      // Two that were locked against each other leave nothing to compare.
      if (least === Infinity) return 0;
      const s = search(x, 1);
      for (let i = 0; i < 250; i++) s.step(i / 250);
      const b = bounding(x);
      for (let i = 0; i < 200 && b.round(least); i++);
      expect(b.best().value).toBeLessThanOrEqual(least + 1e-6);
      return s.best().cost / least - 1;
    });
    expect(gaps.filter((g) => g > 1e-6).length).toBeLessThanOrEqual(2);
    expect(Math.max(...gaps)).toBeLessThan(0.03);
  });

  it('the same town has the same answer', () => {
    const p = drawProblem({ jobs: 60, crews: 2, days: 7, places: 15, hours: 8 }, 11);
    expect(solved(p, 80)).toEqual(solved(p, 80));
  });
});

describe('what decides the day', () => {
  it('one place is come to once, as early as the wish says, and by whoever holds the licence', () => {
    const a = solved(
      town([
        job({ id: 'x', wanted: DAYS[1]! }),
        job({ id: 'y', wanted: DAYS[1]! }),
        job({ id: 'z', licences: ['tree injection'], licensed: true }),
      ]),
    );
    expect(a.rounds).toHaveLength(1);
    expect(a.rounds[0]).toMatchObject({ day: DAYS[1], crewId: 'a', driving: 20 });
    // 480, and 10 minutes of driving; three times 30 and once 15 for walking on and off.
    expect(a.rounds[0]!.stops[0]).toMatchObject({ arrive: 490, begin: 490, end: 595 });
  });

  it('rain keeps sprays to the days that suit, where the span has any', () => {
    const a = solved(town([job({ id: 'x', kit: 'spray', chances: [0.3, 0.2, 0.9] })]));
    expect(at(a, 'x')).toMatchObject({ day: DAYS[2] });
    // Rained off seven times in ten: the way and all of the work once more.
    expect(ownCost(job({ chances: [0.3, 0.2, 0.9] }), DAYS[0]!, 0, 'a')).toBeCloseTo(
      30 + 0.7 * (WEIGHTS.brokenOff + 30),
    );
    // Where nobody knows, as often as on the days that are known.
    expect(ownCost(job({ chances: [0.5, 1, null] }), DAYS[2]!, 2, 'a')).toBeCloseTo(
      30 + 0.25 * (WEIGHTS.brokenOff + 30),
    );
    const wet = solved(town([job({ id: 'x', chances: [0, 0.1, 0.19] })]));
    expect(wet.left[0]!.why).toEqual([{ limit: { by: 'air', chance: 0 }, days: 6 }]);
  });

  it('what hangs is set first and pulled the same day', () => {
    const a = solved(town([job({ id: 'soon' }), job({ id: 'hangs', hangs: 120 })]));
    expect(a.rounds[0]!.stops[0]!.jobIds).toEqual(['hangs', 'soon']);
    // Set by 520, hanging until 640, with a quarter of an hour to walk off.
    expect(a.rounds[0]!.stops[0]!.end).toBe(490 + 30 + 120 + 15);
    const late = town([job({ id: 'hangs', minutes: 200, hangs: 300 })]);
    expect(solved(late).left).toEqual([
      { jobId: 'hangs', why: [{ limit: { by: 'too long', minutes: 500, room: 480 }, days: 6 }] },
    ]);
  });

  it('nobody enters before the re-entry is over, and the sprayer goes out once a day', () => {
    const spray = { kit: 'spray', reEntryHours: 24 };
    const p = town([
      job({ id: 'x', ...spray, wanted: DAYS[0]!, minutes: 300 }),
      job({ id: 'y', wanted: DAYS[0]!, minutes: 300 }),
    ]);
    const a = solved(p);
    // Together they are too long for one day: the look comes before, or two days after.
    expect(illegal(p, a)).toEqual([]);
    const [x, y] = [DAYS.indexOf(at(a, 'x')!.day), DAYS.indexOf(at(a, 'y')!.day)];
    expect(y < x || y === x + 2).toBe(true);
    const two = solved(
      town([
        job({ id: 'x', ...spray, minutes: 400, latest: DAYS[0]! }),
        job({ id: 'y', siteId: 'q', ...spray, minutes: 400, latest: DAYS[0]! }),
      ]),
    );
    expect(two.left).toHaveLength(1);
    expect(two.left[0]!.why.map((w) => w.limit.by).sort()).toEqual(['hours', 'kit']);
  });

  it('sound before sick, and blades cleaned where that cannot be', () => {
    const a = solved(town([job({ id: 'sick', sick: true }), job({ id: 'sound' })]));
    expect(a.rounds[0]!.stops[0]!.jobIds).toEqual(['sound', 'sick']);
    const q = solved(town([job({ id: 'sick', sick: true, siteId: 'q' }), job({ id: 'sound' })]));
    expect(q.rounds[0]!.stops.map((s) => s.siteId)).toEqual(['p', 'q']);
  });

  it('late costs by the stake; what is firm is left out after its last day', () => {
    const gone = { earliest: '2027-04-20', latest: '2027-04-30', wanted: '2027-04-30' };
    const a = solved(town([job({ id: 'soft', ...gone, firm: false }), job({ id: 'firm', ...gone })]));
    expect(at(a, 'soft')).toMatchObject({ day: DAYS[0] });
    // However long it has been late, it is done rather than left out.
    const long = solved(town([job({ id: 'x', earliest: '2025-01-01', latest: '2025-02-01', firm: false, stake: 1 })]));
    expect(at(long, 'x')).toMatchObject({ day: DAYS[0] });
    expect(a.left.map((l) => l.jobId)).toEqual(['firm']);
    // What cannot be done at all is no choice, and stands in no gap.
    expect(a.cost.whole).toBeLessThan(WEIGHTS.missed);
    expect(gapOf(a)!).toBeLessThan(0.2);
  });

  it('moves as little as pays: what was told stays, what rain hits goes', () => {
    const p = town([
      job({ id: 'told', told: DAYS[0]!, wanted: DAYS[1]!, siteId: 'q' }),
      job({ id: 'spray', kit: 'spray', chances: [0.9, 0.8, 0.8], wanted: DAYS[0]! }),
      job({ id: 'look', siteId: 'r', wanted: DAYS[0]! }),
    ]);
    const first = solved(p);
    expect(at(first, 'told')!.day).toBe(DAYS[0]);
    expect(at(first, 'spray')!.day).toBe(DAYS[0]);
    const wet = rainsUntil(inForce(p, first), DAYS[1]!);
    const then = solved(wet);
    const changes = changesBetween(wet, first, then);
    expect(changes.map((c) => [c.jobId, c.to?.day])).toEqual([['spray', DAYS[2]]]);
    const ill = withoutCrew(inForce(p, first), first.rounds[0]!.crewId, DAYS[0]!, DAYS[0]!);
    const other = changesBetween(ill, first, solved(ill));
    expect(other.every((c) => c.to!.crewId !== first.rounds[0]!.crewId || c.to!.day !== DAYS[0])).toBe(true);
    expect(other.find((c) => c.jobId === 'told')).toMatchObject({ told: false, to: { day: DAYS[0] } });
  });

  it('why not Tuesday: what keeps each crew, or what it would cost more', () => {
    const p = town([
      job({ id: 'x', wanted: DAYS[0]!, licences: ['tree injection'], licensed: true }),
      job({ id: 'y', wanted: DAYS[0]! }),
    ]);
    const a = solved(p);
    const [first, second] = whyNot(p, a, 'x', DAYS[1]!);
    // Coming once more, a day off.
    expect(first).toEqual({ crewId: 'a', against: [], more: WEIGHTS.out + 20 + WEIGHTS.stop + WEIGHTS.offDay });
    expect(second).toEqual({ crewId: 'b', against: [{ by: 'licence', crewId: 'b', category: null }], more: null });
    expect(whyNot(p, a, 'x', '2028-01-01')).toEqual([]);
  });

  it('nobody works or drives while they rest: what is under way is gone on with after it', () => {
    const rests = DAYS.map(() => [{ from: 540, to: 600 }]);
    const p = town([job({ minutes: 120 })]);
    const a = solved({ ...p, crews: [{ ...p.crews[0]!, rests }], drive: p.drive.slice(1).map((r) => r.slice(1)) }, 60);
    // Ten minutes of driving; then walking on and off, the hands, and the hour between.
    expect(a.rounds[0]!.stops).toMatchObject([{ begin: 490, end: 490 + 15 + 120 + 60 }]);
    expect(a.rounds[0]!.home).toBe(490 + 195 + 10);
  });

  it('what the sun or the wind lets only early or late is done then, and not at all where no crew is out', () => {
    const early = DAYS.map(() => [{ from: 360, to: 570 }]);
    const p = town([
      job({ id: 'dew', minutes: 40, daytimes: early }),
      ...[1, 2, 3].map((n) => job({ id: `any${n}`, minutes: 60, wanted: DAYS[0]! })),
    ]);
    const a = solved(p);
    const [stop] = a.rounds.find((r) => r.stops.some((s) => s.jobIds.includes('dew')))!.stops;
    // At one place the order of jobs is by what hangs and who is sick: it may stand on a day of its own.
    expect(stop!.begin + 7.5).toBeLessThanOrEqual(570 - 40);
    const night = solved(town([job({ daytimes: DAYS.map(() => [{ from: 1200, to: 1380 }]) })]));
    expect(night.left[0]!.why[0]!.limit).toEqual({ by: 'daytime', jobId: 'j' });
  });

  it('a full day has its price', () => {
    const many = Array.from({ length: 18 }, (_, i) =>
      job({ id: `j${i}`, minutes: 80, latest: DAYS[0]!, stake: 3, siteId: ['p', 'q', 'r'][i % 3]! }),
    );
    const a = solved(town(many), 900);
    expect(a.left.length).toBeGreaterThan(5);
    expect(a.full.length).toBe(2);
    expect(a.full[0]).toMatchObject({ day: DAYS[0] });
    expect(a.full[0]!.hourSaves).toBeGreaterThan(500);
  });
});

describe('hours', () => {
  it('read as they are typed, and written back the same', () => {
    const text = 'Mon–Fri 16:00–20:00\nSat, Sun closed\n2027-07-24 to 2027-09-03 Mon–Sun 08:00–18:30';
    const read = readHours(text);
    expect(read.ok && hoursText(read.rules)).toBe(
      'Mon–Fri 16:00–20:00\nSat–Sun closed\n2027-07-24 to 2027-09-03 Mon–Sun 08:00–18:30',
    );
    const always = { from: 360, to: 1260 };
    const rules = read.ok ? read.rules : [];
    expect(hoursOn(rules, '2027-05-03', always)).toEqual([{ from: 960, to: 1200 }]);
    expect(hoursOn(rules, '2027-05-08', always)).toEqual([]);
    expect(hoursOn(rules, '2027-08-07', always)).toEqual([{ from: 480, to: 1110 }]);
    expect(hoursOn([], '2027-05-08', always)).toEqual([always]);
  });
  it('hyphens, whole names, two spans of a day, a week that turns', () => {
    const read = readHours('monday-Tuesday 7:30-9:00\nMon 14:00–16:00\nSat-Mon closed');
    expect(read.ok && read.rules.map((r) => r.days)).toEqual([[1, 2], [1], [1, 6, 7]]);
    expect(read.ok && hoursOn(read.rules, '2027-05-03', { from: 0, to: 1 })).toEqual([
      { from: 450, to: 540 },
      { from: 840, to: 960 },
    ]);
  });
  it.each([
    ['after four', 'Line 1: days of the week and hours are needed.'],
    ['Mon–Fri 16:00–20:00\nFunday 8:00–9:00', 'Line 2: “Funday” are no days of the week.'],
    ['Mon 18:00–16:00', 'Line 1: it ends before it begins.'],
    ['Mon 8:75–9:00', 'Line 1: an hour has sixty minutes.'],
    ['2027-02-30 to 2027-03-01 Mon 8:00–9:00', 'Line 1: there is no such day or hour.'],
    ['2027-03-02 to 2027-03-01 Mon 8:00–9:00', 'Line 1: its last day lies before its first.'],
    ['Mon 8:00–30:00', 'Line 1: there is no such day or hour.'],
  ])('%j is refused in words', (text, sentence) => {
    const read = readHours(text);
    expect(!read.ok && read.sentence).toContain(sentence);
  });
  it('any rules come back from their own text', () => {
    const rule = fc
      .record({
        days: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }).map((d) => d.sort()),
        hours: fc.option(
          fc
            .tuple(fc.integer({ min: 0, max: 700 }), fc.integer({ min: 701, max: 1440 }))
            .map(([from, to]) => ({ from, to })),
        ),
        between: fc.constantFrom(null, { from: '2027-04-01', to: '2027-04-18' }),
      })
      .map((r) => r);
    fc.assert(
      fc.property(fc.array(rule, { maxLength: 6 }), (rules) => {
        expect(readHours(hoursText(rules))).toEqual({ ok: true, rules });
      }),
    );
  });
  it('weekdays are those of the calendar', () => {
    expect(['2026-11-26', '2027-05-03', '2024-02-29', '2027-05-09'].map(weekdayOf)).toEqual([4, 1, 4, 7]);
  });
});

it('driving: a tenth of a degree of latitude is 11.12 km; what nobody knows is a way across the town', () => {
  const [a, b] = [
    { lat: 50, lon: 0 },
    { lat: 50.1, lon: 0 },
  ];
  expect(kilometres(a, b)).toBeCloseTo(11.1195, 3);
  const m = driveMatrix([a, b, { lat: null, lon: null }, { lat: 50.0001, lon: 0 }]);
  expect(m[0]![1]).toBeCloseTo(4 + (11.1195 * 1.35 * 60) / 35, 2);
  expect([m[0]![0], m[0]![2], m[0]![3]]).toEqual([0, 15, 0]);
});

it('a company learns its own pace: eight sprays of six minutes weigh as much as the practice figure', () => {
  const log = Array.from({ length: 8 }, () => ({ method: 'foliar-spray' as const, minutes: 6, holes: 0 }));
  const wild = { method: 'foliar-spray' as const, minutes: 700, holes: 0 };
  expect(learnedPace([...log, wild], [])['foliar-spray']).toEqual({ prepare: 20, each: 8, own: 8 });
  expect(learnedPace([{ method: 'trunk-injection', minutes: 45, holes: 10 }], [])['trunk-injection'].each).toBe(15);
  expect(learnedPace([], [])['soil-drench']).toEqual({ ...PACE['soil-drench'], own: 0 });
});

it.each([
  // The clock of a piece that took less was started with the pen; one that took more was never stopped.
  [1.9, 0],
  [2, 1],
  [240, 1],
  [240.1, 0],
])('a piece of work of %d minutes teaches: %d', (minutes, own) =>
  expect(learnedPace([{ method: 'foliar-spray', minutes, holes: 0 }], [])['foliar-spray'].own).toBe(own),
);

describe('closed days teach how long setting up takes', () => {
  const at = (clock: string) => `2027-05-03T${clock}:00.000Z`;
  const yard = { lat: 50, lon: 0 };
  const piece = (siteId: string, from: string, to: string) => ({
    ...yard,
    siteId,
    method: 'foliar-spray' as const,
    startedAt: at(from),
    endedAt: at(to),
  });
  // Two places at the yard's gate: no way, twice 20 minutes of set-up, an hour at trees though two overlap.
  const pieces = [piece('b', '10:00', '10:30'), piece('a', '08:00', '08:20'), piece('a', '08:10', '08:30')];
  const day = (worked: number) => ({ worked, yard, pieces });

  it('what is left of the hours beside trees and road is set-up, against the practice figure', () => {
    expect(learnedSetUp([])).toBe(1);
    expect(learnedSetUp([day(60 + 40)])).toBe(1);
    expect(learnedSetUp(Array.from({ length: 8 }, () => day(60 + 80)))).toBeCloseTo(1.5, 9);
    expect(learnedPace([], [day(60 + 80)])['soil-drench'].prepare).toBeCloseTo((9 * (8 + 2)) / 9, 9);
  });

  it('one day of which nobody can tell why it was so long, or shorter than its work, moves little', () => {
    expect(learnedSetUp([day(600)])).toBeCloseTo((8 + 3) / 9, 9);
    expect(learnedSetUp([day(10)])).toBeCloseTo((8 + 0.5) / 9, 9);
    expect(learnedSetUp([{ worked: 300, yard, pieces: [] }])).toBe(1);
  });

  it('the way is driven, not set up', () => {
    const far = { lat: 50.1, lon: 0 };
    const driven = 2 * driveMatrix([yard, far])[0]![1]!;
    const away = { ...piece('a', '08:00', '08:30'), ...far };
    expect(learnedSetUp([{ worked: 30 + 20 + driven, yard, pieces: [away] }])).toBeCloseTo(1, 9);
  });
});

describe('what waits becomes jobs', () => {
  const item = (n: number, more: Partial<Item> = {}): Item => ({
    id: `i${String(n).padStart(3, '0')}`,
    about: { kind: 'plan', method: 'foliar-spray', label: 'A' },
    treeId: `t${n}`,
    tag: String(n),
    siteId: 'p',
    section: '',
    walk: n,
    labelKey: 'a',
    minDays: 10,
    earliest: DAYS[0]!,
    latest: DAYS[2]!,
    firm: true,
    wanted: DAYS[1]!,
    told: null,
    prepare: 20,
    minutes: 10,
    hangs: 0,
    kit: 'spray',
    licences: ['orchard'],
    licensed: true,
    chances: null,
    daytimes: null,
    tanks: 0,
    stake: 2,
    sick: false,
    reEntryHours: 12,
    now: null,
    locked: false,
    ...more,
  });
  it('sections of a place are done one by one: a day may hold the terrace and leave the row', () => {
    const of = Array.from({ length: 6 }, (_, n) => item(n, { section: n % 2 ? 'Terrace' : 'Row 1', minutes: 5 }));
    const jobs = jobsOf(of);
    expect(jobs).toHaveLength(2);
    for (const j of jobs) expect(new Set(j.items.map((i) => i.section)).size).toBe(1);
  });

  it('what one tank does not hold is filled again', () => {
    const minutes = (tanks: number) => jobsOf([1, 2, 3].map((n) => item(n, { tanks })))[0]!.minutes;
    expect(minutes(0)).toBe(50);
    expect(minutes(1 / 3)).toBe(50);
    expect(minutes(0.5)).toBe(70);
    expect(minutes(1)).toBe(90);
  });

  it('like trees together in walking order, long rows in even pieces', () => {
    const jobs = jobsOf([...Array(42).keys()].reverse().map((n) => item(n)));
    expect(jobs.map((j) => j.items.length)).toEqual([11, 11, 11, 9]);
    expect(jobs.map((j) => j.minutes)).toEqual([130, 130, 130, 110]);
    expect(jobs[1]).toMatchObject({ id: 'i011', licences: ['orchard'], licensed: true, reEntryHours: 12 });
    expect(
      jobsOf([item(1), item(2, { about: { kind: 'work', workId: 'guard' } }), item(3, { sick: true })]),
    ).toHaveLength(3);
  });
  it('a product keeps its interval on a tree, other things the days between them, looks nothing', () => {
    const later = dayAfter(DAYS[1]!, 12, 'days');
    const same = jobsOf([item(1), item(2, { treeId: 't1', wanted: later })]);
    expect(same.map((j) => j.after)).toEqual([[], [{ jobId: 'i001', days: 10 }]]);
    const other = jobsOf([item(1), item(2, { treeId: 't1', wanted: later, labelKey: 'b' })]);
    expect(other[1]!.after).toEqual([{ jobId: 'i001', days: 12 }]);
    expect(
      jobsOf([item(1), item(2, { treeId: 't1', wanted: later, about: { kind: 'look', what: 'Look' } })])[1]!.after,
    ).toEqual([]);
  });
  it('room is left for the next time that lies beyond', () => {
    expect(before(item(1), '2027-05-14').latest).toBe('2027-05-04');
    expect(before(item(1), null).latest).toBe(DAYS[2]);
  });
  it('any items: each is in one job, no job is longer than its longest tree allows', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            walk: fc.nat(30),
            minutes: fc.integer({ min: 1, max: 300 }),
            about: fc.constantFrom<Item['about']>({ kind: 'work', workId: 'a' }, { kind: 'look', what: 'b' }),
          }),
          { maxLength: 60 },
        ),
        (list) => {
          const items = list.map((l, n) => item(n, l));
          const jobs = jobsOf(items);
          expect(jobs.flatMap((j) => j.items.map((i) => i.id)).sort()).toEqual(items.map((i) => i.id).sort());
          for (const j of jobs)
            expect(j.minutes).toBeLessThanOrEqual(120 + 20 + Math.max(...j.items.map((i) => i.minutes)));
        },
      ),
    );
  });
});
