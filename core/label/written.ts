import { inMinor, type Currency } from '../cost/prices';
import { readNumber } from '../../lib/units/numbers';
import { unitsFor, type LabelDraft, type LimitDraft, type RowDraft, type TableDraft, type UseDraft } from './draft';
import type { Carrier, Label, LabelUse, RatePoint, SiteRule } from './schema';

const n = (text: string): number | undefined => {
  const read = readNumber(text, { name: '' });
  return read.ok ? read.value : undefined;
};
const share = (text: string) => {
  const value = n(text);
  return value === undefined ? undefined : Number((value / 100).toPrecision(12));
};
const slug = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'label';
const list = (text: string, by: RegExp) =>
  text
    .split(by)
    .map((p) => p.trim())
    .filter(Boolean);
const some = <K extends string>(key: K, text: string) => {
  const value = n(text);
  return value === undefined ? {} : ({ [key]: value } as Record<K, number>);
};
/** What stands in an object beside some of its keys; nothing of nothing. */
const without = <T extends object>(o: T | null | undefined, ...keys: (keyof T)[]): Partial<T> =>
  Object.fromEntries(Object.entries(o ?? {}).filter(([k]) => !keys.includes(k as keyof T))) as Partial<T>;
const only = <T extends object>(o: T, ...keys: (keyof T)[]): Partial<T> =>
  Object.fromEntries(Object.entries(o).filter(([k]) => keys.includes(k as keyof T))) as Partial<T>;

/** What a piece says, whatever the order of its keys and without what is undefined. */
const plain = (o: object) =>
  JSON.stringify(Object.entries(JSON.parse(JSON.stringify(o)) as object).sort(([a], [b]) => a.localeCompare(b)));
type Worded = { text: string } & object;
/** A piece with the label's words: those of before while its numbers are the same, new ones where they changed. */
function worded<T extends object>(piece: T, was: Worded | readonly Worded[] | undefined, words: string) {
  const before = ([] as Worded[]).concat(was ?? []).find((w) => plain(without(w, 'text')) === plain(piece));
  return { ...piece, text: before?.text ?? words };
}
const banded = (t: TableDraft, entry: (row: RowDraft, i: number) => unknown) => ({
  by: t.by,
  unit: t.unit,
  boundary: t.boundary,
  bands: t.rows.map((r, i) => ({ over: n(r.over), upTo: r.upTo.trim() ? n(r.upTo) : null, entry: entry(r, i) })),
});

function pointOf(row: Pick<RowDraft, 'low' | 'high' | 'unit'>, was: RatePoint | undefined) {
  if (!row.high.trim()) return { kind: 'single', value: n(row.low), unit: row.unit };
  const words = was?.kind === 'range' ? { lowFor: was.lowFor, highFor: was.highFor } : {};
  return { kind: 'range', low: n(row.low), high: n(row.high), unit: row.unit, ...words };
}

function carrierOf(f: UseDraft, was: Carrier | undefined) {
  const before = was && was.kind !== 'none' ? was : undefined;
  const volume = { value: n(f.water), unit: f.waterUnit };
  switch (f.carrier) {
    case 'none':
      return { kind: 'none' };
    case 'fixed':
      return worded({ kind: 'fixed', volume }, before, `${f.water} ${f.waterUnit} of water.`);
    case 'by-size':
      return worded(
        { kind: 'by-size', classes: banded(f.waterTable, (r) => ({ value: n(r.low), unit: f.waterUnit })) },
        before,
        'Water by the size of the trunk.',
      );
    case 'per-size':
      return worded(
        { kind: 'per-size', by: f.waterBy, each: { value: n(f.waterEach), unit: f.waterEachUnit }, volume },
        before,
        `${f.water} ${f.waterUnit} of water for each ${f.waterEach} ${f.waterEachUnit} of ${f.waterBy}.`,
      );
    case 'wet-basin':
      return worded(
        { kind: 'wet-basin', mm: n(f.mm), innerCm: n(f.inner), outerCm: n(f.outer) },
        before,
        `Water for ${f.mm} mm from ${f.inner} to ${f.outer} cm from the bark.`,
      );
  }
}

function sitesOf(f: UseDraft, was: SiteRule | undefined) {
  const count =
    f.siteRule === 'classes'
      ? { rule: 'classes', classes: banded(f.siteTable, (r) => n(r.low)) }
      : f.siteRule === 'volume-per-device'
        ? { rule: 'volume-per-device', volume: { value: n(f.siteEvery), unit: f.siteUnit } }
        : { rule: f.siteRule, each: { value: n(f.siteEvery), unit: f.siteUnit } };
  const piece = {
    ...without(was, 'text'),
    count,
    drillMm: n(f.drill),
    depthMm: n(f.depth),
    heightCm: n(f.height),
    minSpacingCm: n(f.spacing),
    rows: n(f.rows),
    device: f.device || undefined,
    deviceHolds: f.holds.trim() ? { value: n(f.holds), unit: f.holdsUnit } : undefined,
  };
  const words =
    f.siteRule === 'classes'
      ? 'Sites by the size of the trunk.'
      : f.siteRule === 'volume-per-device'
        ? `Not more than ${f.siteEvery} ${f.siteUnit} in a device.`
        : `One site for each ${f.siteEvery} ${f.siteUnit} of ${f.siteRule === 'per-girth' ? 'girth' : 'diameter'}.`;
  return worded(piece, was, words);
}

