import { dayIn } from '@/lib/calendar/zone';
import { spawn } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { shipped } from '@/knowledge';
import { aside } from '@/knowledge/vignettes/aside';
import { heldOut } from '@/knowledge/vignettes/held-out';
import { practice } from '@/knowledge/vignettes/practice';
import { wider } from '@/knowledge/vignettes/wider';
import { worked } from '@/knowledge/vignettes/worked';
import { drawnPairs, dutiesHeld, harmlessBeside, historyAlone } from './beside';
import { cleanCases } from './clean';
import { CAREFUL, drawnCases, mergeTallies, perturbed, SLOPPY, type DrawnSet, type DrawnTally } from './drawn';
import { HARMS } from './harm';
import { Engine } from './put';
import { mergeSweeps, nothingLooked, oneSignAlone, steps, type SweepTally } from './quiet';
import { asField, putTold } from './told';

/**
 * `npm run trust [cases] [every]`: how far what Elmhorn says can be trusted, measured; the table is printed and kept in
 * docs/trust.md. Cases are drawn in as many processes as there are cores. With `every`, all single signs are put.
 */
const SETS: Readonly<Record<string, DrawnSet>> = {
  'from the base': { who: CAREFUL },
  'from a world up to three times otherwise': { who: CAREFUL, world: perturbed },
  'truth taken out of the base': { who: CAREFUL, removed: true },
  'a sloppy observer': { who: SLOPPY },
};
const DOC = join(__dirname, '../../docs/trust.md');
const [BEGIN, END] = ['<!-- measured -->', '<!-- /measured -->'];

const [first = '10000', name, from, count] = process.argv.slice(2);
/** Of all single signs on all hosts in all months, each of so many is put: all of them take an hour and a half on one core. */
const SWEEP = name === 'every' ? 1 : 23;

/** What processes of our own tell of their shares, one for each core. */
const shared = <T>(argsOf: (nth: number, of: number) => string[]): Promise<T[]> => {
  const of = Math.max(1, cpus().length);
  return Promise.all(
    Array.from(
      { length: of },
      (_, nth) =>
        new Promise<T>((resolve, reject) => {
          const args = argsOf(nth, of);
          const child = spawn(process.execPath, ['--import', 'tsx', __filename, ...args], {
            stdio: ['ignore', 'pipe', 'inherit'],
          });
          let out = '';
          child.stdout.on('data', (x: Buffer) => (out += x.toString()));
          child.on('close', (code) =>
            code === 0 ? resolve(JSON.parse(out)) : reject(new Error(`${args[1]}: ${code}`)),
          );
        }),
    ),
  );
};

const drawn = (set: string, cases: number): Promise<DrawnTally> =>
  shared<DrawnTally>((nth, of) => {
    const each = Math.ceil(cases / of);
    return ['--share', set, String(1 + nth * each), String(each)];
  }).then((all) => all.reduce(mergeTallies));

/** All hosts' single signs, each of {@link SWEEP}. */
const swept = (): Promise<SweepTally> =>
  shared<SweepTally>((nth, of) => ['--sweep', String(SWEEP), String(nth), String(of)]).then((all) =>
    all.reduce(mergeSweeps),
  );

const percent = (a: number, b: number) => (b ? `${((100 * a) / b).toFixed(1)} %` : '–');
const harms = (h: Partial<Record<string, number>>, per?: number) => {
  const rows = HARMS.flatMap((k) => (h[k] ? [`${k} ${per ? ((1000 * h[k]!) / per).toFixed(1) : h[k]}`] : []));
  return rows.join(', ') || 'none';
};

