import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { balance } from '@/core/diagnose/evidence';
import { compile } from '@/core/diagnose/model';
import { evidenceOf, posterior } from '@/core/diagnose/rank';
import { findHost, hosts, shipped } from '@/knowledge';
import { leafOf } from '@/knowledge/leaf-forms';
import { ArcsFigure } from './arcs';
import { BalanceFigure } from './balance';
import { BasinFigure } from './basin';
import { LeafFigure } from './leaf-form';
import { LifeFigure } from './life';
import { Ribbon } from './ribbon';
import { RingFigure, ringWords } from './ring';
import { Series } from './series';
import { figureNames, SignFigure } from './signs';

const picture = {
  girthCm: 145,
  heightCm: 20,
  sites: [4, 94, 184, 274],
  arcs: [{ kind: 'dead-bark' as const, from: 128, to: 152 }],
  oldSites: [{ bearing: 40, heightCm: 20, year: 2024 }],
};

it('the ring in words: how many, where, in which order, and what to keep clear of', () => {
  expect(ringWords(picture)).toBe(
    '4 sites at 20.0 cm above soil, clockwise from north: 1 at 4° (N), 2 at 94° (E), 3 at 184° (S), 4 at 274° (W). Kept clear: dead bark 128° to 152°. 1 old holes, of 2024.',
  );
  expect(ringWords({ ...picture, sites: [] })).toBe('No sites.');
  expect(ringWords(picture, 'us')).toContain('7.9 in above soil');
});
it('the ring as a drawing carries the words, a number for each site, and the year of old holes', () => {
  const svg = renderToStaticMarkup(createElement(RingFigure, { picture }));
  expect(svg).toContain('role="img"');
  expect(svg).toContain('4 sites at 20.0 cm');
  for (const n of [1, 2, 3, 4]) expect(svg).toMatch(new RegExp(`<text[^>]*>${n}</text>`));
  expect(svg).toContain('holes of 2024');
});
it('the basin says from where to where, in the reader’s unit', () => {
  const svg = renderToStaticMarkup(
    createElement(BasinFigure, { diameterCm: 46.2, inner: 15, outer: 45, m2: 1.0009, units: 'us' }),
  );
  expect(svg).toContain('Pour evenly from 5.9 in to 17.7 in from the bark, 10.8 ft²');
});
it('a series of readings, a single one, and none', () => {
  const show = (v: number) => `${v} cm`;
  const at = Date.UTC(2025, 5, 1);
  expect(
    renderToStaticMarkup(
      createElement(Series, {
        points: [
          { at, value: 40 },
          { at: at + 3e10, value: 42 },
        ],
        show,
        what: 'Diameter',
      }),
    ),
  ).toContain('Diameter: 2025-06-01 40 cm');
  expect(
    renderToStaticMarkup(createElement(Series, { points: [{ at, value: 40 }], show, what: 'Diameter' })),
  ).toContain('40 cm, the only reading');
  expect(renderToStaticMarkup(createElement(Series, { points: [], show, what: 'Diameter' }))).toBe('');
});
it('a ribbon keeps inside its strip, whatever the days', () => {
  const svg = renderToStaticMarkup(
    createElement(Ribbon, {
      from: '2026-06-01',
      to: '2026-07-01',
      earliest: '2020-01-01',
      latest: '2030-01-01',
      due: '2026-06-15',
      today: '2026-06-20',
    }),
  );
  expect(svg).toContain('from 2020-01-01 to 2030-01-01, due 2026-06-15');
  expect(svg).toMatch(/<rect x="0"[^>]*width="300"/);
});

describe('the balance', () => {
  const model = compile(shipped, findHost('pear')!, { month: 6 });
  const draw = (observed: Parameters<typeof evidenceOf>[1], props: object = {}) =>
    renderToStaticMarkup(
      createElement(BalanceFigure, {
        beams: balance({ model, observed, post: posterior(model, evidenceOf(model, observed)), most: 3 }),
        ...props,
      }),
    );
  const blight = {
    findings: [
      { sign: 'leaves-black-hang', state: 'seen' as const, grade: 3 },
      { sign: 'honeydew', state: 'absent' as const },
    ],
    tests: [{ test: 'scratch', outcome: 'brown-black' }],
  };
  it('says before anything is seen what is common here, without empty beams', () => {
    const text = draw({ findings: [], tests: [] });
    expect(text).toContain('Before anything is seen');
    expect(text).not.toContain('<ol');
  });
  it('puts evidence on both sides in words, filled for and dashed against', () => {
    const text = draw(blight);
    expect(text).toMatch(/Fire blight[\s\S]*for:<\/b> [^<]*brown-black, wet/);
    expect(text).toContain('against:');
    expect(text).toContain('border-dashed');
    expect(text).toContain('bg-cambium');
  });
  it('is short where there is little room, and lets a name be pressed where it may be', () => {
    expect(draw(blight, { short: true })).not.toContain('for:</b>');
    expect(draw(blight, { onName: () => {} })).toMatch(/<button[^>]*>Fire blight/);
    expect(draw(blight)).not.toContain('<button');
  });
});

