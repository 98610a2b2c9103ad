import { readFileSync } from 'node:fs';
import { coreCommand } from './core/command';

/** `npm run -s core -- <question> < input.json`: the core without the app. */
const { status, out, err } = coreCommand(process.argv.slice(2), () => readFileSync(0, 'utf8'));
process.stdout.write(out);
process.stderr.write(err);
// The exit code is set, not forced: a pipe must get all of a long answer first.
process.exitCode = status;
