import type { Host } from '@/core/diagnose/knowledge';
import { concerns } from '@/core/diagnose/reading';
import { lifeSpans } from '@/core/season/life';
import { LIFE_STAGES, lifeSchema, type Life, type LifeStage } from '@/core/season/life-schema';
import { inSeason, monthOf } from '@/lib/calendar/months';
import { hostYear } from '@/facts/season';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { simulatedStation } from '@/stand-ins/weather/station';
import { conditions, growthOf, growths, heatModels, hosts } from '..';
import { timesOf, WRITTEN_TIMES } from '../windows';
import { LIVED, lifeOf } from '.';

const NOW = new Date('2026-12-20T12:00:00Z');
const north = simulatedStation(5, { lat: 44, lon: 9, climate: CLIMATES.continental });
const mild = simulatedStation(5, { lat: 40, lon: 9, climate: CLIMATES['dry-summer'] });
const south = simulatedStation(5, { lat: -38, lon: 145, climate: CLIMATES['dry-summer'] });
const watched = (host: Host, lat: number) => {
  const [timeZone, lon] = lat < 0 ? ['Australia/Melbourne', 145] : ['Europe/Rome', 9];
  const station = lat < 0 ? south : lat < 42 ? mild : north;
  const seen = { stageNotes: [], brought: [], ownHeat: [] };
  return hostYear(host, { spot: { lat, lon }, timeZone, seen, stationFor: () => station, now: NOW, presence: {} });
};
const YEAR = { north: { from: '2027-01-01', to: '2027-12-31' }, south: { from: '2026-07-01', to: '2027-06-30' } };
const mainHosts = (groups: readonly string[]) => hosts.filter((h) => !h.unlisted && concerns(groups, h) && growthOf(h));

it('every condition that ships has its life, and nothing else has', () => {
  expect([...LIVED].sort()).toEqual(conditions.map((c) => c.id).sort());
  for (const c of conditions) {
    const life = lifeSchema.parse(lifeOf(c.id));
    expect([c.id, life.length > 0]).toEqual([c.id, true]);
    const order = life.map((l) => LIFE_STAGES.indexOf(l.stage));
    expect(order).toEqual([...order].sort((a, b) => a - b));
  }
});

/** What kind of life a kind of condition may have. */
const ANIMAL: readonly LifeStage[] = [
  'rests',
  'eggs',
  'crawlers',
  'young',
  'settled',
  'pupae',
  'adults',
  'flight',
  'feeding',
  'symptoms',
];
const INFECTS: readonly LifeStage[] = ['rests', 'spores', 'infection', 'latency', 'symptoms', 'fruiting'];
const OF_KIND: Record<string, readonly LifeStage[]> = {
  'sap feeder': ANIMAL,
  borer: ANIMAL,
  chewer: ANIMAL,
  mite: ANIMAL,
  mollusc: ANIMAL,
  fungus: [...INFECTS, 'harm'],
  bacterium: INFECTS,
  virus: INFECTS,
  'water mould': INFECTS,
};
it('pests go through stages of animals, diseases through those of what infects', () => {
  const strange = conditions.flatMap((c) =>
    lifeOf(c.id).flatMap(({ stage }) => (OF_KIND[c.kind]?.includes(stage) === false ? [`${c.id}: ${stage}`] : [])),
  );
  expect(strange).toEqual([]);
  const bare = conditions.filter(
    (c) => OF_KIND[c.kind] === INFECTS && !lifeOf(c.id).some((l) => l.stage === 'infection'),
  );
  expect(bare.map((c) => c.id)).toEqual(['wetwood']);
});

it('each names stages that some host has and sums of heat that ship, of its own condition', () => {
  const codes = new Set(growths.flatMap((g) => [...g.spring, ...(g.autumn?.stages ?? [])].map((s) => s.code)));
  for (const c of conditions)
    for (const { time } of lifeOf(c.id)) {
      if (time.by === 'stage') expect([c.id, codes.has(time.from) && codes.has(time.to)]).toEqual([c.id, true]);
      if (time.by === 'heat')
        expect([c.id, heatModels.find((m) => m.id === time.model)?.condition]).toEqual([c.id, c.id]);
    }
});

/** Sums that count from something seen tell nothing before it is. */
const waits = (model: string) => heatModels.find((m) => m.id === model)?.from !== 'new year';

it.each([44, -38])('at latitude %i each stage comes at a time that can be told on one of its hosts', (lat) => {
  const years = new Map(hosts.map((h) => [h.id, watched(h, lat)]));
  const span = lat < 0 ? YEAR.south : YEAR.north;
  const untold = conditions.flatMap((c) => {
    const on = mainHosts(c.groups);
    return lifeOf(c.id)
      .filter(({ time }) => time.by !== 'months' && !(time.by === 'heat' && waits(time.model)))
      .filter((l) => on.length && !on.some((h) => lifeSpans([l], years.get(h.id)!, lat < 0, span).length))
      .map((l) => `${c.id}: ${l.stage} ${JSON.stringify(l.time)}`);
  });
  expect(untold).toEqual([]);
});

/** Spans of a cold and of a mild place together: what the months of an entry are meant for. */
const spansOf = (life: Life, host: Host) =>
  [44, 40].flatMap((lat) => lifeSpans(life, watched(host, lat), false, YEAR.north));
const monthsOf = (spans: readonly { first: string; last: string }[]) =>
  Array.from({ length: 12 }, (_, i) => i + 1).filter((m) => {
    const mm = String(m).padStart(2, '0');
    return spans.some((s) => s.first <= `2027-${mm}-28` && s.last >= `2027-${mm}-01`);
  });

