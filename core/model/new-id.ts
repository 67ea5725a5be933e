/** A new id: the prefix and eight letters and digits from the random numbers given (each 0..1). */
export function newId(prefix: string, random: () => number): string {
  let tail = ''
  for (let i = 0; i < 8; i++) tail += Math.floor(random() * 36).toString(36)
  return `${prefix}-${tail}`
}
