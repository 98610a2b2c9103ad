import fc from 'fast-check';
import { findCondition, findHost, shipped } from '@/knowledge';
import { WALK } from '@/knowledge/vignettes/field';
import { shortFinding } from './ask';
import { compile } from '../diagnose/model';
import { concerns, signsOf } from '../diagnose/reading';
import { evidenceOf, posterior, ranking, type Candidate } from '../diagnose/rank';
import { VIGOURS } from '../diagnose/words';
import { baseOf } from './base';
import { decide } from './decide';
import type { DecideInput } from './types';
import { barkGone } from './bark-gone';
import { dutyAgainst } from './forbids';
import { against, crownLimits } from './eligible';
import { needsOf, stakeOf, STAKES } from './stakes';

const base = baseOf(shipped);
const as = (id: string, p = 0.95): Candidate => {
  const c = findCondition(id)!;
  return { id, name: c.name, kind: c.kind, harmless: c.kind === 'harmless', p };
};
const customSign = (id: string) => {
  const [sign] = signsOf(findCondition(id)!);
  return sign ? [{ sign, state: 'seen' as const, grade: 3 as number }] : [];
};
const run = (ids: Candidate[], more: Partial<DecideInput> = {}, host = 'white-ash') =>
  decide(
    {
      host: findHost(host)!,
      month: 6,
      south: false,
      candidates: ids,
      // Something of it was seen: nothing is decided of what nobody found on the tree.
      findings: customSign(ids[0]!.id),
      tests: [],
      crownLoss: 5,
      vigour: 'good',
      barkLoss: null,
      roots: null,
      peopleBelow: null,
      ...more,
    },
    base,
  );
const seen = (sign: string, grade = 3) => ({ sign, state: 'seen' as const, grade });
const window = { tests: [{ test: 'peel-window', outcome: 's-galleries' }], findings: [seen('exit-holes-d')] };
/** A case as it stands, ranked by the base. */
const whole = (host: string, month: number, marks: string, more: Partial<DecideInput> = {}) => {
  const words = marks.split(' ').filter(Boolean);
  const findings = words.filter((w) => !w.includes('/')).map((w) => shortFinding(w.replace(':', '=')));
  const tests = words
    .filter((w) => w.includes('/'))
    .map((w) => ({ test: w.split('/')[0]!, outcome: w.split('/')[1]! }));
  const model = compile(shipped, findHost(host)!, { month, nearby: more.nearby ?? {} });
  const candidates = ranking(model, posterior(model, evidenceOf(model, { findings, tests })));
  return run(candidates, { month, findings, tests, crownLoss: null, vigour: null, ...more }, host);
};

describe('a sound tree', () => {
  it('is called so only after a floor of looks; short of it the answer is what to look at', () => {
    const bare = whole('common-lime', 7, 'crown-full:3');
    expect([bare.decision, bare.condition]).toEqual(['look further', null]);
    expect(bare.look.map((l) => l.id)).toEqual(['collar', 'trunk', 'vigour']);
    expect(bare.look.every((l) => l.minutes > 0 && l.why.length > 10)).toBe(true);
    expect(whole('common-lime', 7, WALK, { crownLoss: 0, vigour: 'good' })).toMatchObject({
      decision: 'leave it alone',
      condition: 'nothing-wrong',
    });
    expect(whole('common-lime', 7, WALK, { crownLoss: 0 }).decision).toBe('look further');
  });
  it('is never called so beside a danger, ill health or a sign that nothing explains', () => {
    const calm = (marks: string, more: Partial<DecideInput> = {}) =>
      whole('common-lime', 7, `${WALK} ${marks}`, { crownLoss: 0, vigour: 'good', ...more }).decision;
    expect(calm('')).toBe('leave it alone');
    for (const d of [
      calm('', { crownLoss: 60 }),
      calm('', { vigour: 'failing' }),
      calm('', { barkLoss: 0.4 }),
      calm('', { roots: { decayed: 1, doubtful: 0, of: 5 } }),
      calm('roots-cut:2'),
      calm('sound-trunk/hollow'),
    ])
      expect(d).not.toBe('leave it alone');
  });
  it('is protected only within reach of a find, sound and walked round, and says why', () => {
    const sound = (km: number, more: Partial<DecideInput> = {}) =>
      whole('field-elm', 11, WALK, { crownLoss: 0, vigour: 'good', nearby: { 'dutch-elm-disease': km }, ...more });
    expect(sound(15).decision).toBe('protect a sound tree');
    expect(sound(15).options.every((o) => o.use === 'protect')).toBe(true);
    expect(sound(15.1).decision).toBe('leave it alone');
    expect(sound(3, { vigour: 'failing' }).decision).not.toBe('protect a sound tree');
    expect(sound(3, { crownLoss: 90 }).decision).not.toBe('protect a sound tree');
    expect(
      whole('white-ash', 6, WALK, { crownLoss: 5, vigour: 'good', nearby: { 'emerald-ash-borer': 8 } }).options.map(
        (o) => o.method,
      ),
    ).toContain('trunk injection');
  });
});

