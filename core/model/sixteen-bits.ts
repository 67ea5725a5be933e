/** Whole numbers of 0 to 65,535 as documents keep them: 16 bits each, low byte first, in base 64. */
export function packed(values: ArrayLike<number>): string {
  let text = ''
  for (let i = 0; i < values.length; i++) {
    const value = values[i] ?? 0
    text += String.fromCharCode(value & 0xff, value >> 8)
  }
  return btoa(text)
}

/** The same back; half a number at the end is left out. */
export function unpacked(kept: string): Uint16Array {
  const text = atob(kept)
  return Uint16Array.from(
    { length: text.length >> 1 },
    (_, i) => text.charCodeAt(2 * i) | (text.charCodeAt(2 * i + 1) << 8),
  )
}