it('every sign and test that names a drawing has one, with its size in words', () => {
  const named = [...shipped.signs, ...shipped.tests].flatMap((s) => s.figure ?? []);
  expect(named.filter((f) => !figureNames().includes(f))).toEqual([]);
  expect(figureNames().filter((f) => !named.includes(f))).toEqual([]);
  for (const id of figureNames())
    expect(renderToStaticMarkup(createElement(SignFigure, { id }))).toMatch(/aria-label="Drawing: .{4,}, .{4,}"/);
  expect(renderToStaticMarkup(createElement(SignFigure, { id: 'no-such' }))).toBe('');
});

it('bark loss and roots are told in words as well as drawn', () => {
  const svg = renderToStaticMarkup(
    createElement(ArcsFigure, {
      arcs: [
        { from: 350, to: 20, kind: 'bare' },
        { from: 90, to: 120, kind: 'girdled' },
      ],
      anchors: [{ bearing: 180, state: 'decayed' }],
      size: 200,
    }),
  );
  expect(svg).toContain('bare 350 to 20 degrees, girdled 90 to 120 degrees');
  expect(svg).toContain('180 degrees decayed');
});

describe('leaves of hosts', () => {
  const drawn = new Map(
    hosts.map((h) => {
      const { form, sits } = leafOf(h);
      return [h.id, renderToStaticMarkup(createElement(LeafFigure, { form, sits, name: h.name }))];
    }),
  );
  it('are drawn of numbers alone, within their square, and small enough for a page of them', () => {
    for (const [id, svg] of drawn) {
      expect([id, /NaN|undefined|Infinity/.test(svg)]).toEqual([id, false]);
      expect([id, svg.length < 8000]).toEqual([id, true]);
      const far = [...svg.matchAll(/-?\d+(?:\.\d+)?/g)].map(Number).filter((n) => Math.abs(n) > 220);
      expect([id, far]).toEqual([id, []]);
    }
  });
  it('differ where their forms do: an elm from a lime, a white oak from a red one, two needles from five', () => {
    const differs = (a: string, b: string) =>
      drawn.get(a)!.replace(/aria-label="[^"]*"/, '') !== drawn.get(b)!.replace(/aria-label="[^"]*"/, '');
    for (const [a, b] of [
      ['wych-elm', 'small-leaved-lime'],
      ['pedunculate-oak', 'red-oak'],
      ['scots-pine', 'white-pine'],
      ['common-ash', 'horse-chestnut'],
      ['norway-spruce', 'silver-fir'],
    ] as const)
      expect([a, b, differs(a, b)]).toEqual([a, b, true]);
    expect(differs('wych-elm', 'field-elm')).toBe(false);
  });
  it('say how they sit on the shoot to whoever hears the page', () =>
    expect(drawn.get('common-ash')).toContain('aria-label="Leaf of Common ash, in opposite pairs"'));
});

it('the year of a trouble: a row for each stage, its words, its days to be heard, and what cannot be told', () => {
  const svg = renderToStaticMarkup(
    createElement(LifeFigure, {
      life: [
        { stage: 'infection', time: { by: 'stage', from: 7, to: 71 } },
        { stage: 'symptoms', time: { by: 'months', from: 5, to: 9 } },
      ],
      bars: [{ stage: 'symptoms', first: '2027-05-01', last: '2027-09-30' }],
      from: '2027-01-01',
      to: '2027-12-31',
      today: '2027-06-01',
      south: false,
      heat: new Map(),
    }),
  );
  expect(svg).toContain('aria-label="shows: 1 May – 30 Sep 2027"');
  expect(svg).toContain('aria-label="can infect: its days cannot be told here"');
  expect(svg).toContain('green tip to fruit set');
  expect(svg).not.toMatch(/NaN/);
});
