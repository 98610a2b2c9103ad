import { spawnSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildWorker } from './setup/worker.mjs';

/** `npm run build`: the pages, then the worker that holds them on a phone. */
const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const release = Date.now().toString(36);
const done = spawnSync(process.execPath, [join(root, 'node_modules/next/dist/bin/next'), 'build'], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ELMHORN_BUILD: release },
});
if (done.status !== 0) process.exit(done.status ?? 1);
await buildWorker(root, release);
