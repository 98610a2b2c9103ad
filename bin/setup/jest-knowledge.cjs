const { createHash } = require('node:crypto');
const { readdirSync, readFileSync } = require('node:fs');
const { join } = require('node:path');
const { dataOf } = require('./prepared.cjs');

const root = join(__dirname, '..', '..');

/** Hash of every source that a module of the knowledge can rest on. */
function sources() {
  const hash = createHash('sha256');
  for (const folder of ['core', 'knowledge'])
    for (const name of readdirSync(join(root, folder), { recursive: true }).sort())
      if (/\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name))
        hash.update(name).update(readFileSync(join(root, folder, name)));
  return hash.digest('hex');
}
let known;

/**
 * Jest transform for the modules of the knowledge that are data: each test file gets what they come to, instead of putting
 * all of it through its schemas again. The schemas run once, here; what fails them fails every test that reads it.
 */
module.exports = {
  getCacheKey: (_source, path) => {
    known ??= sources();
    return createHash('sha256').update(known).update(path).digest('hex');
  },
  process: (_source, path) => ({
    code: dataOf(path)
      .map(([name, json]) => `exports.${name} = JSON.parse(${JSON.stringify(json)});`)
      .join('\n'),
  }),
};
