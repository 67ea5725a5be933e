import { createHash } from 'node:crypto'
import swc from '@swc/jest'

/**
 * @swc/jest, with the globals that a module names bound in it. Jest runs modules in a context whose globals go through
 * interceptors: a `Math.cos` there costs eight times as much as outside, which makes a year of sun
 * positions crawl. `Date` and what else a test may replace by its own is left as it is.
 */
const inner = swc.createTransformer({
  jsc: {
    parser: { syntax: 'typescript', tsx: true },
    target: 'es2022',
    transform: { react: { runtime: 'automatic' } },
  },
  module: { type: 'es6' },
})

const names =
  'Math Number String Boolean BigInt Symbol Object Array Map Set WeakMap WeakSet JSON RegExp Infinity NaN ArrayBuffer DataView ' +
  'Int8Array Uint8Array Uint8ClampedArray Int16Array Uint16Array Int32Array Uint32Array Float32Array Float64Array'

const declaring = `(?:function|class|const|let|var|as|enum|import(?: type)?[^'"]*)`

/** Whether a module uses a global and has nothing of its own by that name. */
const uses = (source, name) =>
  new RegExp(`\\b${name}\\b`).test(source) &&
  !new RegExp(`\\b${declaring}\\s+\\{?\\s*${name}\\b`).test(source)

function bound(source) {
  const used = names.split(' ').filter((name) => uses(source, name))
  return used.length === 0
    ? source
    : `const ${used.map((name) => `${name} = globalThis.${name}`).join(', ')}; ${source}`
}

const transformer = {
  ...inner,
  process: (source, file, options) => inner.process(bound(source), file, options),
  processAsync: (source, file, options) => inner.processAsync(bound(source), file, options),
  getCacheKey: (source, file, options) =>
    createHash('sha256')
      .update(`bound-4 ${inner.getCacheKey?.(source, file, options) ?? source}`)
      .digest('hex'),
}

export default transformer
