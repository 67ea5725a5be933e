const isSeries = (value: object): value is Float32Array | Uint8Array => ArrayBuffer.isView(value)

function equalSeries(a: Float32Array | Uint8Array, b: Float32Array | Uint8Array): boolean {
  if (a.BYTES_PER_ELEMENT !== b.BYTES_PER_ELEMENT || a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}

/**
 * The new value, with every part that has not changed taken from the one before: whoever draws a part can see at once
 * that there is nothing new to draw.
 * @param after is taken over: its parts are replaced in place, for it comes from a message and is nobody else's
 */
export function shareEqual<T>(before: unknown, after: T): T {
  if (before === after || typeof before !== 'object' || typeof after !== 'object') return after
  if (before === null || after === null || Array.isArray(before) !== Array.isArray(after)) return after
  if (isSeries(after)) return isSeries(before) && equalSeries(before, after) ? (before as T) : after
  const old = before as Readonly<Record<string, unknown>>
  const now = after as Record<string, unknown>
  const names = Object.keys(now)
  let same = names.length === Object.keys(old).length
  for (const name of names) {
    const value = shareEqual(old[name], now[name])
    if (value !== now[name]) now[name] = value
    if (value !== old[name] || !Object.hasOwn(old, name)) same = false
  }
  return same ? (before as T) : after
}
