// The arrows of docs/architecture.md; nothing points back.
const TESTS = '(\\.test\\.tsx?$|/testing\\.ts$)';
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  // Tests and their helpers may reach for real labels and weather.
  from: { path: from, pathNot: TESTS },
  to: {
    path: '^(app|commands|views|facts|core|lib|knowledge|store|ui|stand-ins|demo|bin|bench|e2e)/',
    pathNot: allowed,
  },
});
/** The rooms of the core, each of which may know those before it: docs/architecture.md tells them in this order. */
const CORE_ROOMS = [
  'measure',
  'weather',
  'season',
  'cost',
  'people',
  'settings',
  'label',
  'diagnose',
  'decide',
  'ring',
  'basin',
  'rootzone',
  'spray',
  'guard',
  'dose',
  'mix',
  'exchange',
  'site-map',
  'gates',
  'work',
  'prescribe',
  'devices',
  'schedule',
  'programmes',
  'quotes',
  'records',
  'crew-day',
  'custom',
  'practice',
  'phone',
  'questions',
];
/** A room of the core knows no room after it, nor one that is not in the list; types count as well. */
const inOrder = CORE_ROOMS.map((room, i) => ({
  name: `core-${room}-knows-what-comes-before`,
  severity: 'error',
  from: { path: `^core/${room}/`, pathNot: TESTS },
  to: { path: '^core/', pathNot: `^core/(${CORE_ROOMS.slice(0, i + 1).join('|')})/` },
}));
module.exports = {
  forbidden: [
    ...inOrder,
    {
      name: 'core-has-no-loose-files',
      severity: 'error',
      from: { path: `^core/(?!(${CORE_ROOMS.join('|')})/)`, pathNot: TESTS },
      to: {},
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    only('core-stands-alone', '^core/', '^(core|lib)/'),
    only('knowledge-knows-core', '^knowledge/', '^(knowledge|core|lib)/'),
    only('ui-knows-core', '^ui/', '^(ui|core|lib)/'),
    only('store-knows-core', '^store/', '^(store|core|lib)/'),
    only('stand-ins-know-core', '^stand-ins/', '^(stand-ins|core|lib)/'),
    only('app-knows-no-scripts', '^app/', '^(app|commands|views|facts|store|core|lib|ui|knowledge|stand-ins)/'),
    only('lib-stands-alone', '^lib/', '^lib/'),
    only('commands-know-facts-and-store', '^commands/', '^(commands|facts|store|core|lib|knowledge)/'),
    only('views-read', '^views/', '^(views|facts|store|core|lib|knowledge)/'),
    {
      name: 'facts-know-no-commands',
      comment: 'What a phone makes of a queued command reads the type of its input, and nothing of what it does.',
      severity: 'error',
      from: { path: '^facts/', pathNot: TESTS },
      to: {
        path: '^(app|commands|views|ui|stand-ins|demo|bin|bench|e2e)/',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'writing-is-a-command',
      comment:
        'An action hands over to a verb; signing in and setting a new password, which make the session, are their own.',
      severity: 'error',
      from: { path: '^app/.*actions\\.ts$', pathNot: '^app/(sign-in|reset)/' },
      to: { path: '^store/', pathNot: '^store/clock\\.ts$' },
    },
    {
      name: 'a-verb-knows-no-page',
      severity: 'error',
      from: { path: '^commands/' },
      to: { dependencyTypes: ['npm', 'npm-dev'], path: 'node_modules/(next|react)' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^(core|lib)/', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core'],
        pathNot: 'node_modules/(zod|date-fns|@date-fns/tz|papaparse|@types/papaparse|minisearch|proj4|@types/proj4)/',
      },
    },
    {
      name: 'no-database-in-the-browser',
      comment: 'Client components never import store; files whose name ends in .client.tsx run in the browser.',
      severity: 'error',
      from: { path: '(\\.client\\.tsx?$|^ui/)' },
      to: { path: '^store/' },
    },
    {
      name: 'not-to-tests',
      severity: 'error',
      from: { pathNot: '(\\.test\\.tsx?$|^e2e/)' },
      to: { path: '\\.test\\.tsx?$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^\\.next/' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
