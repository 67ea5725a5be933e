import { createHash } from 'node:crypto'
import swc from '@swc/jest'

/**
 * @swc/jest, with `Math` bound in every module. Jest runs modules in a context whose globals go through interceptors:
 * a `Math.cos` there costs eight times as much as outside, which makes a year of sun positions crawl.
 */
const inner = swc.createTransformer({
  jsc: {
    parser: { syntax: 'typescript', tsx: true },
    target: 'es2022',
    transform: { react: { runtime: 'automatic' } },
  },
  module: { type: 'es6' },
})

const bound = (source) => `const Math = globalThis.Math; ${source}`

const transformer = {
  ...inner,
  process: (source, file, options) => inner.process(bound(source), file, options),
  processAsync: (source, file, options) => inner.processAsync(bound(source), file, options),
  getCacheKey: (source, file, options) =>
    createHash('sha256')
      .update(`bound-1 ${inner.getCacheKey?.(source, file, options) ?? source}`)
      .digest('hex'),
}

export default transformer
