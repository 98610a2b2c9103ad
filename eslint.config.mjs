import next from 'eslint-config-next/core-web-vitals';
import ts from 'eslint-config-next/typescript';

/** A choice within a choice is read twice; a ladder of alternatives reads from top to bottom, up to three rungs. */
const NESTED = [
  ['ConditionalExpression > ConditionalExpression.test', 'A choice that decides a choice: give it a name first.'],
  ['ConditionalExpression > ConditionalExpression.consequent', 'A choice within a choice: give it a name first.'],
  [
    'ConditionalExpression > ConditionalExpression.alternate > ConditionalExpression.alternate > ConditionalExpression.alternate',
    'A ladder of more than three rungs: a table or a function says it better.',
  ],
  [
    "CallExpression[callee.property.name='slice'][callee.object.callee.property.name='toISOString']",
    'A day is that of a zone: dayIn(instant, timeZone), with UTC where nothing else is known.',
  ],
].map(([selector, message]) => ({ selector, message }));

const lines = (max) => ({ 'max-lines-per-function': ['error', { max, skipBlankLines: true, skipComments: true }] });

/** Longer than the rule, file by file: what stands here may only grow shorter, and leaves when it is split. */
const LONG = {
  120: [
    'commands/**',
    'core/book/write.ts',
    'core/cost/choose.ts',
    'core/diagnose/check.ts',
    'core/label/draft.ts',
    'core/practice/simulate.ts',
    'core/prescribe/*.ts',
    'core/work/load-out.ts',
    'core/work/cuts.ts',
    'core/work/works/*.ts',
  ],
  150: ['core/label/written.ts', 'commands/facts/situation.ts'],
};

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', '**/*.cjs'] },
  ...next,
  ...ts,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { fixStyle: 'inline-type-imports', disallowTypeAnnotations: false },
      ],
      eqeqeq: 'error',
      'no-useless-rename': 'error',
      'object-shorthand': ['error', 'properties'],
      'no-restricted-syntax': ['error', ...NESTED],
    },
  },
  // A page is laid out in one place; what works things out has functions that fit on a screen.
  {
    files: ['app/**', 'ui/**'],
    ignores: ['**/*.test.*'],
    rules: { ...lines(260), 'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }] },
  },
  { files: ['{core,commands,views,store,stand-ins}/**'], ignores: ['**/*.test.*'], rules: lines(80) },
  ...Object.entries(LONG).map(([max, files]) => ({ files, ignores: ['**/*.test.*'], rules: lines(Number(max)) })),
  {
    files: [
      'app/(in)/tree/\\[id\\]/{apply,prescribe,measure}/*.client.tsx',
      'app/(in)/tree/\\[id\\]/page.tsx',
      'app/(in)/shelf/**',
      'app/(in)/grounds/places/\\[id\\]/plan/*.client.tsx',
      'ui/figures/signs.tsx',
    ],
    rules: { ...lines(560), 'max-lines': ['error', { max: 620, skipBlankLines: true, skipComments: true }] },
  },
];
export default config;
