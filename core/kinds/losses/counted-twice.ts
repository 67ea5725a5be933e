/** What the chain computes itself, by the words people use for it. */
const computed = [
  [/shad(e|ing|ow)|horizon|obstruct/, 'shade'],
  [/mis-?match/, 'mismatch'],
  [/clip|overload|curtail/, 'clipping'],
  [/temperat|heat|thermal/, 'heat'],
  [/reflect|incidence|\biam\b|angular/, 'reflection'],
  [/low.?light|irradiance level/, 'low-light'],
  [/inverter|dc.?to.?ac|conversion/, 'inverter'],
] as const

/** Modules of one type differ among themselves: that is not the mismatch of unlike light, and nothing computes it. */
const ofTheirOwn = /manufactur|flash.?test|sorting/

/** The model that a loss of this name would count a second time; null when there is none. */
export function countedTwice(name: string): (typeof computed)[number][1] | null {
  const text = name.toLowerCase()
  if (ofTheirOwn.test(text)) return null
  return computed.find(([words]) => words.test(text))?.[1] ?? null
}