describe('something is wrong and not named', () => {
  it('unspecific decline is not thirst: the cause stays open, the collar comes first', () => {
    const r = whole('beech', 8, 'crown-thin:4 top-dieback:4', { crownLoss: 60, vigour: 'failing' });
    expect([r.decision, r.condition]).toEqual(['not yet named', null]);
    expect(r.look[0]!.id).toBe('collar');
    expect(r.meanwhile.join(' ')).toMatch(/No product/);
    expect(r.tell).not.toMatch(/thirst|drought/i);
  });
  it('a danger is told even where nothing is named, louder with people below', () => {
    const risk = (marks: string, more: Partial<DecideInput> = {}) =>
      whole('common-lime', 7, marks, more).duties.find((d) => d.id === 'risk')?.sentence;
    expect(risk('base-brackets:1', { peopleBelow: true })).toMatch(
      /keep people away and call a qualified risk assessor/,
    );
    expect(risk('base-brackets:1', { peopleBelow: false })).toMatch(/wait for the next round/);
    expect(risk('', { roots: { decayed: 1, doubtful: 0, of: 6 } })).toMatch(/1 of 6 main roots/);
    expect(risk('', { barkLoss: 0.6 })).toMatch(/60 %/);
    expect(risk('', { targets: ['a house'], peopleBelow: false, crownLoss: 60 })).toMatch(
      /dead\. A house within its reach/,
    );
    expect(risk('leaf-galls:2')).toBeUndefined();
  });
});

