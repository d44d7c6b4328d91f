/**
 * Who may use whom. The plan of the house with its reasons stands in docs/architecture.md.
 * A room is a folder: of `server/`, `app/` and `shared/`, the stage of the work and in it the page.
 */
const ROOMS = '(clients|gather|read|compare|plan|report)/'

const rules = [
  {
    name: 'no-circles',
    comment: 'Files that import each other in a loop cannot be understood one by one.',
    from: {},
    to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
  },
  {
    name: 'core-knows-nobody',
    comment: 'The computation is used by everybody and uses nobody.',
    from: { path: '^core/', pathNot: '[.]test[.]ts$' },
    to: { path: '^(app|server|shared|demo|standins|tools|tests|bench)/' },
  },
  {
    name: 'core-without-frameworks',
    comment: 'The core needs no page and no database.',
    from: { path: '^core/', pathNot: '[.]test[.]ts$' },
    to: { path: 'node_modules/(vue|nuxt|h3|mysql2|pinia|primevue|yup)/' },
  },
  {
    name: 'the-contract-knows-no-side',
    comment: 'What both sides say belongs to neither.',
    from: { path: '^shared/' },
    to: { path: '^(app|server|demo|standins)/' },
  },
  {
    name: 'a-page-asks',
    comment: 'A page asks the server; it does not reach into it.',
    from: { path: '^app/' },
    to: { path: '^(server|demo|standins)/|node_modules/mysql2/' },
  },
  {
    name: 'the-server-draws-nothing',
    from: { path: '^server/', pathNot: '[.]test[.]ts$' },
    to: { path: '^(app|demo|standins|tests|bench)/' },
  },
  { name: 'the-outside-knows-no-page', from: { path: '^(standins|demo)/' }, to: { path: '^app/' } },
  {
    name: 'platform-knows-no-page',
    comment: 'What any product would have can be lifted out.',
    from: { path: '^server/platform/', pathNot: '[.]test[.]ts$' },
    to: { path: `^server/(figures|${ROOMS})` },
  },
  {
    name: 'figures-know-no-page',
    comment: 'What several pages ask does not depend on one of them.',
    from: { path: '^server/figures/', pathNot: '[.]test[.]ts$' },
    to: { path: `^server/${ROOMS}` },
  },
  {
    name: 'gather-first',
    comment: 'Gathering knows nothing of what is read or told.',
    from: { path: '^server/gather/', pathNot: '[.]test[.]ts$' },
    to: { path: '^server/(clients|read|compare|plan|report)/' },
  },
  {
    name: 'read-before-told',
    comment: 'Reading knows nothing of reports.',
    from: { path: '^server/read/', pathNot: '[.]test[.]ts$' },
    to: { path: '^server/(clients|gather|compare|plan|report)/' },
  },
  {
    name: 'compared-before-told',
    comment: 'Comparing knows nothing of how it was gathered, of the pages that read, and of reports.',
    from: { path: '^server/compare/', pathNot: '[.]test[.]ts$' },
    to: { path: '^server/(clients|gather|read|plan|report)/' },
  },
  {
    name: 'planned-before-told',
    comment:
      'Planning rests on what is read, and reaches networks by their connectors; it knows no rivals and reports.',
    from: { path: '^server/plan/', pathNot: '[.]test[.]ts$' },
    to: { path: '^server/(clients|gather/(?!connectors)|compare|report)/' },
  },
  {
    name: 'one-way-in-reports',
    comment: 'What is kept of reports and editions does not know how they are made.',
    from: { path: '^server/report/(reports|editions)/', pathNot: '[.]test[.]ts$' },
    to: { path: '^server/(report/(blocks|issuing)|clients)/' },
  },
  {
    name: 'routes-are-the-door',
    comment: 'A room is entered through its use cases, never through a route.',
    from: { path: '^server/(platform|figures|clients|gather|read|compare|plan|report)/' },
    to: { path: '^server/(api|middleware)/' },
  },
  { name: 'figures-of-pages-know-no-page', from: { path: '^app/figures/' }, to: { path: `^app/(pages|${ROOMS})` } },
  { name: 'shell-knows-no-page', from: { path: '^app/platform/' }, to: { path: `^app/(pages|${ROOMS})` } },
]

export default {
  forbidden: rules.map((rule) => ({ severity: 'error', ...rule })),
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(\\.nuxt|\\.output|\\.test-data|\\.data)' },
    tsPreCompilationDeps: 'specify',
    tsConfig: { fileName: 'tsconfig.tools.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.mjs', '.vue', '.js'] },
  },
}
