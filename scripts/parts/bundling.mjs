import { inRoot, root } from './folders.mjs'

/** How our sources are bundled for Node; packages stay where they are. */
export const forNode = {
  absWorkingDir: root,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  tsconfig: inRoot('tsconfig.json'),
  logLevel: 'warning',
}