describe('stakes decide per action', () => {
  it('every method has one row, and what a mistake costs more needs more', () => {
    const rows = [...new Set(shipped.conditions.flatMap((c) => c.options.map((o) => o.method)))];
    for (const m of rows) expect([m, STAKES.filter((s) => s.methods.includes(m)).length]).toEqual([m, 1]);
    expect(stakeOf('trunk injection').needs).toBe('near certain');
    expect(
      needsOf({ method: 'trunk injection', use: 'cure', antibiotic: false }, { curativeNeeds: 'confirmed by test' }),
    ).toBe('confirmed by test');
    expect(needsOf({ method: 'pruning', use: 'cure', antibiotic: false }, { curativeNeeds: 'confirmed by test' })).toBe(
      'possible',
    );
    expect(needsOf({ method: 'foliar spray', use: 'protect', antibiotic: true }, { curativeNeeds: 'likely' })).toBe(
      'confirmed by test',
    );
  });
  it('a strike is cut now; its laboratory is not waited for, and the report comes first', () => {
    const r = whole('pear', 6, 'leaves-black-hang:3 tips-hook:3', { crownLoss: 5, vigour: 'good' });
    expect([r.condition, r.decision, r.duties[0]!.id]).toEqual(['fire-blight', 'treat now', 'report']);
    expect(r.options.find((o) => o.antibiotic)!.status).not.toBe('now');
  });
  it('an injection waits for its bark window', () => {
    const r = run([as('emerald-ash-borer', 0.7)], { findings: [seen('top-dieback')] });
    expect(r.decision).toBe('test first');
    expect(run([as('emerald-ash-borer')], window).decision).toBe('treat now');
  });
  it('it does not matter which caterpillar it is where all of them ask for the same', () => {
    const r = run(
      [as('caterpillars', 0.45), as('winter-moth', 0.3)],
      { month: 5, findings: [seen('caterpillars-live'), seen('edges-notched')] },
      'red-oak',
    );
    expect(r.decision).toBe('treat now');
  });
  it('water waits for a look into the soil: the drowned look thirsty', () => {
    const water = (marks: string) => whole('common-lime', 7, marks).options.find((o) => o.method === 'watering');
    const limp = 'leaves-folded-dull:3 fold-leaf/dull-limp';
    expect(water(`${limp} soil-probe/dry`)?.status).toBe('now');
    expect(water(limp)?.status).toBe('unsure');
    expect(
      whole('common-lime', 7, `${limp} soil-waterlogged:3 soil-probe/wet-sour`).options.some(
        (o) => o.method === 'watering' && o.status === 'now',
      ),
    ).toBe(false);
  });
  it('a protectant is no cure: it is for the sound and for next season', () => {
    const r = whole('sweet-cherry', 4, 'blossom-brown:3 blossom-tufts:3 flags-brown:2', {
      crownLoss: 5,
      vigour: 'good',
    });
    expect(r.condition).toBe('brown-rot');
    expect(r.options.find((o) => o.method === 'foliar spray')!.status).toBe('later');
    // A cover spray keeps the sound leaves while scab spreads.
    expect(whole('apple', 5, 'olive-spots:3', { crownLoss: 0, vigour: 'good' }).decision).toBe('treat now');
  });
});

describe('duties', () => {
  it('a laboratory’s positive is believed: confirmed, reported, whatever the ranking said', () => {
    const r = whole('sweet-orange', 11, 'pale-small:2 lab-greening/greening');
    expect([r.condition, r.certainty, r.decision, r.duties[0]!.id]).toEqual([
      'citrus-greening',
      'confirmed by test',
      'report',
      'report',
    ]);
    // Found on a host that the base knows nothing of: found all the same.
    expect(whole('magnolia', 7, 'lab-scorch/xylella').duties.map((d) => d.id)).toContain('report');
  });
  it('a telling sign of a quarantine organism is reported alone, and nothing is cut before', () => {
    const r = whole('london-plane', 7, 'strips-stained:1 crown-thin:1', { crownLoss: 10 });
    expect(r.duties.map((d) => d.id)).toEqual(expect.arrayContaining(['report', 'no-cut']));
    expect(
      r.options.filter((o) => o.method === 'removal' || o.method === 'pruning').every((o) => o.status === 'not here'),
    ).toBe(true);
  });
  it('the region’s own list counts like the flag of the knowledge', () => {
    const listed = (reportable: string[]) =>
      whole('common-ash', 7, 'dead-twigs:3 flags-brown:3 crown-thin:3', {
        region: { reportable, bannedUses: [] },
      }).duties.map((d) => d.id);
    expect(listed(['ash-dieback'])).toContain('report');
    expect(listed([])).not.toContain('report');
  });
  it('hairs are told on oak and on pine, gas before everything', () => {
    expect(whole('scots-pine', 1, 'silk-nest-pine:2').duties.map((d) => d.id)).toContain('hairs');
    expect(whole('common-lime', 6, 'gas-smell:2').duties[0]!.id).toBe('gas');
  });
});

