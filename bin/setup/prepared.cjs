const { require: load } = require('tsx/cjs/api');
const { relative, resolve } = require('node:path');

/**
 * Gives a browser what a module of the knowledge comes to, instead of what it is written as: a
 * phone that opens a page of a held round would otherwise put all of it through its schemas each
 * time, which is most of a second on a slow one. The checks ran here, when the page was built; a
 * module that holds anything but data, or that fails them, ends the build.
 */
module.exports = function prepared(source) {
  this.addContextDependency(resolve(this.rootContext, 'knowledge'));
  this.addContextDependency(resolve(this.rootContext, 'core'));
  const made = load(this.resourcePath, __filename);
  const lines = Object.entries(made).map(([name, value]) => {
    const told = JSON.stringify(value);
    if (told === undefined || JSON.stringify(JSON.parse(told)) !== told)
      throw new Error(`${relative(this.rootContext, this.resourcePath)}: ${name} is not data`);
    return `export const ${name} = JSON.parse(${JSON.stringify(told)});`;
  });
  if (!lines.length) throw new Error(`${this.resourcePath} exports nothing (${source.length} characters)`);
  return lines.join('\n');
};
