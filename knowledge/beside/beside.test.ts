import { inSeason, monthName } from '@/lib/calendar/months';
import { conditions } from '..';
import { besideSchema } from '@/core/diagnose/beside-schema';
import type { Condition } from '@/core/diagnose/knowledge';
import { concerns } from '@/core/diagnose/reading';
import { hosts } from '..';
import { signs } from '../signs';
import { besideOf } from '.';
import { EATEN } from './eaten';
import { FIRMNESS_SAID, firmnessOf } from './firmness';
import { WINTERS } from './winters';
import { WRONG_CUSTOM, wrongOf } from './wrong';
import { ENEMIES_KNOWN, enemiesOf } from './enemies';
import { REPLANTING } from './replanting';

/** What is done without a product: no programme has anything against it for being one. */
const BY_HAND = [
  'removal',
  'root barrier',
  'pruning',
  'watering',
  'mulch',
  'drainage',
  'excavation',
  'sanitation',
  'hygiene',
];
it('what takes no product is open to every programme', () => {
  const shut = conditions.flatMap((c) =>
    c.options.filter((o) => BY_HAND.includes(o.method) && !o.organic).map((o) => `${c.id}: ${o.what}`),
  );
  expect(shut).toEqual([]);
});

it('a sound tree at risk of something is offered a way to be protected from it', () => {
  const atRisk = conditions.filter((c) => c.protect);
  expect(atRisk.length).toBeGreaterThan(5);
  expect(atRisk.filter((c) => !c.options.some((o) => o.use === 'protect')).map((c) => c.id)).toEqual([]);
});

it('what organic lists hold is open to an organic programme, and what they never hold is not', () => {
  const LISTED = /copper|sulphur|\boils?\b|soap|clay|btk|spinosad|nematodes|granulosis|epsom/i;
  const NEVER = /systemic|phosphonate|triazole|antibiotic|imidacloprid/i;
  const wrong = conditions.flatMap((c) =>
    c.options
      .filter((o) => (LISTED.test(o.what) && !o.organic) || (NEVER.test(o.what) && o.organic))
      .map((o) => `${c.id}: ${o.what}`),
  );
  expect(wrong).toEqual([]);
});

/** What is managed or given up without killing the tree, and why all the same. */
const MANAGED = {
  'oak-processionary': 'its hairs hurt people; a licensed crew takes the nests',
  'massaria-plane': 'a limb with a strip comes down; nothing heals it',
  'crown-gall': 'nothing cures it, and the same kind is not planted there again',
  'something-else': 'what has no name is not treated',
};
it('only what kills, fails or must be reported is managed or given up', () => {
  const managed = conditions.filter((c) => c.policy === 'manage' && !c.lossPerYear);
  expect(managed.map((c) => c.id).sort()).toEqual(Object.keys(MANAGED).sort());
});

const MONTHS = Array.from({ length: 12 }, (_, i) => i + 1);
it('a window holds every month that its words name, and no half of a year more', () => {
  const wrong = conditions.flatMap((c) =>
    c.options.flatMap((o) => {
      const named = MONTHS.filter((m) => new RegExp(`\\b${monthName(m)}\\b`).test(o.when));
      const long = ((o.to - o.from + 12) % 12) + 1;
      return named.some((m) => !inSeason(m, [o.from, o.to])) || (named.length && long > 8)
        ? [`${c.id}: ${o.when}, ${o.from}–${o.to}`]
        : [];
    }),
  );
  expect(wrong).toEqual([]);
});

const PESTS = ['sap feeder', 'mite', 'borer', 'chewer', 'mollusc'];

it('every pest has its enemies by name with what spares them, or a reason why none can be counted on', () => {
  const pests = conditions.filter((c) => PESTS.includes(c.kind)).map((c) => c.id);
  expect(pests.filter((id) => !enemiesOf(id))).toEqual([]);
  expect(new Set(ENEMIES_KNOWN).size).toBe(ENEMIES_KNOWN.length);
  expect(ENEMIES_KNOWN.filter((id) => !pests.includes(id))).toEqual([]);
  expect(enemiesOf('fire-blight')).toBeNull();
});

it('what is planted again is said of conditions that are there, and of enough that kill or come again', () => {
  const all = conditions.map((c) => c.id);
  expect(Object.keys(REPLANTING).filter((id) => !all.includes(id))).toEqual([]);
  expect(Object.keys(REPLANTING).length).toBeGreaterThanOrEqual(50);
});

it('what may be released against a pest is among its enemies by name', () => {
  const released = conditions.filter((c) => PESTS.includes(c.kind) && c.options.some((o) => o.method === 'release'));
  expect(released.length).toBeGreaterThan(8);
  expect(released.filter((c) => !/[A-Z][a-z]{4,}/.test(enemiesOf(c.id)?.who ?? '')).map((c) => c.id)).toEqual([]);
});

