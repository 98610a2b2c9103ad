import fc from 'fast-check';
import { trainingLabels } from '@/knowledge';
import { draftOfUse, emptyRow, labelDraft } from './draft';
import { differences } from './difference';
import { labelDoubts } from './doubts';
import { labelSchema } from './schema';
import { labelOf } from './written';

const POUNDS = { currency: 'GBP' };

const drench = trainingLabels.find((l) => l.key === 'training-01-drench')!;

it.each(trainingLabels.map((l) => [l.key, l] as const))('%s comes back from its form as it went in', (_, label) => {
  const back = labelSchema.parse(labelOf(labelDraft(label, POUNDS), label, POUNDS));
  expect(differences(label, back)).toEqual([]);
  expect(back).toEqual({ ...label, version: label.version + 1 });
});

it('a new use is asked for by centimetres of trunk and litres of water, until somebody says otherwise', () => {
  expect(draftOfUse(null)).toMatchObject({
    per: 'diameter',
    eachUnit: 'cm',
    unit: 'mL',
    carrier: 'none',
    waterUnit: 'L',
    waterBy: 'diameter',
    waterEach: '1',
    waterEachUnit: 'cm',
    measuredAt: 'breast-height',
    stems: 'unanswered',
    each: '',
    ground: 'treated',
  });
});

it('a label is entered from nothing: identity, a class table with its own water, a second use', () => {
  const f = labelDraft(null, POUNDS);
  Object.assign(f, {
    name: 'Paper label',
    registration: 'P 1',
    formulation: 'SL',
    signalWord: 'Caution',
    beeHazard: 'high',
    actives: [{ name: 'imidacloprid', amount: '240', as: 'g/L', group: 'irac 4a', family: '' }],
  });
  const table = (rows: [string, string, string][]) => ({
    by: 'girth' as const,
    unit: 'cm',
    boundary: 'smaller-class' as const,
    rows: rows.map(([over, upTo, low]) => ({ ...emptyRow('mL', over), upTo, low })),
  });
  f.uses = [
    {
      ...draftOfUse(null),
      title: 'Basin drench',
      hosts: ['elm'],
      targets: ['elm-leaf-beetle'],
      form: 'classes',
      per: 'tree',
      classes: table([
        ['0', '60', '20'],
        ['60', '', '40'],
      ]),
      carrier: 'by-size',
      waterTable: table([
        ['0', '60', '5'],
        ['60', '', '10'],
      ]),
      text: 'To 60 cm girth 20 mL, above 40 mL.',
      reEntry: '12',
      protection: 'Gloves\n\nBoots',
      months: '4, 5',
    },
    {
      ...draftOfUse(null),
      title: 'Basin drench',
      method: 'trunk-injection',
      hosts: ['elm'],
      targets: ['elm-leaf-beetle'],
      low: '1',
      high: '2',
      per: 'site',
      siteRule: 'per-girth',
      siteEvery: '15',
      drill: '6',
      depth: '25',
      height: '20',
      spacing: '8',
      text: '1 to 2 mL a site.',
      reEntry: '0',
      protection: 'Gloves',
    },
  ];
  const made = labelSchema.parse(labelOf(f, null, POUNDS));
  expect(made.uses.map((u) => u.key)).toEqual(['basin-drench', 'basin-drench-2']);
  expect(made.actives[0]).toMatchObject({ gPerL: 240, group: { scheme: 'IRAC', code: '4a' }, family: 'other' });
  expect(made.uses[0]!.rate.dose).toMatchObject({
    classes: { bands: [{ upTo: 60, entry: { value: 20 } }, { upTo: null }] },
  });
  expect(made.uses[0]!.carrier).toMatchObject({ kind: 'by-size', classes: { by: 'girth' } });
  expect(made.uses[0]!.protection).toEqual(['Gloves', 'Boots']);
  expect(made.uses[1]!.sites).toMatchObject({
    count: { rule: 'per-girth', each: { value: 15 } },
    text: expect.stringMatching(/15 cm of girth/),
  });
});

