/** Which part of the application may look at which: app → ui, server → contract → core, never back. */
const never = (name, from, to, comment) => ({ name, severity: 'error', comment, from, to });

/** The server from the ground up; whoever stands on a line may look at it and at all before it, never at one behind. */
const SERVER = [
  [
    'clock',
    'zone',
    'words',
    'refusal',
    'storage-fault',
    'body',
    'house-clock',
    'serving',
    'checked',
    'environment',
    'folder-check',
    'secret',
    'shallow',
    'installation',
    'tokens',
    'database',
    'outside',
    'rights',
  ],
  ['reading'],
  ['door', 'files'],
  ...[
    'accounts',
    'firm',
    'news',
    'visits',
    'schedule',
    'sequence',
    'sites',
    'quantities',
    'layout',
    'selections',
    'purchasing',
    'scope',
    'money',
    'assemblies',
    'walks',
  ].map((subject) => [subject]),
  ['plan'],
  ['views'],
  ['public', 'papers'],
  ['archive', 'backup', 'erasure'],
  ['dispatch'],
  ['advice'],
  ['threads', 'polls'],
  ['open-installation', 'folder-lock', 'new-secret', 'front', 'access', 'http', 'route'],
];
const inServer = (names) => `^src/server/(${names.join('|')})(/|\\.)`;
const upward = SERVER.slice(0, -1).map((names, at) =>
  never(
    `server-${names[0]}-below`,
    { path: inServer(names) },
    { path: inServer(SERVER.slice(at + 1).flat()) },
    'readings, then the door, the subjects, the plan, the views, the papers and public pages, and what dispatches to all',
  ),
);
/** A part of the server that has no place yet is given one above. */
const placed = never(
  'server-placed',
  { path: '^src/server/', pathNot: inServer(SERVER.flat()) },
  {},
  'a new folder of the server is put on its line in SERVER',
);

module.exports = {
  forbidden: [
    never(
      'no-circles',
      {},
      { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
      'two files that need each other are one subject, or hide a third',
    ),
    never(
      'core-alone',
      { path: '^src/core' },
      { path: '^src/', pathNot: '^src/core' },
      'the core knows the work and nothing else of the application',
    ),
    never(
      'core-pure',
      { path: '^src/core', pathNot: '\\.test\\.tsx?$' },
      { dependencyTypes: ['core'] },
      'the core has no Node modules',
    ),
    never(
      'core-plain',
      { path: '^src/core' },
      { path: 'node_modules/(react|next|better-sqlite3|dexie)' },
      'the core has no interface and no storage',
    ),
    never(
      'contract-down',
      { path: '^src/contract' },
      { path: '^src/', pathNot: '^src/(contract|core)' },
      'the contract looks only at the core',
    ),
    never(
      'server-down',
      { path: '^src/server' },
      { path: '^src/(ui|app|workers)' },
      'the server carries, it does not draw',
    ),
    ...upward,
    placed,
    never(
      'views-plain',
      { path: '^src/server/(views|papers)/' },
      { path: '^src/server/database/query' },
      'a view is made from readings; it asks no table',
    ),
    never(
      'outside-by-its-port',
      { path: '^src/server', pathNot: '^src/server/(open-installation\\.ts|outside/simulated)' },
      { path: '^src/server/outside/simulated' },
      'whoever needs the world outside asks its port; only the installation chooses who answers',
    ),
    never('ui-down', { path: '^src/ui' }, { path: '^src/(server|app|workers)' }, 'the browser never reaches the file'),
    never(
      'public-light',
      { path: '^src/ui/public' },
      {
        path: '^src/(contract/commands|ui/kit/form[.])|node_modules/(react-bootstrap|react-hook-form|yup)/',
        dependencyTypesNot: ['type-only'],
      },
      'a page for somebody outside is sent no schema and no library of forms: they wait for it on a phone',
    ),
    never('workers-thin', { path: '^src/workers' }, { path: '^src/(ui|app)' }, 'threads call the core and the server'),
    never('nothing-from-app', { path: '^src/(?!app)' }, { path: '^src/app' }, 'routes are the top'),
    never(
      'no-tests',
      { path: '^src', pathNot: '\\.test\\.tsx?$' },
      { path: '(\\.test\\.tsx?$|^tests|^demo|^bench)' },
      'the application does not need its tests or its demo',
    ),
    never('resolves', {}, { couldNotResolve: true }, 'an import that leads nowhere'),
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.(scss|svg)$' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
