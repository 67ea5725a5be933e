/** Imports point one way: app -> bench, proposal, server; those, workers, cli, server, town -> core; core -> nothing of ours. */
const order = [
  'model',
  'geometry',
  'roof',
  'sun',
  'weather',
  'shade',
  'layout',
  'energy',
  'electrical',
  'load',
  'tariff',
  'battery',
  'finance',
  'parts',
  'drawing',
  'formats',
  'pipeline',
]

const downward = order.map((folder, index) => ({
  name: `core-${folder}-imports-downward`,
  comment: 'core folders import only folders that stand before them in the chain',
  severity: 'error',
  from: { path: `^core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^core/(${order.slice(index + 1).join('|') || 'none'})/` },
}))

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(app|bench|proposal|workers|server|town|cli|scripts)/' },
    },
    {
      name: 'core-is-pure',
      comment: 'no interface, database or 3D library in the core',
      severity: 'error',
      from: { path: '^core/' },
      to: {
        path: 'node_modules/(react|react-dom|next|three|mysql2|zustand|apexcharts|pino|playwright-core)/',
      },
    },
    {
      name: 'bench-not-server',
      severity: 'error',
      from: { path: '^(bench|proposal|workers)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(app|server|town|cli)/' },
    },
    {
      name: 'server-not-interface',
      severity: 'error',
      from: { path: '^(server|town|cli)/' },
      to: { path: '^(app|bench|proposal)/' },
    },
    ...downward,
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'] },
  },
}