it('faults are found while typing, each with its place', () => {
  const at = (change: (f: ReturnType<typeof labelDraft>) => void) => {
    const f = labelDraft(drench, POUNDS);
    change(f);
    const read = labelSchema.safeParse(labelOf(f, drench, POUNDS));
    return read.success ? [] : read.error.issues.map((i) => i.path.join('.'));
  };
  expect(at(() => {})).toEqual([]);
  expect(at((f) => Object.assign(f.uses[0]!, { low: '9', high: '3' }))).toEqual(['uses.0.rate.dose.point.low']);
  expect(at((f) => Object.assign(f.uses[0]!, { unit: 'stones' }))).toContain('uses.0.rate.dose.point.unit');
  expect(at((f) => Object.assign(f.uses[0]!, { reEntry: 'soon' }))).toEqual(['uses.0.intervals.reEntryHours']);
  const overlap = (f: ReturnType<typeof labelDraft>) =>
    Object.assign(f.uses[0]!, {
      form: 'classes',
      classes: {
        ...f.uses[0]!.classes,
        rows: [
          { ...emptyRow('mL', '0'), upTo: '20', low: '1' },
          { ...emptyRow('mL', '15'), low: '2' },
        ],
      },
    });
  expect(at(overlap)).toEqual(['uses.0.rate.dose.classes.bands.1.over']);
});

it('whatever is typed into any field, the form makes a label or names the place of each fault', () => {
  const texts = ['', ' ', '-1', '1e9', '4,5', 'many', '0', '½', 'x'.repeat(300), '12, 13', '<b>', '3\n3'];
  const fields = Object.entries(draftOfUse(drench.uses[0]!)).filter(([, v]) => typeof v === 'string');
  fc.assert(
    fc.property(
      fc.constantFrom(...trainingLabels),
      fc.array(fc.tuple(fc.constantFrom(...fields.map(([k]) => k)), fc.constantFrom(...texts)), { maxLength: 6 }),
      fc.constantFrom(...texts),
      (label, changes, cell) => {
        const f = labelDraft(label, POUNDS);
        for (const [k, v] of changes) Object.assign(f.uses[0]!, { [k]: v });
        f.uses[0]!.classes.rows[0]!.low = cell;
        const read = labelSchema.safeParse(labelOf(f, label, POUNDS));
        if (read.success) labelDoubts(read.data);
        else for (const i of read.error.issues) expect(i.path.length).toBeGreaterThan(0);
      },
    ),
    { numRuns: 300 },
  );
});

it('a limit that lies below the rate is doubted: no tree could get the rate', () => {
  const f = labelDraft(drench, POUNDS);
  const limit = {
    limit: 'per-tree' as const,
    unit: 'mL',
    of: 'product' as const,
    by: 'diameter' as const,
    active: '',
    each: '1',
    eachUnit: 'ha',
  };
  const doubts = (...limits: (typeof f.uses)[0]['limits']) => {
    f.uses[0]!.limits = limits;
    return labelDoubts(labelSchema.parse(labelOf(f, drench, POUNDS))).map((d) => d.path.join('.'));
  };
  // The rate is 3 to 6 mL for each 10 cm of girth.
  expect(doubts({ ...limit, value: '2.9' })).toEqual(['uses.0.limits.0.amount']);
  expect(doubts({ ...limit, value: '3' })).toEqual([]);
  // On trunks of 100 cm girth and more the least is 30 mL.
  const small = { ...limit, limit: 'min-size' as const, by: 'girth' as const, value: '100', unit: 'cm' };
  expect(doubts(small, { ...limit, value: '29' })).toEqual(['uses.0.limits.1.amount']);
  expect(trainingLabels.flatMap(labelDoubts)).toEqual([]);
});

it('the label’s words go when its numbers change, and stay while they do not', () => {
  const f = labelDraft(drench, POUNDS);
  f.uses[0]!.reEntry = '48';
  const made = labelSchema.parse(labelOf(f, drench, POUNDS));
  expect(made.uses[0]!.intervals.text).toMatch(/re-entry after 48 hours/);
  expect(made.uses[0]!.rate.text).toBe(drench.uses[0]!.rate.text);
  expect(made.uses[0]!.carrier).toEqual(drench.uses[0]!.carrier);
});

it('no figure and no word of a label stands in the form before somebody has read it on the label', () => {
  const f = labelDraft(null, POUNDS);
  expect([f.formulation, f.signalWord, f.beeHazard]).toEqual(['', null, null]);
  const { drill, depth, height, spacing, siteEvery, probeSpacing, probeDepth, each, reEntry, low } = f.uses[0]!;
  const figures = { drill, depth, height, spacing, siteEvery, probeSpacing, probeDepth, each, reEntry, low };
  expect(Object.entries(figures).filter(([, x]) => x !== '')).toEqual([]);
  const read = labelSchema.safeParse(labelOf({ ...f, name: 'Paper', registration: 'P 2' }, null, POUNDS));
  const asked = read.error!.issues.map((i) => i.path.join('.'));
  expect(asked).toEqual(expect.arrayContaining(['formulation', 'signalWord', 'beeHazard', 'uses.0.hosts']));
});