it('crown loss stops a borer treatment by the knowledge, and by the school that was chosen', () => {
  const at = (crownLoss: number, crownSchool: 'knowledge' | 30 | 50) =>
    run([as('emerald-ash-borer')], {
      ...window,
      crownLoss,
      schools: { crownLoss: crownSchool, programme: 'conventional' },
    });
  expect(at(30, 'knowledge').decision).toBe('treat now');
  expect(at(31, 'knowledge').decision).toBe('manage or remove');
  expect(at(45, 50).decision).toBe('treat now');
  expect(at(45, 50).school.join()).toMatch(/50 %/);
  expect(at(51, 50).decision).toBe('manage or remove');
});

it('a weak tree is restored first, unless the pest is the weakness; contact sprays need no sap', () => {
  const borer = run([as('emerald-ash-borer')], { ...window, vigour: 'poor' });
  expect([borer.decision, borer.reasons.map((r) => r.id).includes('weak-from-pest')]).toEqual(['treat now', true]);
  expect(run([as('emerald-ash-borer')], { ...window, vigour: 'failing' }).decision).toBe('manage or remove');
  const hemlock = run(
    [as('hemlock-woolly-adelgid')],
    { vigour: 'poor', month: 4, findings: [seen('wool-needle-base')] },
    'eastern-hemlock',
  );
  expect(hemlock.decision).toBe('treat now');
  const mildew = run(
    [as('powdery-mildew')],
    { vigour: 'failing', month: 5, findings: [seen('powder-white', 4)] },
    'apple',
  );
  expect(mildew.options.find((o) => o.method === 'foliar spray')!.status).toBe('now');
});

it('a follower is never treated for itself: its driver is, or nothing', () => {
  const driven = run(
    [as('sooty-mould'), as('magnolia-scale', 0.8)],
    { month: 9, findings: [seen('scale-covers')] },
    'magnolia',
  );
  expect([driven.condition, driven.decision]).toEqual(['magnolia-scale', 'treat now']);
  expect(
    run([as('sooty-mould'), as('magnolia-scale', 0.1)], { findings: [seen('black-film-wipes')] }, 'magnolia').decision,
  ).toBe('leave it alone');
  const birch = run(
    [as('bronze-birch-borer'), as('drought-stress', 0.7)],
    { tests: [{ test: 'peel-window', outcome: 'zigzag' }], findings: [seen('exit-holes-d')] },
    'silver-birch',
  );
  expect([birch.decision, birch.drivers]).toEqual(['restore vigour first', ['drought-stress']]);
});

it('what was properly done and did nothing is not offered again', () => {
  const again = run(
    [as('lime-aphid')],
    { findings: [seen('aphids-live', 4)], noEffect: ['lime-aphid'] },
    'common-lime',
  );
  expect(again.decision).toBe('test first');
  expect(again.reasons.map((r) => r.id)).toContain('no-effect');
  // A confirmed one does not go back to the laboratory.
  const elm = run(
    [as('dutch-elm-disease')],
    {
      findings: [seen('one-limb-yellow')],
      tests: [{ test: 'lab-wilt', outcome: 'elm-disease' }],
      noEffect: ['dutch-elm-disease'],
    },
    'field-elm',
  );
  expect([elm.certainty, elm.decision]).toEqual(['confirmed by test', 'treat now']);
});

it('an organic programme offers only what it may', () => {
  const organic = run(
    [as('elm-leaf-beetle')],
    { findings: [seen('skeletons')], schools: { crownLoss: 'knowledge', programme: 'organic' } },
    'field-elm',
  );
  expect(organic.options.every((o) => o.organic)).toBe(true);
});

it('below the threshold it is left alone; a count decides before an extent, and what nobody counted is asked', () => {
  const aphids = (grade: number, counted?: { of: number; had: number }) =>
    run(
      [as('lime-aphid')],
      { findings: [{ ...seen('aphids-live', grade), ...(counted ? { counted } : {}) }] },
      'common-lime',
    ).decision;
  expect(aphids(2)).toBe('leave it alone');
  expect(aphids(3)).toBe('treat now');
  expect(aphids(4, { of: 20, had: 8 })).toBe('leave it alone');
  const pruner = run([as('twig-pruner')], { month: 9, findings: [seen('twigs-cut-clean')] }, 'hazel');
  expect(pruner.open.join(' ')).toMatch(/was it so last year/);
});