function limitOf(l: LimitDraft, was: readonly LabelUse['limits'][number][]) {
  const value = { value: n(l.value), unit: l.unit };
  const piece =
    l.limit === 'min-size' || l.limit === 'max-size'
      ? { limit: l.limit, by: l.by, size: value }
      : l.limit === 'per-area-year'
        ? { limit: l.limit, active: l.active, amount: value, each: { value: n(l.each), unit: l.eachUnit } }
        : { limit: l.limit, of: l.of, amount: value };
  const words =
    l.limit === 'per-area-year'
      ? `Not more than ${l.value} ${l.unit} ${l.active} on ${l.each} ${l.eachUnit} in a year.`
      : `${l.limit.replace(/-/g, ' ')}: ${l.value} ${l.unit}`;
  return worded(piece, was, words);
}

function useOf(f: UseDraft, was: LabelUse | undefined, key: string, label: Pick<LabelDraft, 'actives'>) {
  const c = {
    ...some('minC', f.minC),
    ...some('maxC', f.maxC),
    ...some('minSoilC', f.minSoilC),
    ...some('maxWindMs', f.wind),
    ...some('minWindMs', f.minWind),
    ...some('rainFreeHours', f.rain),
    ...(f.leafDry ? { leafDry: true } : {}),
    ...(f.lowSun ? { lowSun: true } : {}),
    ...some('bloomDays', f.bloomDays),
    ...some('waterDistanceM', f.waterDistance),
    ...some('maxCrownLoss', f.crownLoss),
  };
  const basis = unitsFor(f.per).length
    ? { per: f.per, each: { value: n(f.each), unit: f.eachUnit }, ...(f.per === 'area' ? { ground: f.ground } : {}) }
    : { per: f.per };
  const rows = was?.rate.dose.form === 'classes' ? was.rate.dose.classes.bands : [];
  const spray = f.method.endsWith('spray') || was?.spray;
  const probed = f.per === 'hole' || f.method === 'soil-injection' || was?.rootzone;
  const kept = without(was, 'rootzone', 'spray', 'sites', 'conditions');
  return {
    ...kept,
    key,
    title: f.title,
    method: f.method,
    hosts: f.hosts,
    forbiddenHosts: f.never.map(
      (host) => was?.forbiddenHosts.find((x) => x.host === host) ?? { host, text: 'Not on this host, says the label.' },
    ),
    targets: f.targets,
    purpose: f.purpose,
    rate: {
      ...was?.rate,
      of: f.of,
      ...(f.of === 'active' && label.actives.length > 1 && !was?.rate.active ? { active: label.actives[0]!.name } : {}),
      basis,
      dose:
        f.form === 'classes'
          ? { form: 'classes', classes: banded(f.classes, (r, i) => pointOf({ ...r, unit: f.unit }, rows[i]?.entry)) }
          : { form: 'flat', point: pointOf(f, was?.rate.dose.form === 'flat' ? was.rate.dose.point : undefined) },
      stems: f.stems,
      // A height in figures stays as it was printed.
      measuredAt: was && typeof was.rate.measuredAt === 'object' ? was.rate.measuredAt : f.measuredAt,
      text: f.text,
    },
    carrier: carrierOf(f, was?.carrier),
    ...(f.method === 'trunk-injection' ? { sites: sitesOf(f, was?.sites) } : {}),
    ...(spray
      ? {
          spray: worded(
            { to: f.sprayTo, ...some('upToM', f.sprayUpTo) },
            was?.spray,
            `Spray ${f.sprayTo}${f.sprayUpTo ? `, up to ${f.sprayUpTo} m` : ''}.`,
          ),
        }
      : {}),
    ...(probed
      ? {
          rootzone: worded(
            {
              outer: was?.rootzone?.outer ?? 'drip-line',
              spacingCm: n(f.probeSpacing),
              pattern: f.probePattern,
              depthCm: n(f.probeDepth),
            },
            was?.rootzone,
            `Holes ${f.probeSpacing} cm apart, ${f.probeDepth} cm deep.`,
          ),
        }
      : {}),
    stages: list(f.stages, /,/),
    inStations: f.inStations,
    limits: f.limits.map((l) => limitOf(l, was?.limits ?? [])),
    months: list(f.months, /,/).map(Number),
    needsLeaf: f.needsLeaf,
    intervals: worded(
      {
        ...some('minDays', f.minDays),
        ...some('maxPerYear', f.maxPerYear),
        ...some('preHarvestDays', f.preHarvest),
        reEntryHours: n(f.reEntry),
      },
      was?.intervals,
      [
        f.minDays && `${f.minDays} days between`,
        f.maxPerYear && `at most ${f.maxPerYear} times a year`,
        f.preHarvest && `${f.preHarvest} days before picking`,
        `re-entry after ${f.reEntry || '?'} hours`,
      ]
        .filter(Boolean)
        .join(', ') + '.',
    ),
    ...(Object.keys(c).length
      ? {
          conditions: worded(
            c,
            was?.conditions,
            [
              f.minC && `not below ${f.minC} °C`,
              f.maxC && `not above ${f.maxC} °C`,
              f.wind && `wind up to ${f.wind} m/s`,
              f.rain && `${f.rain} dry hours`,
              f.waterDistance && `${f.waterDistance} m from water`,
              f.bloomDays && `not within ${f.bloomDays} days of bloom`,
              f.leafDry && 'on dry leaves',
              f.lowSun && 'early, late or under cloud',
            ]
              .filter(Boolean)
              .join(', ') || 'As entered.',
          ),
        }
      : {}),
    protection: list(f.protection, /\n/),
    followUps: f.followUps.map((r, i) => {
      const before = was?.followUps.find((x) => x.id === r.id);
      const rest = without(before, 'onlyIf', 'earliest', 'latest');
      const moved = !before || before.after.count !== n(r.count) || before.after.unit !== r.unit;
      return {
        ...rest,
        ...(before && !moved ? only(before, 'earliest', 'latest') : {}),
        id: r.id || `rule-${i + 1}`,
        kind: r.kind,
        what: r.what,
        after: { count: n(r.count), unit: r.unit },
        ...(r.onlyIf.trim() ? { onlyIf: r.onlyIf.trim() } : {}),
        why: r.why,
      };
    }),
  };
}

