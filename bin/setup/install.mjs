import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { program } from './program.mjs';
import { Plain, say } from './say.mjs';

export const root = join(import.meta.dirname ?? new URL('.', import.meta.url).pathname, '..', '..');

const sha = (text) => createHash('sha256').update(text).digest('hex');

/** Installs npm packages exactly as the lock file says, unless that lock file is what is installed already. */
export function ensurePackages() {
  const stamp = join(root, 'node_modules', '.elmhorn-lock');
  const want = sha(readFileSync(join(root, 'package-lock.json')));
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === want) return;
  say('Installing packages from the lock file …');
  const npm = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  if (npm.status !== 0) throw new Plain('npm ci did not finish; see its message above.');
  writeFileSync(stamp, want);
}

/** How long another run of the package manager is waited for, and what it says while it holds its lock. */
const LOCK_WAIT_MS = 120_000;
const LOCK_RETRY_MS = 5_000;
const LOCKED = /could not get lock|unable to (acquire|lock)|is held by process/i;

/** Installs Debian packages as root or through passwordless sudo; otherwise says what to type. */
function installDebian(packages, why) {
  const asRoot = process.getuid?.() === 0;
  const sudo = !asRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;
  const command = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (!asRoot && !sudo) throw new Plain(`${why} is missing. Type: sudo ${command}`);
  say(`Installing ${why} from Debian's packages …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const once = (args) =>
    spawnSync(asRoot ? 'apt-get' : 'sudo', asRoot ? args : ['-n', 'apt-get', ...args], { env, encoding: 'utf8' });
  // A fresh machine often updates itself meanwhile: its lock is waited for, and not taken for a failure.
  const apt = (args) => {
    const until = Date.now() + LOCK_WAIT_MS;
    for (;;) {
      const done = once(args);
      if (done.status === 0 || !LOCKED.test(done.stderr ?? '') || Date.now() > until) return done;
      say('  The package manager is busy; waiting for it …');
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, LOCK_RETRY_MS);
    }
  };
  apt(['update']);
  const done = apt(['install', '-y', '--no-install-recommends', ...packages]);
  if (done.status !== 0)
    throw new Plain(
      `${why} could not be installed (${(done.stderr ?? '').trim().split('\n').pop()}). Type: sudo ${command}`,
    );
}

/** The folder with initdb and pg_ctl, newest version first; installs PostgreSQL when there is none. */
export function ensurePostgres() {
  const find = () => {
    const base = '/usr/lib/postgresql';
    const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
    const version = versions.find((v) => existsSync(join(base, v, 'bin', 'initdb')));
    if (version) return join(base, version, 'bin');
    try {
      return (
        execFileSync('sh', ['-c', 'dirname "$(command -v initdb)"'], { encoding: 'utf8' }).trim().replace(/^\.$/, '') ||
        null
      );
    } catch {
      return null;
    }
  };
  let bin = find();
  if (!bin) {
    installDebian(['postgresql', 'postgresql-contrib'], 'PostgreSQL');
    bin = find();
  }
  if (!bin) throw new Plain('PostgreSQL was installed, but its initdb cannot be found under /usr/lib/postgresql.');
  return bin;
}

/**
 * Debian's Chromium without its window, for the browser journeys: the same engine as the package with one, at two thirds of
 * its time.
 */
export function ensureChromium() {
  const path = '/usr/bin/chromium-headless-shell';
  if (!existsSync(path)) installDebian(['chromium-headless-shell'], 'Chromium');
  if (!existsSync(path)) throw new Plain(`Chromium was installed, but ${path} is not there.`);
  return path;
}

/** GDAL's ogrinfo, with which a test opens the GeoJSON that Elmhorn writes. */
export function ensureOgrinfo() {
  const path = '/usr/bin/ogrinfo';
  if (!existsSync(path)) installDebian(['gdal-bin'], 'GDAL');
  if (!existsSync(path)) throw new Plain('GDAL was installed, but /usr/bin/ogrinfo is not there.');
}

const sources = [
  'app',
  'commands',
  'facts',
  'lib',
  'instrumentation.ts',
  'views',
  'core',
  'knowledge',
  'store',
  'ui',
  'stand-ins',
  'public',
  'package-lock.json',
  'next.config.ts',
  'postcss.config.mjs',
  'proxy.ts',
  'tsconfig.json',
];

function fingerprint(path, hash) {
  if (!existsSync(path)) return;
  if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) fingerprint(join(path, name), hash);
  else if (!/\.test\.tsx?$/.test(path)) hash.update(path.slice(root.length)).update(readFileSync(path));
}

/** A production build, reused while no source file has changed. */
export async function ensureBuild() {
  const hash = createHash('sha256');
  for (const s of sources) fingerprint(join(root, s), hash);
  const want = hash.digest('hex');
  const stamp = join(root, '.next', 'elmhorn-build');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === want) return;
  say('Making the production build …');
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' };
  const { good, words } = await program(process.execPath, [join(root, 'bin/build.mjs')], {
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  if (!good) throw new Plain(`the build failed:\n${words}`);
  writeFileSync(stamp, want);
}
