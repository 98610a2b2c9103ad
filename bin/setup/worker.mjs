import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';

/** Files below a folder, as their addresses. */
const filesIn = (folder, address) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((f) =>
    f.isDirectory() ? filesIn(join(folder, f.name), `${address}/${f.name}`) : [`${address}/${f.name}`],
  );

/** Bundles the worker that stands between the pages and the network; the build says which files make the shell. */
export async function buildWorker(root, release) {
  const next = join(root, '.next');
  const shell = filesIn(join(next, 'static'), '/_next/static').filter((f) => !f.endsWith('.map'));
  await build({
    entryPoints: [join(root, 'ui/phone/worker.ts')],
    outfile: join(next, 'elmhorn-worker.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: {
      'process.env.NODE_ENV': '"production"',
      ELMHORN_BUILD: JSON.stringify(release),
      ELMHORN_SHELL: JSON.stringify([...shell, '/icon.svg', '/manifest.webmanifest']),
    },
    tsconfig: join(root, 'tsconfig.json'),
    logLevel: 'error',
  });
}
