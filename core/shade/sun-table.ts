import { toRadians } from '../model/units'
import { type SunHours } from '../sun/sun-hours'

/**
 * Directions of the sun that a year's are interpolated between: declinations by hour angles. Each entry of `SunHours` is
 * made of the nodes around the sun's way through it; their parts sum to 1.
 */
export interface SunTable {
  /** Towards the sun; three numbers a node: east, north, up. */
  readonly direction: Float64Array
  /** Where the nodes of each entry begin; one more than entries. */
  readonly starts: Int32Array
  readonly node: Int32Array
  readonly part: Float64Array
}

/** Declinations, evenly by the angle of the day; the hour angle from one to the next. */
const declinations = 25
const hourStepDeg = 5
const obliquityDeg = 23.45
/** Nodes lower than this are taken at this height: what is on the horizon goes on below it. */
const lowestSine = 1e-3

/**
 * @param sun whose entries are to be interpolated
 * @param fine the same year in shorter intervals, a whole number of them to each of `sun`; each stands for its share
 */
export function sunTable(latitudeDeg: number, sun: SunHours, fine: SunHours): SunTable {
  const [sinLatitude, cosLatitude] = [Math.sin(toRadians(latitudeDeg)), Math.cos(toRadians(latitudeDeg))]
  const hours = 360 / hourStepDeg
  const per = sun.stepMinutes / fine.stepMinutes
  const nodeOf = new Map<number, number>()
  const nodeAt = (line: number, hour: number) => {
    const key = line * hours + (hour % hours)
    const known = nodeOf.get(key) ?? nodeOf.size
    nodeOf.set(key, known)
    return known
  }
  /** Parts of the nodes of each entry. */
  const parts = Array.from(sun.interval, () => new Map<number, number>())
  let entry = 0
  const add = (node: number, part: number) => {
    const own = parts[entry]
    if (part > 0) own?.set(node, (own.get(node) ?? 0) + part)
  }
  for (let k = 0; k < fine.interval.length; k++) {
    const interval = Math.floor((fine.interval[k] as number) / per)
    while (entry < sun.interval.length && (sun.interval[entry] as number) < interval) entry++
    if (sun.interval[entry] !== interval) continue
    const part = fine.upShare[k] as number
    const east = fine.direction[k * 3] as number
    const north = fine.direction[k * 3 + 1] as number
    const up = fine.direction[k * 3 + 2] as number
    // Towards the pole, and towards where the equator meets the meridian.
    const pole = north * cosLatitude + up * sinLatitude
    const meridian = up * cosLatitude - north * sinLatitude
    const sine = Math.max(-1, Math.min(1, pole / Math.sin(toRadians(obliquityDeg))))
    const line = (Math.asin(sine) / Math.PI + 0.5) * (declinations - 1)
    const hour = ((Math.atan2(-east, meridian) / (2 * Math.PI)) * hours + hours) % hours
    const lowLine = Math.min(declinations - 2, Math.floor(line))
    const lowHour = Math.floor(hour)
    const [a, b] = [line - lowLine, hour - lowHour]
    add(nodeAt(lowLine, lowHour), part * (1 - a) * (1 - b))
    add(nodeAt(lowLine, lowHour + 1), part * (1 - a) * b)
    add(nodeAt(lowLine + 1, lowHour), part * a * (1 - b))
    add(nodeAt(lowLine + 1, lowHour + 1), part * a * b)
  }
  const direction = new Float64Array(3 * nodeOf.size)
  for (const [key, node] of nodeOf) {
    const turn = (Math.floor(key / hours) / (declinations - 1) - 0.5) * Math.PI
    const pole = Math.sin(turn) * Math.sin(toRadians(obliquityDeg))
    const level = Math.sqrt(1 - pole * pole)
    const angle = toRadians((key % hours) * hourStepDeg)
    const meridian = level * Math.cos(angle)
    const east = -level * Math.sin(angle)
    const north = pole * cosLatitude - meridian * sinLatitude
    const up = pole * sinLatitude + meridian * cosLatitude
    direction.set(lifted(east, north, up), 3 * node)
  }
  const starts = new Int32Array(parts.length + 1)
  parts.forEach((own, at) => {
    starts[at + 1] = (starts[at] as number) + own.size
  })
  return {
    direction,
    starts,
    node: Int32Array.from(parts.flatMap((own) => [...own.keys()])),
    part: Float64Array.from(
      parts.flatMap((own) => {
        const all = [...own.values()].reduce((sum, part) => sum + part, 0)
        return [...own.values()].map((part) => part / all)
      }),
    ),
  }
}

function lifted(east: number, north: number, up: number): [number, number, number] {
  if (up >= lowestSine) return [east, north, up]
  const level = Math.sqrt(1 - lowestSine * lowestSine) / Math.hypot(east, north)
  return [east * level, north * level, lowestSine]
}
