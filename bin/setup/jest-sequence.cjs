const { default: Sequencer } = require('@jest/test-sequencer');

/** Files that take longest, longest first: begun late, one of them would be waited for by itself. */
const LONG = [
  'bench/trust/trust',
  'demo/days',
  'commands/main-job',
  'core/schedule/schedule',
  'views/indexes',
  'bin/commands',
  'commands/phone/week',
  'core/practice/practice',
  'commands/guide/own',
  'core/diagnose/wire',
  'stand-ins/weather/station',
  'bin/backup',
  'knowledge/lives/lives',
  'core/prescribe/when',
  'core/exchange/species',
];

/** Long files first, on a machine that has never run them too; the others as Jest would. */
module.exports = class LongFirst extends Sequencer {
  sort(tests) {
    const place = ({ path }) => {
      const at = LONG.findIndex((name) => path.includes(`/${name}.test.`));
      return at < 0 ? LONG.length : at;
    };
    return [...super.sort(tests)].sort((a, b) => place(a) - place(b));
  }
};
