/** Arrows of the house. Each room may look only at rooms below it; see docs/architecture.md. */
const CORE_ROOMS = [
  'errors',
  'units',
  'numeric',
  'colour',
  'arrange',
  'geometry',
  'fold',
  'shape',
  'sheet',
  'card',
  'paper',
  'design',
  'batch',
  'cut',
  'time',
  'run',
  'plan',
]

const below = CORE_ROOMS.map((room, index) => ({
  name: `core-${room}-looks-down`,
  comment: `core/${room} may import only from the core rooms before it`,
  severity: 'error',
  from: { path: `^src/core/${room}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^src/core/', pathNot: `^src/core/(${CORE_ROOMS.slice(0, index + 1).join('|')})/` },
}))

const layer = (name, from, forbidden) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: forbidden },
})

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
    ...below,
    {
      name: 'core-rooms-meet-at-index',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/[^/]+/.+', pathNot: ['^src/core/$1/', '^src/core/[^/]+/index\\.ts$'] },
    },
    layer(
      'core-is-pure',
      '^src/core/',
      '^(src/(?!core/)|node_modules/(react|next|kysely|zod|libsql|luxon)/)',
    ),
    layer('schema-looks-down', '^src/schema/', '^src/(formats|data|flows|workers|ui|app|access)/'),
    layer(
      'devices-look-down',
      '^src/devices/',
      '^src/(schema|formats|solvers|data|flows|workers|ui|app|access)/',
    ),
    layer('solvers-look-down', '^src/solvers/', '^src/(schema|formats|data|flows|workers|ui|app|access)/'),
    layer('pool-looks-down', '^src/pool/', '^src/(schema|data|flows|workers|ui|app|access)/'),
    layer('formats-look-down', '^src/formats/', '^src/(pool|data|flows|workers|ui|app|access)/'),
    layer('data-looks-down', '^src/data/', '^src/(schema|formats|solvers|flows|workers|ui|app|access)/'),
    layer('access-looks-down', '^src/access/', '^src/(core|schema|formats|data|flows|workers|ui|app)/'),
    layer('flows-look-down', '^src/flows/', '^src/(workers|ui|app)/'),
    {
      name: 'deeds-do-not-read-views',
      comment:
        'what deeds and pages both need stands beside them in src/flows; src/flows/read only shapes it for pages',
      severity: 'error',
      from: { path: '^src/flows/(deeds/|[^/]+\\.ts$)', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/flows/read/' },
    },
    layer('workers-look-down', '^src/workers/', '^src/(data|flows|ui|app|access)/'),
    {
      name: 'ui-takes-only-types-from-flows-and-data',
      comment: 'components are given what they show; they never read or write by themselves',
      severity: 'error',
      from: { path: '^src/ui/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/(flows|data|access)/', dependencyTypesNot: ['type-only'] },
    },
    layer('ui-looks-down', '^src/ui/', '^src/app/'),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '\\.next/' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
