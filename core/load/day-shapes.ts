import { type LoadShape } from '../kinds/load/load'

/**
 * Archetype days: relative power by local clock hour, weekday and weekend, and relative energy by month (January first,
 * north of the equator). Made-up shapes in the manner of published household profiles: only their proportions matter,
 * the customer's total sets the height.
 */
export interface DayShape {
  readonly weekday: readonly number[]
  readonly weekend: readonly number[]
  readonly months: readonly number[]
}

const summerAir = [1.02, 0.95, 0.88, 0.8, 0.84, 1.05, 1.3, 1.28, 1.05, 0.86, 0.9, 1.05]
const winterHeat = [1.6, 1.45, 1.2, 0.9, 0.7, 0.7, 0.8, 0.78, 0.68, 0.82, 1.12, 1.5]

export const dayShapes: Readonly<Record<Exclude<LoadShape, 'meter'>, DayShape>> = {
  evening: {
    weekday: [
      40, 35, 33, 32, 33, 40, 65, 80, 62, 45, 40, 40, 42, 42, 44, 52, 72, 100, 120, 124, 116, 98, 76, 54,
    ],
    weekend: [
      44, 38, 35, 34, 34, 38, 48, 65, 82, 88, 86, 84, 86, 82, 78, 80, 90, 106, 118, 120, 112, 96, 78, 58,
    ],
    months: summerAir,
  },
  'at-home': {
    weekday: [
      42, 37, 35, 34, 35, 42, 62, 82, 88, 86, 84, 86, 92, 86, 82, 82, 90, 104, 112, 110, 102, 88, 70, 54,
    ],
    weekend: [
      44, 39, 36, 35, 35, 40, 52, 70, 86, 92, 90, 88, 92, 88, 84, 84, 92, 104, 112, 112, 104, 90, 74, 56,
    ],
    months: summerAir,
  },
  'all-electric': {
    weekday: [
      68, 66, 66, 68, 74, 92, 118, 120, 98, 82, 74, 70, 68, 66, 68, 76, 92, 116, 128, 124, 114, 100, 86, 74,
    ],
    weekend: [
      72, 70, 68, 68, 72, 80, 96, 110, 112, 104, 96, 90, 88, 84, 84, 88, 98, 114, 124, 122, 112, 100, 88, 78,
    ],
    months: winterHeat,
  },
  'night-car': {
    weekday: [
      150, 152, 148, 120, 62, 42, 62, 78, 60, 44, 40, 40, 42, 42, 44, 52, 70, 96, 114, 116, 108, 92, 88, 130,
    ],
    weekend: [
      120, 122, 118, 96, 52, 40, 48, 64, 80, 86, 84, 82, 84, 80, 76, 78, 88, 102, 112, 114, 106, 92, 84, 104,
    ],
    months: summerAir,
  },
}
