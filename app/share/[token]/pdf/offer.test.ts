import { join } from 'node:path';
import { openSync } from 'fontkit';
import type { SharedQuote } from '@/store/quotes';
import { quotePdf } from './offer';

const offer = (paper: SharedQuote['paper']): SharedQuote => ({
  id: '0190a000-0000-7000-8000-000000000001',
  expiresAt: new Date('2026-07-01T00:00:00Z'),
  paper,
  answer: null,
  data: {
    company: 'Baumpflege Łódź & Söhne',
    by: 'Ægir Þórsson',
    client: 'Škoda family, Ωmega',
    place: 'Ulica Główna',
    tag: '101',
    host: 'Wych elm',
    found: 'Water is ≥ 5 m away → a drench may be done. Žluťoučký kůň; ½ dose, 20 °C.',
    message: '',
    currency: 'EUR',
    years: 10,
    options: Array.from({ length: 9 }, (_, i) => ({
      key: `k${i}`,
      name: `Way ${i + 1}`,
      what: 'With training label 1. '.repeat(8),
      now: 12_300,
      overYears: 99_900,
      visits: '1 visit a year',
      expected: 'Expect 8 in 10 to go.',
      risks: 'Bees, if it blooms.',
      when: 'June',
    })),
    changes: [],
  },
});
const create = (file: string) => {
  const face = openSync(file) as { hasGlyphForCodePoint(code: number): boolean };
  return (letter: string) => face.hasGlyphForCodePoint(letter.codePointAt(0)!);
};
const raw = async (paper: SharedQuote['paper'] = 'A4') => (await quotePdf(offer(paper))).toString('latin1');

it('carries its own fonts: every letter can be copied out as it was written', async () => {
  const pdf = await raw();
  expect(pdf).toMatch(/\/FontFile2/);
  expect(pdf).toMatch(/\/ToUnicode/);
  // What no face has is drawn as a box, glyph 0.
  const face = create(join(process.cwd(), 'node_modules/dejavu-fonts-ttf/ttf/DejaVuSans.ttf'));
  for (const letter of JSON.stringify(offer('A4').data)) expect([letter, face(letter)]).toEqual([letter, true]);
});
it('is tagged, says its language and its title, and its structure has headings', async () => {
  const pdf = await raw();
  expect(pdf).toMatch(/\/Marked true/);
  expect(pdf).toMatch(/\/StructTreeRoot/);
  expect(pdf).toMatch(/\/Lang \(en-GB\)/);
  expect(pdf.match(/\/S \/H2/g)).toHaveLength(9);
  expect(pdf.match(/\/S \/H1/g)).toHaveLength(1);
});
it('comes in the paper of the company, on as many sheets as it needs', async () => {
  expect(await raw('A4')).toMatch(/\/MediaBox \[0 0 595\.28 841\.89\]/);
  const letter = await raw('Letter');
  expect(letter).toMatch(/\/MediaBox \[0 0 612 792\]/);
  expect(letter.match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(1);
});