describe('what else stands beside a condition', () => {
  const ids = conditions.map((c) => c.id);
  const edible = new Set(
    conditions.filter((c) => hosts.some((h) => h.edible && concerns(c.groups, h))).map((c) => c.id),
  );
  it('is told of conditions that are there', () => {
    for (const table of [WINTERS, EATEN]) expect(Object.keys(table).filter((id) => !ids.includes(id))).toEqual([]);
    expect(WRONG_CUSTOM.filter((id) => !ids.includes(id))).toEqual([]);
    expect(Object.values(WINTERS).filter((w) => w.hard === null && w.mild === null)).toEqual([]);
  });

  it('whoever eats from the tree is told what may still be eaten of what rots or is eaten into', () => {
    expect(Object.keys(EATEN).filter((id) => !edible.has(id))).toEqual([]);
    const fruit = new Set(signs.filter((s) => s.place === 'fruit').map((s) => s.id));
    const untold = conditions
      .filter((c) => edible.has(c.id) && [...c.signs.always, ...c.signs.usual].some((s) => fruit.has(s)))
      .filter((c) => !EATEN[c.id])
      .map((c) => c.id);
    expect(untold).toEqual([]);
  });

  it('no rot of fruit is pressed for juice', () => {
    for (const id of ['brown-rot', 'bitter-rot', 'black-rot', 'white-rot']) expect(EATEN[id]).toMatch(/never pressed/);
  });

  it('every condition says what a wrong treatment would do, and none calls wrong what it offers', () => {
    for (const c of conditions) {
      const wrong = wrongOf(c);
      expect([c.id, wrong.length > 0, new Set(wrong.map((w) => w.what)).size]).toEqual([c.id, true, wrong.length]);
      besideSchema.parse(besideOf(c));
    }
    const offers = (c: Condition, word: RegExp) => c.options.some((o) => word.test(o.what));
    const contradict = conditions.flatMap((c) => {
      const named = wrongOf(c).map((w) => w.what);
      return [
        ...(named.includes('A fungicide') && offers(c, /fungicid/i) ? ['a fungicide'] : []),
        ...(named.includes('An antibiotic') && offers(c, /antibiotic|oxytetracycline/i) ? ['an antibiotic'] : []),
        ...(named.includes('An insecticide') && offers(c, /insecticid|systemic insect|pyrethr/i)
          ? ['an insecticide']
          : []),
        ...(named.includes('Phosphonate') && offers(c, /phosphonate/i) ? ['phosphonate'] : []),
        ...(named.includes('Nitrogen') &&
        c.options.some((o) => o.method === 'feeding' && /(?<!(?:no|less|little|heavy) )nitrogen/i.test(o.what))
          ? ['nitrogen']
          : []),
        ...(named.includes('Any pesticide') && offers(c, /insecticid|fungicid|herbicid/i) ? ['a pesticide'] : []),
      ].map((what) => `${c.id}: ${what}`);
    });
    expect(contradict).toEqual([]);
  });

  it('what lives through the winter above ground says what the winter does', () => {
    const outdoors = conditions.filter((c) => ['sap feeder', 'mite'].includes(c.kind) && c.policy === 'treat');
    expect(outdoors.filter((c) => !WINTERS[c.id]).map((c) => c.id)).toEqual([]);
  });
});

it('what is said of how common it is on a host is reached, and differs from what holds for the others', () => {
  const idle = conditions.flatMap((c) => {
    const keys = Object.keys(c.commonOn ?? {});
    const reached = hosts.filter((h) => concerns(c.groups, h)).map((h) => keys.find((g) => concerns([g], h)));
    return keys.filter((g) => !reached.includes(g)).map((g) => `${c.id}: ${g} is hidden behind another`);
  });
  expect(idle).toEqual([]);
  expect(conditions.filter((c) => c.commonOn).length).toBeGreaterThanOrEqual(50);
});

it('how firm an entry is is said once, of conditions that are there, with a reason where little is known', () => {
  const ids = new Set(conditions.map((c) => c.id));
  expect(FIRMNESS_SAID.filter((id) => !ids.has(id))).toEqual([]);
  expect(new Set(FIRMNESS_SAID).size).toBe(FIRMNESS_SAID.length);
  expect(firmnessOf('apple-scab')).toEqual({ firm: 'well studied', why: null });
  expect(firmnessOf('lime-aphid').firm).toBe('usual practice');
  const little = [...ids].map((id) => firmnessOf(id)).filter((f) => f.firm === 'little known');
  expect(little.length).toBeGreaterThanOrEqual(15);
  expect(little.every((f) => f.why!.length > 10)).toBe(true);
});
