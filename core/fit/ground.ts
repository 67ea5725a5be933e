import { heightOn, Sums, type Flat } from './flat'
import { quantileOf, type Survey } from './survey'

/** Ground is looked for as the lowest of squares this wide, m. */
const squareM = 4
/** What lies within this of the ground is ground, m. */
const nearM = 0.35
const rounds = 6

/** The ground around a house as a plane: as it is known, else through the lowest cells, those that stand over it left out bit by bit. */
export function groundUnder(survey: Survey): Flat {
  if (survey.grid.ground) return survey.grid.ground
  const squares = new Map<string, number[]>()
  survey.inside.forEach((isIn, k) => {
    if (isIn || Number.isNaN(survey.z[k])) return
    const key = `${Math.floor((survey.x[k] ?? 0) / squareM)} ${Math.floor((survey.y[k] ?? 0) / squareM)}`
    const list = squares.get(key)
    if (list) list.push(k)
    else squares.set(key, [k])
  })
  const low = [...squares.values()].flatMap((cells) => {
    const lowM = quantileOf(
      cells.map((k) => survey.z[k] ?? 0),
      0.15,
    )
    return cells.filter((k) => (survey.z[k] ?? 0) <= lowM)
  })
  const level = quantileOf(
    low.map((k) => survey.z[k] ?? 0),
    0.3,
  )
  let flat: Flat = { a: 0, b: 0, c: low.length > 0 ? level : 0 }
  const all = [...squares.values()].flat()
  for (let round = 0; round < rounds; round++) {
    const sums = new Sums()
    // First the lowest alone, then everything near to what they say.
    const withinM = round < 3 ? 1.5 / (round + 1) : nearM
    for (const k of round < 3 ? low : all) {
      const off = (survey.z[k] ?? 0) - heightOn(flat, survey.x[k] ?? 0, survey.y[k] ?? 0)
      if (Math.abs(off) < withinM) sums.add(survey.x[k] ?? 0, survey.y[k] ?? 0, survey.z[k] ?? 0)
    }
    if (sums.n < 12) break
    flat = sums.flat() ?? flat
  }
  return flat
}
