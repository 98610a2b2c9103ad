import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { NotKnown, QUESTIONS } from '@/core/questions';
import { findCondition, findHost, regions, trainingLabels } from '@/knowledge';

/** `npm run -s core -- <question> < input.json`: the core without the app. Bad input exits 2 with path and sentence. */
const [name, ...flags] = process.argv.slice(2);

function refuse(faults: { path: string; sentence: string }[]): never {
  process.stdout.write(JSON.stringify({ faults }, null, 2) + '\n');
  for (const f of faults) process.stderr.write(`${f.path || 'input'}: ${f.sentence}\n`);
  process.exit(2);
}

function help(): void {
  const width = Math.max(...Object.keys(QUESTIONS).map((q) => q.length));
  console.log(
    `Usage: npm run -s core -- <question> < input.json\n       npm run -s core -- <question> --schema   (JSON Schema of its input)\n\nQuestions:`,
  );
  for (const [q, { about }] of Object.entries(QUESTIONS)) console.log(`  ${q.padEnd(width)}  ${about}`);
  console.log(`\nTraining labels, by key: ${trainingLabels.map((l) => l.key).join(', ')}\nExamples: docs/core.md`);
}

if (!name || name === '--help' || name === '-h') {
  help();
  process.exit(name ? 0 : 2);
}
if (name === '--schema') {
  console.log(
    JSON.stringify(
      Object.fromEntries(Object.entries(QUESTIONS).map(([q, x]) => [q, z.toJSONSchema(x.schema, { io: 'input' })])),
      null,
      2,
    ),
  );
  process.exit(0);
}
const question = Object.hasOwn(QUESTIONS, name)
  ? QUESTIONS[name]!
  : refuse([{ path: 'question', sentence: `there is no question “${name}”; --help lists them` }]);
const strange = flags.find((f) => f !== '--schema');
if (strange) refuse([{ path: 'option', sentence: `“${strange}” is not an option; there is --schema` }]);
if (flags.includes('--schema')) {
  console.log(JSON.stringify(z.toJSONSchema(question.schema, { io: 'input' }), null, 2));
  process.exit(0);
}

let input: unknown;
try {
  input = JSON.parse(readFileSync(0, 'utf8'));
} catch {
  refuse([{ path: '', sentence: 'the input is not JSON' }]);
}
const read = question.schema.safeParse(input);
if (!read.success) refuse(read.error.issues.map((i) => ({ path: i.path.join('.'), sentence: i.message })));
try {
  const answer = question.answer(read.data, {
    label: (key) => trainingLabels.find((l) => l.key === key) ?? null,
    host: findHost,
    condition: findCondition,
    region: (key) =>
      regions[key] ??
      refuse([
        { path: 'region', sentence: `there is no region “${key}”; there are ${Object.keys(regions).join(', ')}` },
      ]),
  });
  console.log(JSON.stringify(answer, null, 2));
  // A question that was understood but has no lawful answer (no dose for this size) says so in its result.
} catch (error) {
  if (error instanceof NotKnown) refuse([{ path: error.path, sentence: error.message }]);
  throw error;
}
