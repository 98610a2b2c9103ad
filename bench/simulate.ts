import { spawn } from 'node:child_process';
import { cpus } from 'node:os';
import { simulate, type Tally } from '@/core/practice/simulate';
import { shipped } from '@/knowledge';

/** `tsx bench/simulate.ts`: draws the cases of the examining station and prints the table; a share of them when asked. */
const CASES = 5000;

/** One share of the seeds, as JSON on standard output. */
function share(from: number, count: number) {
  const tally = simulate(
    shipped,
    Array.from({ length: count }, (_, i) => from + i),
  );
  process.stdout.write(JSON.stringify(tally));
}

const merge = (into: Record<string, number>, more: Record<string, number>) => {
  for (const [k, n] of Object.entries(more)) into[k] = (into[k] ?? 0) + n;
};
function add(a: Tally, b: Tally): Tally {
  a.cases += b.cases;
  a.first += b.first;
  a.firstThree += b.firstThree;
  for (const way of ['guided', 'checklist'] as const)
    for (const k of ['looks', 'minutes', 'right'] as const) a[way][k] += b[way][k];
  merge(a.decisions, b.decisions);
  merge(a.confused, b.confused);
  return a;
}

/** All cases, on every core; the sum does not depend on how they were shared out. */
export async function simulation(cases = CASES): Promise<Tally> {
  const hands = Math.max(1, cpus().length);
  const each = Math.ceil(cases / hands);
  const parts = await Promise.all(
    Array.from(
      { length: hands },
      (_, h) =>
        new Promise<Tally>((done, fail) => {
          const from = 1 + h * each;
          const child = spawn(
            process.execPath,
            ['--import', 'tsx', __filename, String(from), String(Math.min(each, cases - h * each))],
            { stdio: ['ignore', 'pipe', 'inherit'] },
          );
          let out = '';
          child.stdout.on('data', (d: Buffer) => (out += d.toString()));
          child.on('exit', (code) =>
            code === 0 ? done(JSON.parse(out) as Tally) : fail(new Error(`the simulation ended with ${code}`)),
          );
        }),
    ),
  );
  return parts.reduce(add);
}

const percent = (n: number, of: number) => `${((100 * n) / of).toFixed(1)} %`;
const most = (table: Record<string, number>, n: number) =>
  Object.entries(table)
    .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .slice(0, n);

/** The figures of a simulation as lines. */
export function told(t: Tally): string[] {
  const mean = (n: number) => (n / t.cases).toFixed(1);
  return [
    `${t.cases} cases drawn from the base, 70 % of the signs and a third of the tests looked at, 10 % of observations wrong:`,
    `  truth ranked first ${percent(t.first, t.cases)}, in the first three ${percent(t.firstThree, t.cases)}`,
    `  following the next look: ${mean(t.guided.looks)} looks, ${mean(t.guided.minutes)} min, right ${percent(t.guided.right, t.cases)}`,
    `  down the checklist:      ${mean(t.checklist.looks)} looks, ${mean(t.checklist.minutes)} min, right ${percent(t.checklist.right, t.cases)}`,
    '  decisions:',
    ...most(t.decisions, 12).map(([k, n]) => `    ${percent(n, t.cases).padStart(7)}  ${k}`),
    '  taken for one another most:',
    ...most(t.confused, 15).map(([k, n]) => `    ${String(n).padStart(5)}  ${k}`),
  ];
}

if (require.main === module) {
  const [from, count] = process.argv.slice(2).map(Number);
  if (from && count) share(from, count);
  else void simulation().then((t) => console.log(told(t).join('\n')));
}
