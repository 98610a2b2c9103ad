const { require: load } = require('tsx/cjs/api');
const { resolve } = require('node:path');

/** The exports of a module that holds data only, each as JSON; throws where one is not data. */
function dataOf(path) {
  const lines = Object.entries(load(path, __filename)).map(([name, value]) => {
    const json = JSON.stringify(value);
    if (json === undefined || JSON.stringify(JSON.parse(json)) !== json)
      throw new Error(`${path}: ${name} is not data`);
    return [name, json];
  });
  if (!lines.length) throw new Error(`${path} exports nothing`);
  return lines;
}

/**
 * Gives a browser what a module of the knowledge comes to, instead of what it is written as: a
 * phone that opens a page of a held round would otherwise put all of it through its schemas each
 * time, which is most of a second on a slow one. The checks ran here, when the page was built; a
 * module that holds anything but data, or that fails them, ends the build.
 */
module.exports = function prepared() {
  this.addContextDependency(resolve(this.rootContext, 'knowledge'));
  this.addContextDependency(resolve(this.rootContext, 'core'));
  return dataOf(this.resourcePath)
    .map(([name, json]) => `export const ${name} = JSON.parse(${JSON.stringify(json)});`)
    .join('\n');
};
module.exports.dataOf = dataOf;
