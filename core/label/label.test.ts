import Ajv2020 from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { conditions, hosts, trainingLabels } from '../../knowledge';
import { wrongOf } from '../../knowledge/beside/wrong';
import { dose } from '../dose/dose';
import { perDiameter, rate, testLabel } from '../testing';
import { concerns } from '../diagnose/reading';
import { inSeason } from '../../lib/calendar/months';
import { usesHost } from './match';
import { carriesOut } from './methods';
import { labelSchema } from './schema';

const published = JSON.parse(readFileSync(join(__dirname, '../../docs/label.schema.json'), 'utf8'));

it('the published schema is the one that is used', () =>
  expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(labelSchema, { io: 'input' })))));

it('every training label stands by the published schema and can be dosed somewhere', () => {
  const validate = new Ajv2020({ strict: false }).compile(published);
  expect(trainingLabels.length).toBeGreaterThanOrEqual(28);
  for (const l of trainingLabels) {
    expect({ key: l.key, ok: validate(l), errors: validate.errors }).toMatchObject({ ok: true });
    expect(l.training).toBe(true);
    for (const u of l.uses)
      expect(
        [20, 45, 80].some(
          (d) =>
            dose({
              label: l,
              useKey: u.key,
              diameters: [d],
              vessels: [],
              siteAreaM2: 10_000,
              sprayVolumeMl: 20_000,
              areaM2: 10,
              holes: 40,
            }).ok,
        ),
      ).toBe(true);
  }
});

it('hosts and targets of the training labels are known', () => {
  const groups = new Set(hosts.flatMap((h) => [h.id, ...h.groups]));
  const known = new Set(conditions.map((c) => c.id));
  for (const u of trainingLabels.flatMap((l) => l.uses)) {
    expect(u.hosts.some((h) => groups.has(h))).toBe(true);
    expect(u.targets.filter((t) => !known.has(t))).toEqual([]);
  }
});

const issues = (use: object, rest: object = {}) => {
  try {
    testLabel(use, rest);
    return [];
  } catch (error) {
    return (error as z.ZodError).issues.map((i) => i.path.join('.'));
  }
};
it.each([
  [
    'a range reversed',
    { rate: rate({ per: 'tree' }, { kind: 'range', low: 5, high: 4, unit: 'mL' }) },
    {},
    'uses.0.rate.dose.point.low',
  ],
  [
    'classes that overlap',
    {
      rate: {
        ...rate({ per: 'tree' }, {}),
        dose: {
          form: 'classes',
          classes: {
            by: 'diameter',
            unit: 'cm',
            boundary: 'unanswered',
            bands: [
              { over: 0, upTo: 30, entry: { kind: 'single', value: 1, unit: 'mL' } },
              { over: 20, upTo: null, entry: { kind: 'single', value: 2, unit: 'mL' } },
            ],
          },
        },
      },
    },
    {},
    'uses.0.rate.dose.classes.bands.1.over',
  ],
  [
    'an active that is a volume',
    { rate: rate({ per: 'tree' }, { kind: 'single', value: 1, unit: 'mL' }, { of: 'active' }) },
    {},
    'uses.0.rate.dose',
  ],
  ['an injection without its sites', { method: 'trunk-injection' }, {}, 'uses.0.sites'],
  [
    'no concentration',
    {},
    { actives: [{ name: 'testide', group: { scheme: 'none', code: '' }, family: 'x' }] },
    'actives.0',
  ],
  [
    'sizes reversed',
    {
      limits: [
        { limit: 'min-size', by: 'diameter', size: { value: 30, unit: 'cm' }, text: 'a' },
        { limit: 'max-size', by: 'diameter', size: { value: 10, unit: 'in' }, text: 'b' },
      ],
    },
    {},
    'uses.0.limits.1.size',
  ],
  ['a negative rate', { rate: perDiameter(-1, 'mL', 1, 'cm') }, {}, 'uses.0.rate.dose.point.value'],
  ['an unknown field', { colour: 'red' }, {}, 'uses.0'],
])('%s is a fault with its place', (_, use, rest, path) => expect(issues(use, rest)).toContain(path));

it('a label that says what it does not bear keeps to its own hosts, months and temperatures', () => {
  expect(trainingLabels.length).toBeGreaterThanOrEqual(46);
  for (const l of trainingLabels)
    for (const u of l.uses) {
      const at = `${l.key}/${u.key}`;
      expect([at, u.hosts.filter((h) => l.sensitiveHosts?.some((s) => s.host === h))]).toEqual([at, []]);
      const { minC = -10, maxC = 40, maxWindMs = 5 } = u.conditions ?? {};
      expect([at, minC < maxC, maxC <= 40, maxWindMs <= 6]).toEqual([at, true, true, true]);
      expect([at, u.intervals.minDays === undefined || u.intervals.minDays > 0]).toEqual([at, true]);
      // What is injected into a food tree is no antibiotic.
      const eaten = hosts.filter((h) => h.edible && !h.unlisted && usesHost(u, h.id, h.groups));
      const antibiotic = l.actives.some((a) => a.family === 'antibiotic') && u.method === 'trunk-injection';
      expect([at, antibiotic ? eaten.map((h) => h.id) : []]).toEqual([at, []]);
    }
});