it('a month in which its signs are made is one in which it does something', () => {
  const quiet = conditions.flatMap((c) => {
    const host = mainHosts(c.groups)[0];
    if (!host) return [];
    const goesOn = monthsOf(spansOf(lifeOf(c.id), host));
    const waiting = lifeOf(c.id).some((l) => l.time.by === 'heat' && waits(l.time.model));
    return Array.from({ length: 12 }, (_, i) => i + 1)
      .filter((m) => !waiting && inSeason(m, c.season) && !goesOn.includes(m))
      .map((m) => `${c.id}: month ${m}`);
  });
  expect(quiet).toEqual([]);
});

it('the south has what the north has, half a year later', () => {
  const elm = hosts.find((h) => h.id === 'wych-elm')!;
  const of = (lat: number, span: { from: string; to: string }) =>
    lifeSpans(lifeOf('deer'), watched(elm, lat), lat < 0, span).map((s) => [
      s.stage,
      s.first.slice(5),
      s.last.slice(5),
    ]);
  expect(of(44, YEAR.north)).toContainEqual(['harm', '09-01', '11-30']);
  expect(of(-38, YEAR.south)).toContainEqual(['harm', '03-01', '05-31']);
  const [n, s] = [44, -38].map(
    (lat) =>
      lifeSpans(
        lifeOf('emerald-ash-borer'),
        watched(
          hosts.find((h) => h.id === 'common-ash')!,
          lat,
        ),
        lat < 0,
        lat < 0 ? YEAR.south : YEAR.north,
      ).find((x) => x.stage === 'flight')!.first,
  );
  expect(monthOf(n!)).toBeGreaterThanOrEqual(5);
  expect(monthOf(s!)).toBeGreaterThanOrEqual(9);
});

/** Words of a way that name a stage of the host or of the pest. */
const STAGE_WORDS =
  /green tip|bud (?:break|burst|swell)|leaf[ -](?:full|fall|out)|before leaf-out|petal fall|\bbloom\b|crawlers|hatch|flush|pink|fruit set|young leaf|unfold|shuck|shoots|dormant|dormancy/;
/** Ways whose words name one, and which only their months can tell all the same. */
const BY_MONTHS: Record<string, string> = {
  'citrus-miner/foliar spray': 'later flushes follow water: they are seen, and no heat tells them',
  'citrus-psyllid/foliar spray': 'the same: each flush is a new one',
  'citrus-greening/foliar spray': 'the same',
  'citrus-canker/foliar spray': 'the same',
  'phytophthora-root-rot/trunk injection': 'roots flush with water and warmth of the soil, not with the crown',
  'phytophthora-root-rot/foliar spray': 'the same',
  'mango-anthracnose/foliar spray': 'a mango flowers after dry or cool weeks, not after a sum of heat',
  'hemlock-woolly-adelgid/foliar spray': 'it is awake all winter: frost decides, not the host',
  'elongate-hemlock-scale/dormant spray': 'conifers show no rest: frost decides',
  'spruce-gall-adelgid/dormant spray': 'the same',
  'cytospora-canker/pruning': 'the same',
  'girdling-roots/excavation': 'dry soil serves as well',
  'crapemyrtle-bark-scale/wash': 'dry weather decides, the bare tree is only easier to reach',
  'pear-trellis-rust/sanitation': 'the junipers are cut, by the bloom of another tree',
  'black-scale/pruning': 'harvest is a day of the place',
  'citrus-red-scale/foliar spray':
    'later broods count from a flight that somebody saw: told alone, the first would shut them out',
};
it('nothing goes by bare months where its own words name a stage', () => {
  const bare = conditions.flatMap((c) =>
    c.options
      .filter((o) => STAGE_WORDS.test(o.when) && !o.timed?.length && !(`${c.id}/${o.method}` in BY_MONTHS))
      .map((o) => `${c.id}/${o.method}: ${o.when}`),
  );
  expect(bare).toEqual([]);
});

it('no time that is written for a way lies idle', () => {
  const words = new Set(conditions.flatMap((c) => c.options.map((o) => o.when)));
  expect(Object.keys(WRITTEN_TIMES.words).filter((w) => !words.has(w))).toEqual([]);
  const idle = Object.entries(WRITTEN_TIMES.conditions).flatMap(([id, ways]) =>
    Object.keys(ways).filter(
      (m) => !conditions.find((c) => c.id === id)?.options.some((o) => o.method === m && timesOf(id, o).length),
    ),
  );
  expect(idle).toEqual([]);
  expect(conditions.flatMap((c) => c.options.filter((o) => o.timed?.length)).length).toBeGreaterThan(150);
});

it('a way that is timed is open in one of its own months, where a temperate year tells it', () => {
  const strange = conditions.flatMap((c) => {
    const host = mainHosts(c.groups)[0];
    if (!host) return [];
    return c.options.flatMap((o) => {
      const told = monthsOf(
        spansOf(
          (o.timed ?? []).map((time) => ({ stage: 'symptoms', time })),
          host,
        ),
      );
      return told.length && !told.some((m) => inSeason(m, [o.from, o.to]))
        ? [`${c.id} on ${host.id}: ${o.when} ${o.from}–${o.to}, told ${told.join()}`]
        : [];
    });
  });
  expect(strange).toEqual([]);
});

it('a way that is met in a stage of its trouble is open in every brood of it, or goes by its months', () => {
  const shut = conditions.flatMap((c) =>
    c.options.flatMap((o) => {
      const stage = WRITTEN_TIMES.conditions[c.id]?.[o.method] ?? WRITTEN_TIMES.words[o.when];
      const broods = lifeOf(c.id).filter((l) => l.stage === stage);
      return o.timed && o.timed.length < broods.length
        ? [`${c.id}/${o.method}: ${o.timed.length} of ${broods.length}`]
        : [];
    }),
  );
  expect(shut).toEqual([]);
});
