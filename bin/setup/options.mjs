import { homedir } from 'node:os';
import { join } from 'node:path';
import { Plain } from './say.mjs';

/** Where demo and test data live when nothing else is said: never in the repository. */
export const dataHome = () =>
  process.env.ELMHORN_DATA ||
  (process.getuid?.() === 0 ? '/var/lib/elmhorn' : join(homedir(), '.local', 'share', 'elmhorn'));

/**
 * Reads `--name value` and `--flag` options; an unknown one is a sentence, not a shrug.
 * @param {string[]} argv the words after the command
 * @param {Record<string, 'text'|'flag'|'count'>} known
 */
export function options(argv, known) {
  const got = {};
  for (let i = 0; i < argv.length; i++) {
    const [name, inline] = argv[i].replace(/^--/, '').split('=');
    const kind = argv[i].startsWith('--') ? known[name] : undefined;
    if (!kind)
      throw new Plain(
        `"${argv[i]}" is not an option here. Known: ${Object.keys(known)
          .map((k) => `--${k}`)
          .join(', ')}.`,
      );
    if (kind === 'flag') got[name] = true;
    else {
      const value = inline ?? argv[++i];
      if (value === undefined || value === '') throw new Plain(`--${name} needs a value.`);
      if (kind === 'count' && !/^\d+$/.test(value)) throw new Plain(`--${name} needs a whole number, not "${value}".`);
      got[name] = kind === 'count' ? Number(value) : value;
    }
  }
  if (got.port !== undefined && (got.port < 1 || got.port > 65535))
    throw new Plain(`--port ${got.port} is not a port; use 1 to 65535.`);
  return got;
}