/** Every figure of time, warmth, wind and distance that a sentence says, with its unit; numbers in words and weeks among them. */
const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const ONCE: Readonly<Record<string, number>> = { once: 1, one: 1, twice: 2 };
function saidIn(text: string): { n: number; unit: string }[] {
  const digits = text
    .replace(
      /\b(one|two|three|four|five|six|seven|eight|nine|ten)\b(?= (?:to \w+ )?(?:days|weeks|times|hours))/gi,
      (w) => String(NUMBERS.indexOf(w.toLowerCase())),
    )
    .replace(/(\d+) to (\d+) (days|weeks|°C|hours)/g, '$1 $3 $2 $3');
  return [
    ...[...digits.matchAll(/(\d+(?:\.\d+)?) (days|weeks|hours|°C|m\/s|m|%|times)(?![a-z/])/g)].map(([, n, unit]) =>
      unit === 'weeks' ? { n: Number(n) * 7, unit: 'days' } : { n: Number(n), unit: unit! },
    ),
    ...[...text.matchAll(/\b(once|twice|one)\b(?= (?:a year|in a(?! row)|treatment in|application))/gi)].map(
      ([, w]) => ({
        n: ONCE[w!.toLowerCase()]!,
        unit: 'times',
      }),
    ),
  ];
}
it('what a label says in words of days, warmth, wind and water is what it holds as figures', () => {
  const strange: string[] = [];
  let said = 0;
  for (const l of trainingLabels)
    for (const u of l.uses) {
      const c = u.conditions;
      const inDays = { days: 1, weeks: 7, months: 30.4, years: 365.25 };
      const held: Record<string, (number | undefined)[]> = {
        days: [
          u.intervals.minDays,
          u.intervals.preHarvestDays,
          c?.bloomDays,
          ...u.followUps.flatMap((r) =>
            [r.after.count, r.earliest, r.latest].map((n) => (n ?? NaN) * inDays[r.after.unit]),
          ),
        ],
        hours: [u.intervals.reEntryHours, c?.rainFreeHours],
        '°C': [c?.minC, c?.maxC, c?.minSoilC],
        'm/s': [c?.minWindMs, c?.maxWindMs],
        m: [c?.waterDistanceM],
        '%': [c?.maxCrownLoss],
        times: [u.intervals.maxPerYear],
      };
      for (const { n, unit } of saidIn(`${u.intervals.text} ${c?.text ?? ''}`)) {
        said++;
        if (!held[unit]!.includes(n)) strange.push(`${l.key}/${u.key} says ${n} ${unit}`);
      }
    }
  expect(said).toBeGreaterThan(100);
  expect(strange).toEqual([]);
});

it('no label teaches against a trouble what the guide does not do, in months that the guide has not, or on hosts that do not get it', () => {
  const strange = trainingLabels.flatMap((l) =>
    l.uses.flatMap((u) =>
      u.targets.flatMap((t) => {
        const c = conditions.find((x) => x.id === t)!;
        const at = `${l.key}/${u.key} against ${t}`;
        const ways = c.options.filter((o) => carriesOut(u.method, o.method));
        if (!ways.length) return [`${at}: the guide has no such method`];
        if (u.months.length && !ways.some((o) => u.months.some((m) => inSeason(m, [o.from, o.to]))))
          return [`${at}: no month in common`];
        const on = hosts.filter((h) => usesHost(u, h.id, h.groups) && concerns(c.groups, h));
        return on.length ? [] : [`${at}: none of its hosts gets it`];
      }),
    ),
  );
  expect(strange).toEqual([]);
});

/** Families that reach one kind of organism alone; sulphur, copper and oil reach several. */
const FUNGICIDES = ['dithiocarbamate', 'phthalimide', 'triazole', 'benzimidazole', 'strobilurin', 'guanidine'];
const INSECTICIDES = ['neonicotinoid', 'avermectin', 'pyrethroid', 'organophosphate', 'spinosyn', 'bacillus'];
it('no label does what the guide calls wrong: a fungicide on an animal, an insecticide on a fungus, an antibiotic on either', () => {
  const wrong = trainingLabels.flatMap((l) => {
    const only = (families: readonly string[]) => l.actives.every((a) => families.includes(a.family));
    const calls = [
      ...(only(FUNGICIDES) ? ['A fungicide'] : []),
      ...(only(INSECTICIDES) ? ['An insecticide'] : []),
      ...(only(['antibiotic']) ? ['An antibiotic'] : []),
      ...(only(['phosphonate']) ? ['Phosphonate'] : []),
    ];
    return l.uses.flatMap((u) =>
      u.targets
        .filter((t) => wrongOf(conditions.find((c) => c.id === t)!).some((w) => calls.includes(w.what)))
        .map((t) => `${l.key}/${u.key} against ${t}`),
    );
  });
  expect(wrong).toEqual([]);
  const families = new Set(trainingLabels.flatMap((l) => l.actives.map((a) => a.family)));
  for (const f of ['triazole', 'neonicotinoid', 'antibiotic', 'phosphonate']) expect(families.has(f)).toBe(true);
});