it('months are told in the local year, south of the equator too', () => {
  // November in the south is May: the northern year is what comes in.
  const north = run([as('peach-leaf-curl')], { month: 5, findings: [seen('red-puckered')] }, 'peach');
  const south = run([as('peach-leaf-curl')], { month: 5, south: true, findings: [seen('red-puckered')] }, 'peach');
  const sentence = (r: typeof north) => r.reasons.find((x) => x.id === 'window')!.sentence;
  expect(sentence(north)).toMatch(/[Ii]n May.*from November/);
  expect(sentence(south)).toMatch(/[Ii]n November.*from May/);
});

it('eligibility is one definition: food, bark, bans, hosts, and each crown limit by whom it is set', () => {
  const tree = {
    host: findHost('almond')!,
    crownLoss: 10,
    vigour: 'good' as const,
    barkLoss: null,
    diameterCm: 20,
    soil: null,
    banned: [],
    noCut: null,
    seen: [],
    signWords: (sign: string) => sign,
  };
  const option = {
    method: 'trunk injection' as const,
    what: 'Systemic',
    hosts: [],
    antibiotic: true,
    use: 'cure' as const,
  };
  const ids = (o: object, t: object) => against({ ...option, ...o }, { ...tree, ...t }, null, []).map((a) => a.id);
  expect(ids({}, {})).toEqual(['food']);
  expect(ids({ antibiotic: false }, { barkLoss: 0.8 })).toEqual(['bark-loss']);
  expect(ids({ antibiotic: false }, { vigour: 'poor' })).toEqual(['vigour']);
  expect(ids({ antibiotic: false, hosts: ['elm'] }, {})).toEqual(['host']);
  expect(ids({ antibiotic: false, largestCm: 12 }, {})).toEqual(['size']);
  expect(ids({ antibiotic: false, barkLossMin: 0.5 }, { barkLoss: null })).toEqual(['bark-unknown']);
  expect(ids({ antibiotic: false, barkLossMin: 0.5 }, { barkLoss: 0.49 })).toEqual(['bark-least']);
  expect(ids({ antibiotic: false, barkLossMin: 0.5 }, { barkLoss: 0.5 })).toEqual([]);
  expect(ids({ antibiotic: false, crownLossMin: 50 }, { crownLoss: null })).toContain('crown-least-unknown');
  expect(ids({ antibiotic: false, crownLossMin: 50 }, { crownLoss: 49 })).toContain('crown-least');
  expect(ids({ antibiotic: false, crownLossMin: 50 }, { crownLoss: 50 })).toEqual([]);
  expect(ids({ antibiotic: false, tooLate: ['hangs'] }, { seen: ['hangs'] })).toEqual(['too-late']);
  expect(ids({ antibiotic: false, tooLate: ['hangs'] }, { seen: ['holes'] })).toEqual([]);
  expect(ids({ antibiotic: false, onlyWith: ['hangs'] }, { seen: [] })).toEqual(['not-yet']);
  expect(ids({ antibiotic: false, onlyWith: ['hangs'] }, { seen: ['hangs'] })).toEqual([]);
  expect(
    ids({ antibiotic: false }, { banned: [{ method: 'trunk-injection', hosts: ['stone-fruit'], why: 'x' }] }),
  ).toEqual(['banned']);
  // A ban names the method of a label; the field guide calls some of them otherwise.
  for (const [method, option] of [
    ['root-zone-feeding', 'feeding'],
    ['trunk-injection', 'infusion'],
    ['soil-injection', 'soil injection'],
    ['dormant-spray', 'dormant spray'],
  ] as const)
    expect(ids({ antibiotic: false, method: option }, { banned: [{ method, hosts: [], why: 'x' }] })).toContain(
      'banned',
    );
  expect(crownLimits({ kind: 'borer', crownLossLimit: 30 }, 50, 55)).toEqual([
    { percent: 55, setBy: 'label' },
    { percent: 50, setBy: 'school' },
  ]);
});

