const isSeries = (value: object): value is Float32Array | Uint8Array => ArrayBuffer.isView(value)

function equalSeries(a: Float32Array | Uint8Array, b: Float32Array | Uint8Array): boolean {
  return (
    a.BYTES_PER_ELEMENT === b.BYTES_PER_ELEMENT &&
    a.length === b.length &&
    a.every((value, i) => value === b[i])
  )
}

/**
 * The new value, with every part that has not changed taken from the one before: whoever draws a part can see at once
 * that there is nothing new to draw.
 */
export function shareEqual<T>(before: unknown, after: T): T {
  if (before === after || typeof before !== 'object' || typeof after !== 'object') return after
  if (before === null || after === null || Array.isArray(before) !== Array.isArray(after)) return after
  if (isSeries(after)) return isSeries(before) && equalSeries(before, after) ? (before as T) : after
  const old = before as Readonly<Record<string, unknown>>
  const now = after as Readonly<Record<string, unknown>>
  const entries = Object.entries(now).map(([name, value]) => [name, shareEqual(old[name], value)] as const)
  const same =
    entries.length === Object.keys(old).length &&
    entries.every(([name, value]) => Object.hasOwn(old, name) && old[name] === value)
  if (same) return before as T
  return (Array.isArray(after) ? entries.map(([, value]) => value) : Object.fromEntries(entries)) as T
}