async function measure(cases: number) {
  const began = Date.now();
  const out: string[] = [];
  const say = (line = '') => {
    console.log(line);
    out.push(line);
  };
  const engine = new Engine(shipped);
  const day = dayIn(new Date(), 'UTC');
  say(`Measured on ${day}, ${cpus().length} cores, by \`npm run trust ${cases}\`.`);
  say();
  const clean = cleanCases(engine);
  const sweep = await swept();
  const none = nothingLooked(engine);
  const step = steps(engine);
  say('| what | cases | figure | asked |');
  say('| --- | --- | --- | --- |');
  say(`| a clean case of every condition: first | ${clean.cases} | ${percent(clean.first, clean.cases)} | ≥ 90 % |`);
  say(`| … in three | ${clean.cases} | ${percent(clean.firstThree, clean.cases)} | ≥ 99 % |`);
  say(
    `| … decision one that the trade lets stand | ${clean.cases} | ${percent(clean.decided, clean.cases)} | ≥ 97 % |`,
  );
  say(`| … harmful decisions | ${clean.cases} | ${harms(clean.harms)} | none |`);
  say(
    `| one harmful sign alone, host × extent × month${SWEEP > 1 ? `, each of ${SWEEP}` : ', all of them'}: “sound” | ${sweep.cases} | ${sweep.sound} | 0 |`,
  );
  say(`| … harmful decisions | ${sweep.cases} | ${harms(sweep.harms)} | none |`);
  say(`| nothing looked at, host × month: other than “look further” | ${none.cases} | ${none.other.length} | 0 |`);
  const [past, beside, held] = [historyAlone(engine), harmlessBeside(engine), dutiesHeld(engine)];
  say(
    `| history and a find near by alone: other than a look that is named | ${past.cases} | ${past.broken.length} | 0 |`,
  );
  say(`| a harmless sign beside a grave case: a duty lost, or calm | ${beside.cases} | ${beside.broken.length} | 0 |`);
  const pairs = drawnPairs(engine);
  say(`| two drawn troubles together: a duty lost, or calm | ${pairs.cases} | ${pairs.broken.length} | 0 |`);
  say(`| duty × look, method, sentence: told what a duty forbids | ${held.cases} | ${held.broken.length} | 0 |`);
  say(`| crown loss, bark loss, vigour in steps: jumps without a word | ${step.cases} | ${step.jumps.length} | 0 |`);
  for (const [what, list] of [
    ['told cases, half looked at', practice],
    ['told cases, half set aside', aside],
    ['told cases of the wider base', wider],
    ['older told cases', [...worked, ...heldOut].map(asField)],
  ] as const) {
    const r = putTold(list, engine);
    say(
      `| ${what}: right in name, decision and duty, no harm | ${r.length} | ${r.filter((x) => !x.issues.length).length} | – |`,
    );
  }
  say();
  say('Drawn cases, a tenth of the observations wrong (a sloppy observer: a fifth, and sure of most of them):');
  say();
  say(
    '| drawn | cases | first | in three | best reader, first | in three | “nine in ten or more”: wrong | not named above six in ten | opened, not closed | harmful decisions per 1,000 |',
  );
  say('| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |');
  const bins: string[] = [];
  const examples: string[] = [];
  for (const set of Object.keys(SETS)) {
    const t = await drawn(set, cases);
    const removed = SETS[set]!.removed === true;
    say(
      `| ${set} | ${t.cases} | ${removed ? '–' : percent(t.first, t.cases)} | ${removed ? '–' : percent(t.firstThree, t.cases)} | ${removed ? '–' : percent(t.best, t.cases)} | ${removed ? '–' : percent(t.bestThree, t.cases)} | ${percent(t.sure.wrong, t.sure.n)} of ${t.sure.n} | ${percent(t.cases - t.named, t.cases)} | ${percent(t.cautious, t.cases)} | ${harms(t.harms, t.cases)} |`,
    );
    if (!removed)
      bins.push(
        `| ${set} | ${t.bins.map((b) => (b.n ? `${Math.round((100 * b.said) / b.n)} → ${Math.round((100 * b.right) / b.n)} (${b.n})` : '–')).join(' | ')} | ${percent(t.unnamed, t.cases)} |`,
      );
    examples.push(...t.examples.slice(0, 4).map((x) => `${set}: ${x}`));
  }
  say();
  say(
    'Calibration in ten bins of the chance of the one named first: said → right, in percent (cases); beside it how often nobody is named:',
  );
  say();
  say(
    `| drawn | ${Array.from({ length: 10 }, (_, i) => `${i * 10}–${i * 10 + 10}`).join(' | ')} | “something else” first |`,
  );
  say(`| --- | ${Array.from({ length: 11 }, () => '---').join(' | ')} |`);
  for (const b of bins) say(b);
  console.log(
    `\n${[...clean.short, ...sweep.examples, ...none.other, ...step.jumps, ...past.broken, ...beside.broken, ...held.broken].slice(0, 40).join('\n')}`,
  );
  console.log(examples.join('\n'));
  console.log(`${((Date.now() - began) / 60_000).toFixed(1)} min`);
  const doc = readFileSync(DOC, 'utf8');
  const [before, after] = [doc.split(BEGIN)[0]!, doc.split(END)[1]!];
  writeFileSync(DOC, `${before}${BEGIN}\n\n${out.join('\n')}\n\n${END}${after}`);
}

/** One share of the seeds of one set, or of the hosts of the sweep, as JSON on standard output. */
if (first === '--share') {
  const seeds = Array.from({ length: Number(count) }, (_, i) => Number(from) + i);
  process.stdout.write(JSON.stringify(drawnCases(shipped, seeds, SETS[name!]!)));
} else if (first === '--sweep') {
  const share = { nth: Number(from), of: Number(count) };
  process.stdout.write(JSON.stringify(oneSignAlone(new Engine(shipped), Number(name), share)));
} else
  measure(Number(first)).catch((e: unknown) => {
    console.error(e);
    process.exitCode = 1;
  });
