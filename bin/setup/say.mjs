import { spawn } from 'node:child_process';

/** A fault that the person at the keyboard can mend: printed as one sentence, without a stack trace. */
export class Plain extends Error {}

/** Runs `main`; a Plain error becomes its sentence and exit code 1, a bug keeps its trace. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    if (error instanceof Plain) console.error(`elmhorn: ${error.message}`);
    else if (error?.code === 'ENOSPC') console.error('elmhorn: the disk is full; free some space and start again.');
    else console.error(error);
    process.exit(1);
  }
}

export const say = (text) => console.log(text);

/**
 * Runs a program of Node's to its end, beside whatever else runs.
 * @returns whether it succeeded, and what it said on the channels that were piped
 */
export function node(args, options) {
  const running = spawn(process.execPath, args, options);
  let words = '';
  for (const channel of [running.stdout, running.stderr])
    channel?.setEncoding('utf8').on('data', (text) => (words += text));
  // Where another step has failed meanwhile, this one ends with the command that began it.
  const end = () => running.kill();
  process.once('exit', end);
  return new Promise((done, failed) => {
    running.on('error', failed);
    running.on('close', (code) => {
      process.off('exit', end);
      done({ good: code === 0, words });
    });
  });
}
