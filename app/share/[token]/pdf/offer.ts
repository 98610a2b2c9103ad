import { dayIn } from '@/lib/calendar/zone';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import { exactMoney, money } from '@/core/cost/prices';
import { takenNames, type Quote } from '@/core/quotes/quote';
import { isProperty, totalOf } from '@/core/quotes/property';
import type { SiteQuote } from '@/core/quotes/property-schema';
import type { SharedQuote } from '@/store/quotes';
import { longDay } from '@/ui/words';
import { whenWords } from '../lines';

const face = (file: string) => readFileSync(join(process.cwd(), 'node_modules/dejavu-fonts-ttf/ttf', file));
const INK = '#221f1a';
const FAINT = '#5b564b';
const MARGIN = 48;

/**
 * An offer as a tagged PDF with its fonts in it: any name of Europe is legible on any machine, and a screen reader finds the
 * headings and the options.
 */
export async function quotePdf({ data: d, expiresAt, answer, paper }: SharedQuote): Promise<Buffer> {
  const title = isProperty(d) ? d.place : `Tree ${d.tag}, ${d.host.toLowerCase()}`;
  const doc = new PDFDocument({
    size: paper === 'Letter' ? 'LETTER' : 'A4',
    margin: MARGIN,
    pdfVersion: '1.7',
    tagged: true,
    lang: 'en-GB',
    displayTitle: true,
    info: { Title: isProperty(d) ? d.place : `Tree ${d.tag}, ${d.place}`, Author: d.company },
  });
  doc.registerFont('plain', face('DejaVuSans.ttf'));
  doc.registerFont('bold', face('DejaVuSans-Bold.ttf'));
  const chunks: Buffer[] = [];
  doc.on('data', (c: Buffer) => chunks.push(c));
  const ended = new Promise<void>((done) => doc.on('end', () => done()));

  const root = doc.struct('Document');
  doc.addStructure(root);
  const say: Say = (tag, text, { size = 10.5, colour = INK, above = 0 } = {}) =>
    root.add(
      doc.struct(tag, {}, () => {
        doc
          .font(tag === 'P' ? 'plain' : 'bold')
          .fontSize(size)
          .fillColor(colour);
        doc.y += above;
        doc.text(text, MARGIN, doc.y, { lineGap: 3 });
      }),
    );

  say('P', `${d.company} for ${d.client}, ${d.place}`, { size: 9, colour: FAINT });
  say('H1', title, { size: 20, above: 4 });
  if (!isProperty(d)) say('P', d.found, { above: 6 });
  if (d.message) say('P', d.message, { above: 6 });
  say(
    'P',
    `Open until ${longDay(dayIn(expiresAt, 'UTC'))}. Prices are estimates; the label in hand and local rules come first on the day.`,
    { size: 9, colour: FAINT, above: 6 },
  );
  if (isProperty(d)) sayLines(d, say);
  else sayWays(d, say);
  say(
    'P',
    answer
      ? `${answer.who} answered: ${isProperty(d) ? takenLines(d, answer.options) : takenNames(d, answer.options)}.`
      : 'Chosen: ____________   Name: ______________________   Day: ____________',
    { above: 26 },
  );
  root.end();
  doc.end();
  await ended;
  return Buffer.concat(chunks);
}

type Say = (tag: 'H1' | 'H2' | 'P', text: string, how?: { size?: number; colour?: string; above?: number }) => unknown;

/** The ways for one tree. */
function sayWays(d: Quote, say: Say) {
  d.options.forEach((o, i) => {
    say('H2', `${i + 1}. ${o.name}`, { size: 13, above: 16 });
    say('P', o.what, { above: 2 });
    say('P', `Now ${money(o.now, d)}. Over ${d.years} years ${money(o.overYears, d)}. ${o.visits}.`, { above: 2 });
    say('P', o.expected, { above: 2 });
    say('P', o.risks, { size: 9, colour: FAINT, above: 2 });
  });
  if (d.changes.length) say('H2', 'Found while digging', { size: 13, above: 16 });
  for (const c of d.changes) say('P', c.price === null ? c.what : `${c.what} ${exactMoney(c.price, d)}`, { above: 2 });
}

/** What is to be done on a property, and what it comes to. */
function sayLines(d: SiteQuote, say: Say) {
  d.lines.forEach((l, i) => {
    say('H2', `${i + 1}. ${l.what}`, { size: 13, above: 14 });
    if (l.against) say('P', `Against ${l.against}.`, { above: 2 });
    say('P', `${l.count === 1 ? 'Tree' : `${l.count} trees:`} ${l.trees}. ${whenWords(l.days)}.`, { above: 2 });
    say('P', `${money(l.price, d)}${l.maybe ? ', only if a look finds it' : ''}`, { above: 2 });
  });
  const sum = totalOf(
    d,
    d.lines.map((l) => l.key),
  );
  say('P', `All of it: ${money(sum.work, d)}, and coming out on ${sum.days} days ${money(sum.comingOut, d)}.`, {
    above: 16,
  });
  say('H2', `Together ${money(sum.total, d)}`, { size: 13, above: 2 });
}

const takenLines = (d: SiteQuote, keys: readonly string[]) => {
  const taken = d.lines.filter((l) => keys.includes(l.key));
  return taken.length ? `${taken.map((l) => l.what).join('; ')}: ${money(totalOf(d, keys).total, d)}` : 'none of these';
};
