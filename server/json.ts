import { Fault } from '@/core/model/fault'

/** Where a value holds half of a character, which no database keeps; null when all text is whole. */
function brokenText(value: unknown, path: string): string | null {
  if (typeof value === 'string') return value.isWellFormed() ? null : path
  if (typeof value !== 'object' || value === null) return null
  for (const [key, part] of Object.entries(value)) {
    const found = key.isWellFormed() ? brokenText(part, path ? `${path}.${key}` : key) : path
    if (found !== null) return found
  }
  return null
}

/**
 * A body as JSON whose text is whole throughout.
 * @throws Fault `not-json`, `broken-text` with the path
 */
export function jsonOf(bytes: Uint8Array): unknown {
  let value: unknown
  try {
    value = JSON.parse(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('utf8'))
  } catch (error) {
    if (error instanceof SyntaxError) throw new Fault('not-json', { file: 'body', detail: error.message })
    throw error
  }
  const path = brokenText(value, '')
  if (path !== null) throw new Fault('broken-text', { at: path === '' ? 'none' : path }, path)
  return value
}
