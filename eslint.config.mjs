import { words } from './bin/setup/banned-words.mjs';
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
  [
    "CallExpression[callee.name='Number'] > CallExpression[callee.property.name='slice'][arguments.0.value=5][arguments.1.value=7]",
    'A month that is no mere number: monthOf.',
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

/** What is typed before a page is hydrated would be lost on a plain control. */
const EARLY = [
  [
    "JSXOpeningElement[name.name=/^(input|select|textarea)$/]:has(> JSXAttribute[name.name='onChange'])",
    'A change before the page is hydrated would be lost: Input, Select or TextBox of ui/controls/input.client.',
  ],
].map(([selector, message]) => ({ selector, message }));

const lines = (max) => ({ 'max-lines-per-function': ['error', { max, skipBlankLines: true, skipComments: true }] });

/** Longer than the rule, file by file: what stands here may only grow shorter, and leaves when it is split. */
const LONG = {
  120: [
    'commands/**',
    'facts/**',
    'core/records/write.ts',
    'core/cost/choose.ts',
    'core/diagnose/check.ts',
    'core/label/draft.ts',
    'core/practice/simulate.ts',
    'core/prescribe/*.ts',
    'core/work/load-out.ts',
    'core/work/cuts.ts',
    'core/work/works/*.ts',
  ],
  150: ['core/label/written.ts'],
};

/** Pages that are longer still, function and file: what stands here may only grow shorter, and leaves when the page is laid out anew. */
const LONG_PAGES = {
  'app/(in)/sites/\\[id\\]/map/site-map.client.tsx': [441, 513],
  'app/(in)/trees/\\[id\\]/prescribe/prescribe.client.tsx': [396, 476],
  'app/(in)/trees/\\[id\\]/treat/treat.client.tsx': [395, 472],
  'app/(in)/stock/labels/new/editor.client.tsx': [376, 444],
  'app/(in)/trees/\\[id\\]/measure/measure.client.tsx': [335, 392],
  'app/(in)/jobs/row/sheet.client.tsx': [255, 394],
  'ui/figures/plan.tsx': [248],
  'app/(in)/trees/\\[id\\]/inspect/inspect.client.tsx': [234],
  'app/(in)/trees/import/import.client.tsx': [228],
  'app/(in)/trees/\\[id\\]/inspect/bark.client.tsx': [222],
  'app/(in)/jobs/mixes/mix.client.tsx': [218],
  'app/(in)/jobs/page.tsx': [214, 377],
  'app/(in)/sites/site.client.tsx': [213, 360],
  'ui/figures/signs.tsx': [200, 561],
  'ui/figures/ribbons.client.tsx': [200, 400],
};

/** The rules of the framework for files with components, those that need React's compiler for files of a browser only. */
function componentRules(part) {
  const compiled = (rule) => /^react-hooks\/(?!rules-of-hooks|exhaustive-deps)/.test(rule);
  const rules = (of) => Object.fromEntries(Object.entries(part.rules).filter(([rule]) => of(rule)));
  return [
    { ...part, files: ['{app,ui}/**/*.{ts,tsx}'], rules: rules((rule) => !compiled(rule)) },
    { files: ['{app,ui}/**/*.client.{ts,tsx}'], rules: rules(compiled) },
  ];
}

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', '**/*.cjs'] },
  // Only pages and what they share hold components. Most rules of hooks run React's compiler over the file: that is kept for
  // files that run in a browser, since a page that is drawn on the server holds no state.
  ...next.flatMap((part) => (part.plugins?.['react-hooks'] ? componentRules(part) : [part])),
  ...ts,
  {
    // Knowledge is prose about trees: what is laid there are eggs.
    ignores: ['knowledge/**', 'bin/setup/banned-words.mjs', 'bin/setup/words.test.ts', 'core/phone/command-names.ts'],
    plugins: { elmhorn: { rules: { words } } },
    rules: { 'elmhorn/words': 'error' },
  },
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
    rules: { ...lines(200), 'max-lines': ['error', { max: 350, skipBlankLines: true, skipComments: true }] },
  },
  { files: ['{core,lib,facts,commands,views,store,stand-ins}/**'], ignores: ['**/*.test.*'], rules: lines(80) },
  // One clock, which tests and the demo can set; what works things out is told what time it is, and can be asked of any day.
  {
    files: ['{app,core,lib,facts,knowledge,commands,views,store,stand-ins,ui,demo,e2e}/**'],
    ignores: ['**/*.test.*', 'store/clock.ts', 'ui/clock.client.ts', 'e2e/clock.ts'],
    rules: { 'no-restricted-syntax': ['error', ...NESTED, ...LOCAL, ...NOW] },
  },
  {
    files: ['{app,ui}/**/*.tsx'],
    ignores: ['**/*.test.*', 'ui/controls/input.client.tsx'],
    rules: { 'no-restricted-syntax': ['error', ...NESTED, ...LOCAL, ...NOW, ...EARLY] },
  },
  ...Object.entries(LONG).map(([max, files]) => ({ files, ignores: ['**/*.test.*'], rules: lines(Number(max)) })),
  ...Object.entries(LONG_PAGES).map(([file, [most, whole = 350]]) => ({
    files: [file],
    rules: { ...lines(most), 'max-lines': ['error', { max: whole, skipBlankLines: true, skipComments: true }] },
  })),
];
export default config;
