import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { BasinFigure } from './basin';
import { Ribbon } from './ribbon';
import { RingFigure, ringWords } from './ring';
import { Series } from './series';

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
