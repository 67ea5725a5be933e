/** What stands in the text for a value that carries a key of its own. */
export type StandIn = (value: object) => string | null
const none: StandIn = () => null

/**
 * A digest of a JSON value, 106 bits as text: two runs of a 53-bit multiply-xor hash with different seeds over the
 * canonical text (keys sorted). Not for secrets; for telling whether a stage's inputs are the same.
 * @throws RangeError for what is not plain data
 */
export function digest(value: unknown, standIn: StandIn = none): string {
  const text = canonical(value, standIn)
  return hash53(text, 0x9e3779b9).toString(36) + hash53(text, 0x85ebca6b).toString(36)
}

/** JSON with sorted keys, so that equal values give equal text. */
export function canonical(value: unknown, standIn: StandIn = none): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null'
  const key = standIn(value)
  if (key !== null) return `<${key}>`
  if (Array.isArray(value)) {
    let text = '['
    for (let i = 0; i < value.length; i++) text += (i > 0 ? ',' : '') + canonical(value[i], standIn)
    return text + ']'
  }
  // Long series would be digested number by number, and maps as nothing at all: both come with a key or not at all.
  if (ArrayBuffer.isView(value) || value instanceof Map || value instanceof Set)
    throw new RangeError('only plain data has a digest')
  let text = '{'
  for (const name of Object.keys(value).sort()) {
    const entry = (value as Record<string, unknown>)[name]
    if (entry !== undefined)
      text += (text.length > 1 ? ',' : '') + JSON.stringify(name) + ':' + canonical(entry, standIn)
  }
  return text + '}'
}

function hash53(text: string, seed: number): number {
  let a = 0xdeadbeef ^ seed
  let b = 0x41c6ce57 ^ seed
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    a = Math.imul(a ^ code, 2654435761)
    b = Math.imul(b ^ code, 1597334677)
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909)
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909)
  return 4294967296 * (2097151 & b) + (a >>> 0)
}
