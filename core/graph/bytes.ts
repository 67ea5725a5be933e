/** Rough costs of what is not a long series. */
const objectBytes = 32
const slotBytes = 16

/**
 * About how much memory a result holds: long series by their length, everything else by rule of thumb. What several
 * results share is counted with each.
 */
export function bytesOf(value: unknown): number {
  if (typeof value === 'string') return 2 * value.length
  if (typeof value !== 'object' || value === null) return 0
  if (ArrayBuffer.isView(value)) return objectBytes + value.byteLength
  const entries =
    value instanceof Map || value instanceof Set
      ? [...value.values()]
      : Array.isArray(value)
        ? value
        : Object.values(value)
  let sum = objectBytes + slotBytes * entries.length
  for (const entry of entries)
    if (typeof entry === 'object' || typeof entry === 'string') sum += bytesOf(entry)
  return sum
}
