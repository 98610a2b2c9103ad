import type { Issue } from '@/lib/result';
import { z } from 'zod';
import { answerTo, NotKnown } from '@/core/questions/question';
import { QUESTIONS } from '@/core/questions/questions';
import { exclusions, findCondition, findHost, programmes, regions, shipped, trainingLabels } from '@/knowledge';
import { growths } from '@/knowledge/growth';
import { heatModels } from '@/knowledge/heat';

/** Input that cannot be read: every fault has its path and its sentence. */
class Refused extends Error {
  constructor(readonly issues: Issue[]) {
    super(issues[0]?.message);
  }
}
const refuse = (path: string, sentence: string): never => {
  throw new Refused([{ path, message: sentence }]);
};
const printed = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
const schemaOf = (schema: z.ZodType) => z.toJSONSchema(schema, { io: 'input' });

function help(): string {
  const width = Math.max(...Object.keys(QUESTIONS).map((question) => question.length));
  return [
    'Usage: npm run -s core -- <question> < input.json',
    '       npm run -s core -- <question> --schema   (JSON Schema of its input)',
    '',
    'Questions:',
    ...Object.entries(QUESTIONS).map(([question, { about }]) => `  ${question.padEnd(width)}  ${about}`),
    '',
    `Training labels, by key: ${trainingLabels.map((label) => label.key).join(', ')}`,
    'Examples: docs/core.md',
    '',
  ].join('\n');
}

/** A fault of the schema with a place to look at: a key that nobody knows is its own place, the whole input is “input”. */
function issueOf(i: z.core.$ZodIssue): Issue {
  const keys = i.code === 'unrecognized_keys' ? [...i.path, i.keys[0]!] : i.path;
  return { path: keys.join('.') || 'input', message: i.message };
}

function parsed(input: string): unknown {
  try {
    return JSON.parse(input);
  } catch {
    return refuse('input', 'the input is not JSON');
  }
}

/** What a question may ask of the knowledge that ships with Elmhorn. */
const KNOWN: Parameters<typeof answerTo>[2] = {
  label: (key) => trainingLabels.find((label) => label.key === key) ?? null,
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
};

function answered(name: string, flags: readonly string[], readInput: () => string): string {
  if (name === '--schema')
    return printed(Object.fromEntries(Object.entries(QUESTIONS).map(([q, x]) => [q, schemaOf(x.schema)])));
  const question = Object.hasOwn(QUESTIONS, name)
    ? QUESTIONS[name]!
    : refuse('question', `there is no question “${name}”; --help lists them`);
  const strange = flags.find((flag) => flag !== '--schema');
  if (strange) refuse('option', `“${strange}” is not an option; there is --schema`);
  if (flags.includes('--schema')) return printed(schemaOf(question.schema));
  // A question that asks for nothing is not kept waiting for an input that may never end.
  const asksNothing = question.schema instanceof z.ZodObject && Object.keys(question.schema.shape).length === 0;
  const read = question.schema.safeParse(asksNothing ? {} : parsed(readInput()));
  if (!read.success) throw new Refused(read.error.issues.map(issueOf));
  // A question that was understood but has no lawful answer (no dose for this size) says so in its result.
  return printed(answerTo(question, read.data, KNOWN));
}

/** What a command writes and how it ends. */
export interface Written {
  status: 0 | 2;
  out: string;
  err: string;
}

/**
 * One call of `npm run -s core`.
 * @param args the question and its options
 * @param readInput reads the whole input; called only by a question that has one
 * @returns bad input ends with status 2, and its issues on both outputs, each with a path and a sentence
 */
export function coreCommand([name, ...flags]: readonly string[], readInput: () => string): Written {
  if (!name || name === '--help' || name === '-h') return { status: name ? 0 : 2, out: help(), err: '' };
  try {
    return { status: 0, out: answered(name, flags, readInput), err: '' };
  } catch (error) {
    const issues =
      error instanceof Refused
        ? error.issues
        : error instanceof NotKnown
          ? [{ path: error.path, message: error.message }]
          : null;
    if (!issues) throw error;
    const err = issues.map((issue) => `${issue.path || 'input'}: ${issue.message}\n`).join('');
    return { status: 2, out: printed({ issues }), err };
  }
}
