// Starts Elmhorn with the sample company: packages, database, build, app. Node built-ins only until packages are there.
import { spawn, spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { clockFrom } from './setup/clock.mjs';
import { freePort, openCluster } from './setup/cluster.mjs';
import { ensureBuild, ensurePackages, root } from './setup/install.mjs';
import { dataHome, options } from './setup/options.mjs';
import { Plain, run, say } from './setup/say.mjs';
import { prepareSample, tsx } from './setup/database.mjs';

await run(async () => {
  const began = Date.now();
  const want = options(process.argv.slice(2), {
    port: 'count',
    reset: 'flag',
    data: 'text',
    scale: 'count',
    day: 'text',
  });
  const clock = clockFrom(want.day);
  // One clock for everything that is started here.
  Object.assign(process.env, clock);
  const port = want.port ?? ((await freePort(3000)) || (await freePort()));
  if (want.port && !(await freePort(want.port)))
    throw new Plain(`port ${want.port} is taken; choose another with --port, or leave it out.`);
  ensurePackages();
  const cluster = await openCluster(want.data ?? join(dataHome(), 'demo'));
  let app;
  const stop = () => {
    app?.kill('SIGTERM');
    cluster.stop();
  };
  try {
    const sample = async () => {
      await prepareSample(cluster, 'elmhorn', { reset: want.reset });
      if (want.scale)
        await tsx(
          ['demo/scale.ts', String(want.scale)],
          { DATABASE_OWNER_URL: cluster.ownerUrl() },
          'the large company could not be built',
        );
    };
    // Each of them keeps about one core busy.
    await Promise.all([ensureBuild(), sample()]);
    const env = {
      ...process.env,
      DATABASE_URL: cluster.appUrl(),
      PORT: String(port),
      HOST: '127.0.0.1',
      ELMHORN_DEMO: '1',
      ELMHORN_LOG: process.env.ELMHORN_LOG ?? 'error',
    };
    app = spawn(process.execPath, ['--import', 'tsx', 'bin/start.ts'], {
      cwd: root,
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let gone = null;
    app.on('exit', (code) => (gone = code ?? 1));
    let asked = false;
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
      process.on(signal, () => ((asked = true), app.kill('SIGTERM')));
    const address = `http://127.0.0.1:${port}`;
    while (gone === null && !asked) {
      const up = await fetch(`${address}/api/health`).then(
        (r) => r.ok,
        () => false,
      );
      if (up) break;
      await new Promise((done) => setTimeout(done, 150));
    }
    if (gone !== null && !asked) throw new Plain('the app did not start; its own message stands above.');
    if (!asked) {
      say(
        `\nElmhorn stands at ${address}   (ready in ${((Date.now() - began) / 1000).toFixed(1)} s; Ctrl-C stops it)\n`,
      );
      const shown = spawnSync(process.execPath, ['--import', 'tsx', 'demo/people.ts'], { cwd: root, encoding: 'utf8' });
      say(shown.stdout);
    }
    await new Promise((done) => (gone === null ? app.on('exit', done) : done()));
  } finally {
    stop();
  }
});
process.exit(0);
