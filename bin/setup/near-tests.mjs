import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, posix } from 'node:path';

const TEST = /\.test\.tsx?$/;
const SOURCE = /\.(ts|tsx|mjs|cjs)$/;
const bare = (path) => path.replace(/(\/index)?\.(ts|tsx|mjs|cjs)$/, '');

/** The modules that a file imports, as paths of the repository without their endings. */
function importsOf(root, file) {
  const text = readFileSync(join(root, file), 'utf8');
  return [...text.matchAll(/(?:from|import\(|require\() ?'([^']+)'/g)].flatMap(([, name]) =>
    name.startsWith('@/') ? [name.slice(2)] : name.startsWith('.') ? [posix.join(dirname(file), name)] : [],
  );
}

/** Every file of the repository as it is now, new ones among them. */
export const repositoryFiles = (root) =>
  execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { cwd: root, encoding: 'utf8' })
    .split('\n')
    .filter((file) => file && existsSync(join(root, file)));

/** A folder, and the one around it as long as that is no whole floor: the tests of a room may stand above its parts. */
const roomsOf = (folder) => (dirname(folder).includes('/') ? [folder, dirname(folder)] : [folder]);

/** The files that import one file. */
export const importers = (root, files, of) =>
  files.filter((file) => SOURCE.test(file) && importsOf(root, file).some((name) => bare(name) === bare(of)));

/**
 * The unit tests that stand nearest to what was changed: the changed ones, those beside a changed file, and those that import
 * one. What reaches it by longer ways is left to the whole run.
 * @param files every file of the repository
 * @param changed those that were changed
 */
export function nearTests(root, files, changed) {
  const sources = changed.filter((file) => SOURCE.test(file) && !TEST.test(file));
  const modules = new Set(sources.map(bare));
  const folders = new Set(sources.flatMap((file) => roomsOf(dirname(file))));
  return files.filter(
    (file) =>
      TEST.test(file) &&
      (changed.includes(file) ||
        folders.has(dirname(file)) ||
        importsOf(root, file).some((name) => modules.has(bare(name)))),
  );
}
