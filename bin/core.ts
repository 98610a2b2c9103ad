import { growths } from '@/knowledge/growth';
import { heatModels } from '@/knowledge/heat';
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { answerTo, NotKnown } from '@/core/question';
import { QUESTIONS } from '@/core/questions';
import { exclusions, findCondition, findHost, programmes, regions, shipped, trainingLabels } from '@/knowledge';

/** `npm run -s core -- <question> < input.json`: the core without the app. Bad input exits 2 with path and sentence. */
const [name, ...flags] = process.argv.slice(2);

/** Input that cannot be read: every fault has its path and its sentence. */
class Refused extends Error {
  constructor(readonly faults: { path: string; sentence: string }[]) {
    super(faults[0]?.sentence);
  }
}
const refuse = (path: string, sentence: string): never => {
  throw new Refused([{ path, sentence }]);
};
const print = (value: unknown) => console.log(JSON.stringify(value, null, 2));
const schemaOf = (schema: z.ZodType) => z.toJSONSchema(schema, { io: 'input' });

function help() {
  const width = Math.max(...Object.keys(QUESTIONS).map((q) => q.length));
  console.log(
    `Usage: npm run -s core -- <question> < input.json\n       npm run -s core -- <question> --schema   (JSON Schema of its input)\n\nQuestions:`,
  );
  for (const [q, { about }] of Object.entries(QUESTIONS)) console.log(`  ${q.padEnd(width)}  ${about}`);
  console.log(`\nTraining labels, by key: ${trainingLabels.map((l) => l.key).join(', ')}\nExamples: docs/core.md`);
}

/** A fault of the schema with a place to look at: a key that nobody knows is its own place, the whole input is “input”. */
function faultOf(i: z.core.$ZodIssue): { path: string; sentence: string } {
  const keys = i.code === 'unrecognized_keys' ? [...i.path, i.keys[0]!] : i.path;
  return { path: keys.join('.') || 'input', sentence: i.message };
}

function readInput(): unknown {
  try {
    return JSON.parse(readFileSync(0, 'utf8'));
  } catch {
    return refuse('input', 'the input is not JSON');
  }
}

function main() {
  if (!name || name === '--help' || name === '-h') {
    help();
    process.exitCode = name ? 0 : 2;
    return;
  }
  if (name === '--schema')
    return print(Object.fromEntries(Object.entries(QUESTIONS).map(([q, x]) => [q, schemaOf(x.schema)])));
  const question = Object.hasOwn(QUESTIONS, name)
    ? QUESTIONS[name]!
    : refuse('question', `there is no question “${name}”; --help lists them`);
  const strange = flags.find((f) => f !== '--schema');
  if (strange) refuse('option', `“${strange}” is not an option; there is --schema`);
  if (flags.includes('--schema')) return print(schemaOf(question.schema));
  // A question that asks for nothing is not kept waiting for an input that may never end.
  const asksNothing = question.schema instanceof z.ZodObject && Object.keys(question.schema.shape).length === 0;
  const read = question.schema.safeParse(asksNothing ? {} : readInput());
  if (!read.success) throw new Refused(read.error.issues.map(faultOf));
  // A question that was understood but has no lawful answer (no dose for this size) says so in its result.
  print(
    answerTo(question, read.data, {
      label: (key) => trainingLabels.find((l) => l.key === key) ?? null,
      host: findHost,
      condition: findCondition,
      knowledge: () => shipped,
      exclusions: () => exclusions,
      heatModels: () => heatModels,
      growths: () => growths,
      programmes: () => programmes,
      labels: () => trainingLabels,
      region: (key) =>
        regions[key] ?? refuse('region', `there is no region “${key}”; there are ${Object.keys(regions).join(', ')}`),
    }),
  );
}

// The exit code is set, not forced: a pipe must get all of a long answer first.
try {
  main();
} catch (error) {
  const faults =
    error instanceof Refused
      ? error.faults
      : error instanceof NotKnown
        ? [{ path: error.path, sentence: error.message }]
        : null;
  if (!faults) throw error;
  print({ faults });
  for (const f of faults) console.error(`${f.path || 'input'}: ${f.sentence}`);
  process.exitCode = 2;
}
