import { DEVICES, METHODS } from './methods';
import { methodWords } from './method-words';

it('only what is poured is said to be poured, and a basin belongs to a drench', () => {
  for (const m of METHODS)
    for (const d of m === 'trunk-injection' ? DEVICES : [undefined]) {
      const w = methodWords(m, d);
      const all = [w.title, w.start, w.into, w.ready, w.mind, ...w.steps].join(' ');
      expect([m, /\bpour/i.test(all)]).toEqual([m, m === 'soil-drench']);
      expect([m, /basin/i.test(all)]).toEqual([m, m === 'soil-drench']);
      expect(w.steps.length).toBeGreaterThan(1);
    }
  expect(methodWords('foliar-spray').steps.join(' ')).toMatch(/inside.*out.*undersides/s);
  const feed = [methodWords('root-zone-feeding'), methodWords('root-zone-feeding', undefined, true)].map((w) =>
    w.steps.join(' '),
  );
  expect(feed).toEqual([
    expect.stringMatching(/Spread.*clear of the trunk/),
    expect.stringMatching(/Dissolve.*Water it in/),
  ]);
  expect(methodWords('trunk-injection', 'capsule').start).toMatch(/capsules/);
});
