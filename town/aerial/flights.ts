import { type Vec2 } from '@/core/geometry/vector'
import { modelYear } from '@/core/model/model-year'
import { sunAtClock } from '@/core/sun/local-sun'
import { sunDirection } from '@/core/sun/position'
import { type Town } from '../towns'
import { type LowSun } from './shadows'

/** One flight over a town: when its pictures were taken, and how. */
export interface AerialFlight {
  readonly id: string
  /** By the local clock. */
  readonly taken: {
    readonly year: number
    readonly month: number
    readonly day: number
    readonly hour: number
    readonly minute: number
  }
  /** Whether trees that shed their leaves had shed them. */
  readonly bare: boolean
  /** How far east and north a thing a metre tall is displaced, m: nothing from straight above. */
  readonly leanM: Vec2
}

/** A season later on the other side of the equator. */
const monthAt = (town: Town, month: number) => (town.latitudeDeg < 0 ? ((month + 5) % 12) + 1 : month)

const straight: Vec2 = [0, 0]
/** Seen from the south-east, some 15 degrees from straight above. */
const slanted: Vec2 = [-0.19, 0.19]

/** The flights over a town, the one that is shown unless another is chosen first. */
export const flightsOver = (town: Town): readonly [AerialFlight, ...AerialFlight[]] => {
  const taken = (month: number, day: number, hour: number, minute: number) => ({
    year: modelYear,
    month: monthAt(town, month),
    day,
    hour,
    minute,
  })
  return [
    { id: 'late-spring', taken: taken(5, 14, 10, 40), bare: false, leanM: straight },
    { id: 'early-spring', taken: taken(3, 6, 12, 20), bare: true, leanM: straight },
    { id: 'late-summer', taken: taken(8, 22, 13, 5), bare: false, leanM: slanted },
  ]
}

/** The sun over the pictures of a flight. */
export function sunOver(town: Town, { taken }: AerialFlight): LowSun {
  const { year, month, day, hour, minute } = taken
  const dayOfYear = Math.round((Date.UTC(year, month - 1, day) - Date.UTC(year, 0, 1)) / 86_400_000)
  const [x, y, z] = sunDirection(sunAtClock(town, year, dayOfYear, hour + minute / 60))
  const level = Math.hypot(x, y)
  return { towards: [x / level, y / level], risePerMetre: z / level }
}
