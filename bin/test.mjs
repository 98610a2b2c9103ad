// Everything that must hold, on a fresh machine too: format, lint, types, boundaries, unused exports, units, journeys.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { clockFrom } from './setup/clock.mjs';
import { freePort, openCluster } from './setup/cluster.mjs';
import { copyDatabase, prepareDatabase, prepareSample } from './setup/database.mjs';
import { ensureBuild, ensureChromium, ensureOgrinfo, ensurePackages, root } from './setup/install.mjs';
import { nearTests, repositoryFiles } from './setup/near-tests.mjs';
import { dataHome, options } from './setup/options.mjs';
import { program } from './setup/program.mjs';
import { run, say } from './setup/say.mjs';

/** The day of the journeys, whatever day it is: a Wednesday on which some work is open and some waits for spring. */
const JOURNEY_DAY = '2026-11-25T10:00:00Z';

const git = (...args) => spawnSync('git', args, { cwd: root, encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
/** Files that differ from the last commit, new ones among them. */
const uncommitted = () => [
  ...git('diff', '--name-only', '--diff-filter=d', 'HEAD'),
  ...git('ls-files', '--others', '--exclude-standard'),
];

await run(async () => {
  const want = options(process.argv.slice(2), { only: 'text', data: 'text', changed: 'flag' });
  // For the hand: what is not committed yet, and the tests nearest to it; the others are left to the whole run.
  const changed = want.changed ? uncommitted() : null;
  if (changed && !changed.length) return say('Nothing is changed.');
  const began = Date.now();
  ensurePackages();
  const chromium = ensureChromium();
  ensureOgrinfo();
  const cluster = await openCluster(want.data ?? join(dataHome(), 'test'));
  const scratch = mkdtempSync(join(tmpdir(), 'elmhorn-test-'));
  let passed = 0;
  let failed = 0;
  let server = null;
  const bin = (name) => join(root, 'node_modules', '.bin', name);
  /** Runs one step with its words passed on as they come, or kept until it ends where others run beside it. */
  const step = async (name, command, args, env = {}, kept = false) => {
    if (want.only && !want.only.split(',').includes(name)) return null;
    const t = Date.now();
    if (!kept) say(`\n— ${name}`);
    const { good, words } = await program(command, args, {
      cwd: root,
      stdio: kept ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
    });
    if (kept) say(`\n— ${name}\n${words.trimEnd()}`);
    say(`  ${name}: ${good ? 'passed' : 'FAILED'} (${((Date.now() - t) / 1000).toFixed(1)} s)`);
    return good;
  };
  const inTurn = async (steps) => {
    for (const [name, command, args] of steps) {
      const good = await step(name, command, args, {}, true);
      if (good) passed++;
      else if (good === false) failed++;
    }
  };
  const counts = (file, read) => {
    if (!existsSync(file)) return void failed++;
    const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
    passed += good;
    failed += bad;
  };
  try {
    const linted = changed?.filter((f) => /\.(tsx?|mjs)$/.test(f)) ?? ['.'];
    // Two at a time: each of them keeps one core busy.
    await Promise.all([
      inTurn([
        ['types', 'sh', ['-c', 'node_modules/.bin/next typegen >/dev/null && node_modules/.bin/tsc --noEmit']],
        ['format', bin('prettier'), ['--check', '--log-level', 'warn', '--ignore-unknown', ...(changed ?? ['.'])]],
      ]),
      inTurn([
        ...(linted.length ? [['lint', bin('eslint'), [...linted, '--max-warnings', '0', '--no-warn-ignored']]] : []),
        ['boundaries', 'npm', ['run', '--silent', 'boundaries']],
        ['unused', bin('knip'), []],
      ]),
    ]);

    const tests = changed && nearTests(root, repositoryFiles(root), changed);
    if (tests) say(`\nNearest tests: ${tests.length}.`);
    if ((!want.only || want.only.split(',').includes('unit')) && tests?.length !== 0) {
      await prepareDatabase(cluster, 'elmhorn_unit', { reset: true });
      await copyDatabase(cluster, 'elmhorn_unit', cpus().length);
      const unit = join(scratch, 'jest.json');
      await step(
        'unit',
        bin('jest'),
        ['--ci', '--json', `--outputFile=${unit}`, ...(tests ? ['--runTestsByPath', ...tests] : [])],
        {
          DATABASE_URL: cluster.appUrl('elmhorn_unit'),
          ELMHORN_TEST_OWNER_URL: cluster.ownerUrl('elmhorn_unit'),
          ELMHORN_UNIT_DATABASES: '1',
        },
      );
      counts(unit, (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites]);
    }

    if (!changed && (!want.only || want.only.includes('journeys'))) {
      const clock = clockFrom(JOURNEY_DAY);
      await Promise.all([ensureBuild(), prepareSample(cluster, 'elmhorn_e2e', { reset: true, env: clock })]);
      const port = await freePort();
      server = spawn(process.execPath, ['--import', 'tsx', 'bin/start.ts'], {
        cwd: root,
        stdio: ['ignore', 'ignore', 'inherit'],
        env: {
          ...process.env,
          ...clock,
          DATABASE_URL: cluster.appUrl('elmhorn_e2e'),
          PORT: String(port),
          HOST: '127.0.0.1',
          ELMHORN_DEMO: '1',
          ELMHORN_LOG: 'error',
          // Journeys are not about the weather of the day on which they are run.
          ELMHORN_CLIMATE: 'settled',
        },
      });
      const url = `http://127.0.0.1:${port}`;
      for (let i = 0; i < 300; i++) {
        if (
          await fetch(`${url}/api/health`).then(
            (r) => r.ok,
            () => false,
          )
        )
          break;
        await new Promise((done) => setTimeout(done, 200));
      }
      mkdirSync(join(root, 'test-results'), { recursive: true });
      const report = join(scratch, 'journeys.json');
      await step('journeys', bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
        ...clock,
        ELMHORN_E2E_URL: url,
        ELMHORN_E2E_DATABASE: cluster.appUrl('elmhorn_e2e'),
        ELMHORN_E2E_REPORT: report,
        ELMHORN_CHROMIUM: chromium,
      });
      counts(report, (r) => [r.stats.expected, r.stats.unexpected + r.stats.flaky + r.errors.length]);
    }
  } finally {
    server?.kill('SIGTERM');
    cluster.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
  say(`\n${passed} passed, ${failed} failed (${Math.round((Date.now() - began) / 1000)} s)`);
  process.exitCode = failed ? 1 : 0;
});
process.exit();
