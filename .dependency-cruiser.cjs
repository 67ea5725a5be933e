/**
 * Imports point one way: app -> bench, proposal, server; those, workers and cli -> services, stage, charts, words -> core;
 * core -> nothing of ours. The made-up world is met by its interface alone.
 */
const test = '\\.test\\.tsx?$'

/** What is there for tests alone. */
const forTests =
  '^(town/testing|core/stages/(edits|all-stages)|core/kinds/vary|core/shade/reference|core/energy/series-reference|server/testing|bench/tools/testing|(core/imports/model|core/load/meter|core/battery|core/weather)/testing|words/refusal)\\.ts$'

/** Parts that import only what stands before them. */
const oneWay = (name, from, order) =>
  order.slice(0, -1).map((part, index) => ({
    name: `${name}-${part.replaceAll(/\W+/g, '-')}-imports-downward`,
    comment: `${name}: each part imports only those that stand before it`,
    severity: 'error',
    from: { path: `^${from}(${part})(/|$|\\.)`, pathNot: [test, forTests] },
    to: { path: `^${from}(${order.slice(index + 1).join('|')})(/|$|\\.)` },
  }))

const core = [
  'model',
  'geometry',
  'roof',
  'sun',
  'layout',
  'kinds',
  'site',
  'heights',
  'fit',
  'weather',
  'shade',
  'electrical',
  'energy',
  'load',
  'tariff',
  'battery',
  'finance',
  'drawing',
  'graph',
  'stages',
  'readers',
]

const bench = [
  'store',
  'stations|live|tools',
  'context|requests|checks|sheet|make-tool-context|use-tool-context|live-link',
  'fields',
  'card',
  'kinds',
  'cards',
  'outline|ledger|carpet|charts|commands|estimate|accounts|jobs|saving|stage|weather|year|toasts|sheets',
  'top-bar',
  'open-bench|bench',
]

const ours = 'app|bench|charts|cli|core|proposal|samples|scripts|server|services|stage|town|words|workers'
/** A folder may import itself and these. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: `^${from}/`, pathNot: [test, forTests] },
  to: { path: `^(${ours})/`, pathNot: `^(${[from, ...allowed].join('|')})/` },
})

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: { pathNot: test }, to: { circular: true } },
    only('core-stands-alone', 'core', []),
    {
      name: 'core-is-pure',
      comment: 'no interface, database, 3D library or words in the core',
      severity: 'error',
      from: { path: '^core/', pathNot: test },
      to: {
        path: 'node_modules/(react|react-dom|next|three|mysql2|zustand|apexcharts|pino|playwright-core|intl-messageformat)/',
      },
    },
    only('words-speak-of-the-core', 'words', ['core']),
    only('services-speak-of-the-core', 'services', ['core']),
    only('town-speaks-of-the-core', 'town', ['core']),
    only('stage-draws-the-core', 'stage', ['core']),
    only('charts-write-words', 'charts', ['core', 'words', 'stage']),
    only('workers-compute', 'workers', ['core', 'services']),
    only('command-line', 'cli', ['core', 'services', 'words', 'town/practice']),
    only('server-not-interface', 'server', ['core', 'services', 'words', 'proposal']),
    only('proposal-not-bench', 'proposal', ['core', 'words', 'stage', 'charts']),
    only('bench-not-server', 'bench', [
      'core',
      'services',
      'words',
      'stage',
      'charts',
      'workers',
      'proposal',
    ]),
    {
      name: 'the-world-by-its-interface',
      comment:
        'only the route that stands in for the world, the command that writes houses to practise on, its own files and tests know the made-up one',
      severity: 'error',
      from: { pathNot: [`^(town/|app/world/|cli/commands/town\\.ts$|scripts/bench-)`, test, forTests] },
      to: { path: '^town/' },
    },
    {
      name: 'for-tests-alone',
      severity: 'error',
      from: { pathNot: [test, forTests, '^scripts/'] },
      to: { path: forTests },
    },
    ...oneWay('core', 'core/', core),
    ...oneWay('bench', 'bench/', bench),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'] },
  },
}
