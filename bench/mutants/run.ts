import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { chanceFrom } from '@/lib/random';
import { importers, nearTests, repositoryFiles } from '../../bin/setup/near-tests.mjs';
import { mutated, mutationsOf, type Mutation } from './sites';

/** `npm run mutants`: changes the source in seeded places, one at a time, and names what no unit test notices. */
const [count, seed] = process.argv.slice(2).map(Number) as [number, number];
/** Places to try again, as `file:line` with commas between; none: so many are drawn. */
const named = new Set((process.argv[4] ?? '').split(',').filter(Boolean));
const root = process.cwd();
/** What is changed: what works out, writes, reads, and waits on a phone. */
const CHANGED = /^(core|commands|store|ui\/phone)\/.*\.tsx?$/;
const NOT_CHANGED = /\.test\.tsx?$|\/testing\.ts$|\.victim\.ts$/;
/** A test that has not ended by then hangs in a loop that the change made. */
const LIMIT_MS = 180_000;
/** Of the tests that reach a change by a longer way, so many are asked. */
const SECOND_RING = 25;

interface Trial extends Mutation {
  file: string;
  line: number;
}
type Outcome = 'caught' | 'survived';

const files = repositoryFiles(root);

/** So many places, drawn without one being drawn twice; or all of those that are named. */
function drawn(): Trial[] {
  const places = files
    .filter((file) => CHANGED.test(file) && !NOT_CHANGED.test(file))
    .flatMap((file) => {
      const text = readFileSync(join(root, file), 'utf8');
      return mutationsOf(file, text).map((m) => ({ ...m, file, line: text.slice(0, m.start).split('\n').length }));
    });
  if (named.size) return places.filter((p) => named.has(`${p.file}:${p.line}`));
  const chance = chanceFrom(seed);
  return Array.from({ length: Math.min(count, places.length) }, () => {
    const at = Math.floor(chance() * places.length);
    return places.splice(at, 1)[0]!;
  });
}

/** A copy of the repository in which one change at a time is made. */
function laneAt(folder: string): string {
  for (const file of files) {
    mkdirSync(dirname(join(folder, file)), { recursive: true });
    cpSync(join(root, file), join(folder, file));
  }
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
  return folder;
}

/** Whether all of these tests pass in a lane. */
const passes = (lane: string, number: number, tests: readonly string[]) =>
  new Promise<boolean>((done) => {
    const args = ['--bail', '--silent', '-i', '--runTestsByPath', ...tests];
    const running = spawn(process.execPath, [join(root, 'node_modules/jest/bin/jest.js'), ...args], {
      cwd: lane,
      stdio: 'ignore',
      detached: true,
      env: {
        ...process.env,
        DATABASE_URL: `${process.env.DATABASE_URL}_${number}`,
        ELMHORN_TEST_OWNER_URL: `${process.env.ELMHORN_TEST_OWNER_URL}_${number}`,
      },
    });
    const end = setTimeout(() => process.kill(-running.pid!, 'SIGKILL'), LIMIT_MS);
    running.on('close', (code) => {
      clearTimeout(end);
      done(code === 0);
    });
  });

/** The tests that are asked about a change: the nearest first, then those that reach it through one module more. */
function ringsOf(file: string): string[][] {
  const first = nearTests(root, files, [file]);
  const second = nearTests(root, files, importers(root, files, file)).filter((test) => !first.includes(test));
  return [first, second.slice(0, SECOND_RING)].filter((ring) => ring.length > 0);
}

async function outcomeOf(lane: string, number: number, trial: Trial): Promise<Outcome> {
  const path = join(lane, trial.file);
  const text = readFileSync(path, 'utf8');
  writeFileSync(path, mutated(text, trial));
  try {
    for (const ring of ringsOf(trial.file)) if (!(await passes(lane, number, ring))) return 'caught';
    return 'survived';
  } finally {
    writeFileSync(path, text);
  }
}

async function main() {
  const trials = drawn();
  const folder = mkdtempSync(join(tmpdir(), 'elmhorn-mutants-'));
  const outcomes: Outcome[] = [];
  try {
    const lanes = [1, 2].map((number) => laneAt(join(folder, String(number))));
    // A test that fails without any change would catch everything.
    const [ring] = trials.flatMap((trial) => ringsOf(trial.file));
    if (ring && !(await passes(lanes[0]!, 1, ring))) throw new Error(`${ring.join(', ')} fail without any change.`);
    const left = [...trials];
    await Promise.all(
      lanes.map(async (lane, i) => {
        for (let trial = left.shift(); trial; trial = left.shift()) {
          const outcome = await outcomeOf(lane, i + 1, trial);
          outcomes.push(outcome);
          const { file, line, kind, text } = trial;
          console.log(`${outcome.padEnd(8)} ${file}:${line} ${kind}${text ? ` → ${text}` : ''}`);
        }
      }),
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  const caught = outcomes.filter((outcome) => outcome === 'caught').length;
  console.log(`\n${caught} of ${outcomes.length} caught${named.size ? '' : ` (seed ${seed})`}`);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
