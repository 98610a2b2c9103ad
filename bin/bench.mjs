// Builds the large company, starts the production server and prints the table of measured figures.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { freePort, openCluster } from './setup/cluster.mjs';
import { prepareSample, tsx } from './setup/database.mjs';
import { ensureBuild, ensureChromium, ensurePackages, root } from './setup/install.mjs';
import { dataHome, options } from './setup/options.mjs';
import { run, say } from './setup/say.mjs';

await run(async () => {
  const want = options(process.argv.slice(2), { data: 'text', trees: 'count', only: 'text' });
  ensurePackages();
  const chromium = ensureChromium();
  const cluster = await openCluster(want.data ?? join(dataHome(), 'bench'));
  let server;
  try {
    await prepareSample(cluster, 'elmhorn');
    const owner = { DATABASE_OWNER_URL: cluster.ownerUrl() };
    await tsx(['demo/scale.ts', String(want.trees ?? 200_000)], owner, 'the large company could not be built');
    await ensureBuild();
    const port = await freePort();
    const url = `http://127.0.0.1:${port}`;
    server = spawn(process.execPath, ['--import', 'tsx', 'bin/start.ts'], {
      cwd: root,
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        ELMHORN_DEMO: '1',
        DATABASE_URL: cluster.appUrl(),
        PORT: String(port),
        HOST: '127.0.0.1',
      },
    });
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
    say('Measuring …');
    await tsx(
      ['bench/run.ts'],
      {
        ...owner,
        DATABASE_URL: cluster.appUrl(),
        ELMHORN_BENCH_URL: url,
        ...(want.only ? { ELMHORN_BENCH_ONLY: want.only } : {}),
        ELMHORN_BENCH_LOG: cluster.log,
        ELMHORN_BENCH_PID: String(server.pid),
        ELMHORN_CHROMIUM: chromium,
      },
      'the measurement did not finish',
    );
    if (want.only) return;
    say('Putting cases to the decision …');
    await tsx(['bench/trust/run.ts'], {}, 'the cases were not put');
  } finally {
    server?.kill('SIGTERM');
    cluster.stop();
  }
});
process.exit(0);