/** The label that a form says, over the version it came from; `labelSchema` has the last word on it. */
export function labelOf(f: LabelDraft, from: Label | null, money: Currency): unknown {
  const taken = new Set<string>(f.uses.flatMap((u) => u.base ?? []));
  const keyOf = (u: UseDraft) => {
    if (u.base !== null) return u.base;
    let key = slug(u.title);
    for (let i = 2; taken.has(key); i++) key = `${slug(u.title).slice(0, 56)}-${i}`;
    taken.add(key);
    return key;
  };
  const kept = without(
    from,
    'licenceCategory',
    'densityGPerMl',
    'mixKeepsHours',
    'inFlowersDays',
    'stock',
    'priceMinor',
    'nutrients',
  );
  return {
    ...kept,
    format: 'elmhorn-label',
    formatVersion: 1,
    key: from?.key ?? slug(`${f.name}-${f.registration}`),
    version: (from?.version ?? 0) + 1,
    name: f.name,
    training: from?.training ?? false,
    registration: f.registration,
    formulation: f.formulation,
    signalWord: f.signalWord,
    restricted: f.restricted,
    organic: f.organic,
    systemic: f.systemic,
    beeHazard: f.beeHazard,
    ...(f.licence.trim() ? { licenceCategory: f.licence.trim() } : {}),
    ...some('densityGPerMl', f.density),
    ...some('mixKeepsHours', f.keeps),
    ...some('inFlowersDays', f.inFlowers),
    tankPartners: list(f.partners, /,/),
    ...(n(f.price) === undefined ? {} : { priceMinor: inMinor(n(f.price)!, money) }),
    ...([f.n, f.p2o5, f.k2o].some((x) => x.trim())
      ? { nutrients: { n: share(f.n) ?? 0, p2o5: share(f.p2o5) ?? 0, k2o: share(f.k2o) ?? 0, release: f.release } }
      : {}),
    sensitiveHosts: f.sensitive.map(
      (host) =>
        from?.sensitiveHosts.find((x) => x.host === host) ?? { host, text: 'It may burn this host, says the label.' },
    ),
    notWith: f.notWith.map((x) =>
      worded({ what: x.what, days: n(x.days) }, from?.notWith, `Not within ${x.days} days of ${x.what}.`),
    ),
    actives: f.actives.map((a) => {
      const [scheme, ...code] = a.group.trim().split(/\s+/);
      return {
        name: a.name,
        ...(a.as === '%' ? { massFraction: share(a.amount) } : { gPerL: n(a.amount) }),
        group: scheme ? { scheme: scheme.toUpperCase(), code: code.join(' ') } : { scheme: 'none', code: '' },
        family: a.family || 'other',
      };
    }),
    ...(f.stock.trim()
      ? {
          stock: worded(
            {
              concentrate: { value: n(f.stock), unit: f.stockUnit },
              madeUpTo: { value: n(f.madeUpTo), unit: f.madeUpUnit },
            },
            from?.stock,
            `${f.stock} ${f.stockUnit} made up to ${f.madeUpTo} ${f.madeUpUnit}.`,
          ),
        }
      : {}),
    uses: f.uses.map((u) =>
      useOf(
        u,
        from?.uses.find((x) => x.key === u.base),
        keyOf(u),
        f,
      ),
    ),
  };
}
