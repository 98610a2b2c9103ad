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

/** Whatever reads a day or a clock without saying whose: the machine stands in another zone than the tree. */
const LOCAL = [
  [
    'CallExpression[callee.property.name=/^get(FullYear|Month|Date|Day|Hours|Minutes)$/]',
    'This is the clock of the machine: dayIn or wallClock of the place, or the UTC form.',
  ],
  [
    "NewExpression[callee.name='Date'][arguments.length>1]",
    'This is midnight at the machine: zonedInstant of the place.',
  ],
  [
    'CallExpression[callee.property.name=/^toLocale(Date|Time)String$/]',
    'This is the zone of the machine: inZone, with the zone of the place.',
  ],
  [
    "NewExpression[callee.property.name='DateTimeFormat']:not(:has(Property[key.name='timeZone']))",
    'Say whose zone: timeZone.',
  ],
].map(([selector, message]) => ({ selector, message }));
const NOW = [
  "NewExpression[callee.name='Date'][arguments.length=0]",
  "CallExpression[callee.object.name='Date'][callee.property.name='now']",
].map((selector) => ({ selector, message: 'The clock is read at the door: take the instant as an argument.' }));
/** Of a package, what asks the machine which day it is, or where a day begins. */
const MACHINE_DAYS = [
  'isToday',
  'isTomorrow',
  'isYesterday',
  'startOfToday',
  'startOfTomorrow',
  'startOfYesterday',
  'endOfToday',
  'startOfDay',
  'endOfDay',
  'isPast',
  'isFuture',
  'isSameDay',
  'formatDistanceToNow',
];

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
      'no-restricted-syntax': ['error', ...NESTED, ...LOCAL],
      'no-restricted-imports': [
        'error',
        { paths: [{ name: 'date-fns', importNames: MACHINE_DAYS, message: 'A day is that of a place: dayIn.' }] },
      ],
    },
  },
  // A page is laid out in one place; what works things out has functions that fit on a screen.
  {
    files: ['app/**', 'ui/**'],
    ignores: ['**/*.test.*'],
    rules: { ...lines(260), 'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }] },
  },
  { files: ['{core,commands,views,store,stand-ins}/**'], ignores: ['**/*.test.*'], rules: lines(80) },
  // One clock, which tests and the demo can set; what works things out is told what time it is, and can be asked of any day.
  {
    files: ['{app,core,knowledge,commands,views,store,stand-ins,ui,demo,e2e}/**'],
    ignores: ['**/*.test.*', 'store/clock.ts', 'ui/clock.client.ts', 'e2e/clock.ts'],
    rules: { 'no-restricted-syntax': ['error', ...NESTED, ...LOCAL, ...NOW] },
  },
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
