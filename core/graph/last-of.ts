/**
 * Keeps what was computed last, for whoever asks for the same right after.
 * @returns a function that computes anew unless every part is the very one of the time before
 */
export function lastOf<T>(): (parts: readonly unknown[], compute: () => T) => T {
  let last: { readonly parts: readonly unknown[]; readonly value: T } | null = null
  return (parts, compute) => {
    const isSame =
      last?.parts.length === parts.length && last.parts.every((part, k) => Object.is(part, parts[k]))
    if (!last || !isSame) last = { parts, value: compute() }
    return last.value
  }
}
