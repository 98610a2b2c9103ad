import { spawn } from 'node:child_process';

/**
 * Runs a program to its end, beside whatever else runs.
 * @returns whether it succeeded, and what it said on the channels that were piped, or why it could not be started
 */
export function program(command, args, options) {
  const running = spawn(command, args, options);
  let words = '';
  for (const channel of [running.stdout, running.stderr])
    channel?.setEncoding('utf8').on('data', (text) => (words += text));
  // Where another step has failed meanwhile, this one ends with the command that began it.
  const end = () => running.kill();
  process.once('exit', end);
  return new Promise((done) => {
    const over = (good) => {
      process.off('exit', end);
      done({ good, words });
    };
    running.on('error', (error) => {
      words += error.message;
      over(false);
    });
    running.on('close', (code) => over(code === 0));
  });
}
