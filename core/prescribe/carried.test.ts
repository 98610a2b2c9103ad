import { conditions, hosts, trainingLabels } from '../../knowledge';
import { carriesOut, METHODS } from '../label/methods';
import { ground } from '../programmes/testing';
import { usualAnswers, type WorkFacts } from '../work/work';
import { WORKS, worksWith } from '../work/works';
import { carriedOut } from './carried';

/** Ways for which no training label stands, each with why. */
const NO_LABEL: Readonly<Record<string, string>> = {
  'woolly-apple-aphid/soil drench': 'a soil systemic on a food tree: only where a label in hand names it',
  'citrus-psyllid/soil drench': 'by the programme of the authority',
  'vector-spittlebug/foliar spray': 'by the word of the authority',
  'shot-hole-borer/bark spray': 'sprays of trunks rarely help; no training label teaches them',
  'peach-tree-borer/bark spray': 'sprays of trunks rarely help; no training label teaches them',
  'elm-leaf-beetle/bark spray': 'sprays of trunks rarely help; no training label teaches them',
  'chafers/foliar spray': 'broad sprays on grown trees: none is taught',
  'beech-leaf-disease/foliar spray': 'against a thread worm, where a local label names it: none is taught',
  'beaver/repellent': 'sand in bark paint is no product',
  'fire-blight/feeding': 'feed is held back, not given',
  'herbicide-damage/feeding': 'charcoal and water; feed is held back',
  'magnesium-shortage/feeding': 'spread by hand where a soil test asks for it',
  'iron-shortage/soil injection': 'the training label for iron is poured, not injected',
};

it('every way with a product reaches a training label on a host of its own in a month of its own, or says why not', () => {
  const missing = conditions.flatMap((c) =>
    c.options
      .filter((o) => METHODS.some((m) => carriesOut(m, o.method)))
      .filter((o) => !carriedOut(c, o, hosts, { labels: trainingLabels, works: [] }).uses.length)
      .map((o) => `${c.id}/${o.method}`),
  );
  expect([...new Set(missing)].sort()).toEqual(Object.keys(NO_LABEL).sort());
});

it('every way without a product reaches a work', () => {
  const missing = conditions.flatMap((c) =>
    c.options
      .filter((o) => !METHODS.some((m) => carriesOut(m, o.method)))
      .filter((o) => !carriedOut(c, o, hosts, { labels: [], works: worksWith([]) }).works.length)
      .map((o) => `${c.id}/${o.method}`),
  );
  expect([...new Set(missing)].sort()).toEqual([]);
});

it('what a work goes by is what its sheet is worked out with', () => {
  const f: WorkFacts = ground().work!;
  const told = conditions.flatMap((c) => {
    const facts = { ...f, condition: { id: c.id, name: c.name } };
    return WORKS.filter((w) => w.when?.(facts) ?? true).flatMap((w) =>
      (w.goesBy?.(c.id) ?? []).map((m) => {
        const answers = usualAnswers(w, facts);
        const { sum, steps, take, followUps, figures } = w.workOut(facts, answers);
        const said = JSON.stringify([answers, sum, steps, take, followUps, figures]);
        const numbers = new Set(said.match(/\d+(?:\.\d+)?/g)?.map(Number));
        return {
          at: `${w.id} against ${c.id}: ${m.what} ${m.to ?? m.from} ${m.unit}`,
          there: numbers.has(m.to ?? m.from),
        };
      }),
    );
  });
  expect(new Set(told.map((t) => t.at)).size).toBeGreaterThan(250);
  expect(told.filter((t) => !t.there).map((t) => t.at)).toEqual([]);
});