it('the words never contradict the decision, over anything that can be decided', () => {
  const some = fc.constantFrom(...shipped.conditions);
  fc.assert(
    fc.property(
      some,
      fc.integer({ min: 1, max: 12 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.option(fc.integer({ min: 0, max: 100 })),
      fc.option(fc.constantFrom(...VIGOURS)),
      fc.boolean(),
      fc.array(fc.tuple(fc.constantFrom(...shipped.signs), fc.integer({ min: 0, max: 4 })), { maxLength: 6 }),
      (c, month, p, crownLoss, vigour, named, signs) => {
        const host = shipped.hosts.find(
          (h) => c.groups.length === 0 || c.groups.some((g) => g === h.id || h.groups.includes(g)),
        )!;
        const r = run(
          [as(c.id, p), as('nothing-wrong', 1 - p)].sort((a, b) => b.p - a.p),
          {
            month,
            crownLoss,
            vigour,
            ...(named ? { named: c.id } : {}),
            findings: signs.map(([s, g]) => (g ? seen(s.id, g) : { sign: s.id, state: 'absent' as const })),
          },
          host.id,
        );
        const now = r.options.some((o) => o.status === 'now');
        expect(r.tell.length).toBeGreaterThan(10);
        if (r.decision === 'treat now')
          expect([now, /nothing that works is done today|not sure yet/i.test(r.tell)]).toEqual([true, false]);
        if (/sound tree/i.test(r.tell)) expect(['leave it alone', 'protect a sound tree']).toContain(r.decision);
        if (/laboratory/i.test(r.tell) && /we send a sample/i.test(r.tell)) expect(r.decision).toBe('laboratory first');
        if (r.decision === 'manage or remove') expect(r.tell).not.toMatch(/can be held|treated in time/i);
        if (r.decision === 'not yet named' || r.decision === 'look further')
          expect([r.condition, r.options]).toEqual([null, []]);
        // A duty to stay away is never missing from what the client is told.
        if (r.duties.some((d) => d.id === 'risk')) expect(r.tell).toMatch(/keep clear/i);
      },
    ),
    { numRuns: 400 },
  );
});

it('a nuisance never ends a tree: where nothing is open it bears it, and what helps is said', () => {
  const given: string[] = [];
  for (const c of shipped.conditions.filter((x) => x.policy === 'relieve' && !x.hazard)) {
    const host = shipped.hosts.find((h) => concerns(c.groups, h))!;
    for (let month = 1; month <= 12; month++) {
      const findings = [...c.signs.always, ...c.signs.usual].slice(0, 3).map((s) => seen(s));
      const r = run([as(c.id)], { month, findings }, host.id);
      if (r.decision === 'manage or remove') given.push(`${c.id} in ${month}`);
    }
  }
  expect(given).toEqual([]);
  const rot = run([as('pomegranate-heart-rot')], { month: 10, findings: [seen('arils-black-within')] }, 'pomegranate');
  expect([rot.decision, rot.reasons.find((r) => r.id === 'bears-it')?.sentence]).toEqual([
    'leave it alone',
    'The tree bears it. What helps: mummies and old blossom off and out, from December.',
  ]);
});

it('teeth and antlers are answered by what keeps them off, and what may be done today is never called nothing', () => {
  for (const month of [10, 11, 12, 1, 2, 3]) {
    const deer = run([as('deer')], { month, findings: [seen('shoots-torn'), seen('rubbed-shreds')] }, 'rowan');
    expect([month, deer.decision]).toEqual([month, 'treat now']);
    expect(deer.reasons.map((r) => r.sentence).join(' ')).not.toMatch(/Nothing that works/);
  }
  const april = run([as('deer')], { month: 4, findings: [seen('shoots-torn'), seen('rubbed-shreds')] }, 'rowan');
  expect(april.reasons.find((r) => r.id === 'window')!.sentence).toMatch(
    /^In April there is only: for groups, higher than they jump\. Next: trunk guard/,
  );
  expect(april.tell).not.toMatch(/Nothing that works/);
  const voles = run([as('voles')], { month: 11, findings: [seen('gnaw-fine-low')] }, 'cider-apple');
  expect(voles.reasons.find((r) => r.id === 'window-open')!.sentence).toMatch(/mesh.*Bait|mesh.*bait/i);
});

describe('a duty forbids acts by method and by the words of a way', () => {
  it.each([
    [['gas'], { method: 'sanitation', what: 'Gather and burn fallen twigs' }, 'burn'],
    [['gas'], { method: 'excavation', what: 'Free the flare' }, 'dig'],
    [['report'], { method: 'sanitation', what: 'Chip infested limbs fine' }, 'move'],
    [['no-cut'], { method: 'pruning', what: 'Cut out' }, 'cut'],
    [['report'], { method: 'pruning', what: 'Cut well below the last brown, burn or bag' }, null],
    [['risk'], { method: 'sanitation', what: 'Burn' }, null],
  ] as const)('%j %j', (ids, way, kind) => {
    const found = dutyAgainst(
      ids.map((id) => ({ id })),
      way,
    );
    expect(found?.kind ?? null).toBe(kind);
  });
});

it('bark gone all round is one fact, whether its arcs or what gnawed it were entered', () => {
  const sign = (id: string) => shipped.signs.find((s) => s.id === id) ?? null;
  const gnawed = (grade: 3 | 4, state: 'seen' | 'absent' = 'seen') => [{ sign: 'collar-gnawed', state, grade }];
  expect(barkGone(0.1, gnawed(4), sign)).toBe(1);
  expect(barkGone(null, gnawed(4), sign)).toBe(1);
  expect(barkGone(0.1, gnawed(3), sign)).toBe(0.1);
  expect(barkGone(null, gnawed(4, 'absent'), sign)).toBeNull();
  expect(barkGone(0.97, [], sign)).toBe(0.97);
  expect(shipped.signs.filter((s) => s.girds).length).toBeGreaterThan(1);
});

it('a palm is no tree with branches: whatever is cut on it is on this list, and nothing else is offered', () => {
  const onPalms = shipped.hosts
    .filter((h) => h.groups.includes('palm'))
    .flatMap((host) =>
      shipped.conditions
        .filter((c) => concerns(c.groups, host))
        .flatMap((c) =>
          c.options
            .filter((o) => ['pruning', 'root barrier'].includes(o.method) || /girdling/.test(c.id))
            .filter(
              (o) =>
                !against(
                  o,
                  {
                    ...{
                      host,
                      crownLoss: 5,
                      vigour: 'good' as const,
                      barkLoss: 0.6,
                      diameterCm: 20,
                      soil: 'dry' as const,
                    },
                    ...{ banned: [], noCut: null, seen: [], signWords: (s: string) => s },
                  },
                  c,
                  [],
                ).some((a) => a.id === 'growth' || a.id === 'host'),
            )
            .filter((o) => o.method === 'pruning' || o.method === 'excavation')
            .map((o) => `${c.id}: ${o.what}`),
        ),
    );
  expect([...new Set(onPalms)].sort()).toEqual([
    'frost-damage: Wait for the second leaf, then cut dead wood',
    'ivy-cover: Cut a window out of the stems round the trunk; look at the base',
    'lightning: Only what hangs',
    'storm-breaks: Clean cuts, hanging wood first; oaks in the wilt region painted at once',
  ]);
});
