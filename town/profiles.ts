import { gaussian, seededRandom } from '@/core/model/random'

/** A made-up household whose meter was read for a year. */
interface Household {
  readonly id: string
  readonly name: string
  readonly seed: number
  readonly kwhPerYear: number
  /** What never stops, kW. */
  readonly baseKw: number
  /** How much of it is used in each hour, on weekdays and weekends; only proportions count. */
  readonly weekday: readonly number[]
  readonly weekend: readonly number[]
  /** kW for each kelvin under 16 °C, and over 24 °C. */
  readonly heatKwPerK: number
  readonly coolKwPerK: number
  /** Nights a week on which a car is charged, and kW. */
  readonly carNights: number
  readonly carKw: number
  /** Weeks of the year in which nobody is there, from 0. */
  readonly away: readonly number[]
}

const hours = (from: number, to: number, value: number, rest: readonly number[]): number[] =>
  rest.map((own, hour) => (hour >= from && hour < to ? value : own))
const quiet = new Array<number>(24).fill(0.15)
const atWork = hours(6, 8, 1, hours(17, 22, 1.6, quiet))
const athome = hours(7, 22, 0.9, hours(11, 13, 1.5, hours(17, 20, 1.4, quiet)))
const freeDays = hours(8, 23, 0.9, hours(17, 21, 1.4, quiet))

const households: readonly Household[] = [
  {
    id: 'two-at-work',
    name: 'Two people, both at work',
    seed: 41,
    kwhPerYear: 4900,
    baseKw: 0.18,
    weekday: atWork,
    weekend: freeDays,
    heatKwPerK: 0,
    coolKwPerK: 0.05,
    carNights: 0,
    carKw: 0,
    away: [7, 31, 32],
  },
  {
    id: 'family-of-five',
    name: 'Family of five',
    seed: 42,
    kwhPerYear: 8600,
    baseKw: 0.3,
    weekday: hours(6, 9, 1.4, hours(15, 22, 1.7, quiet)),
    weekend: hours(8, 23, 1.3, quiet),
    heatKwPerK: 0.01,
    coolKwPerK: 0.09,
    carNights: 0,
    carKw: 0,
    away: [30],
  },
  {
    id: 'retired',
    name: 'Two people, retired',
    seed: 43,
    kwhPerYear: 6100,
    baseKw: 0.22,
    weekday: athome,
    weekend: athome,
    heatKwPerK: 0.02,
    coolKwPerK: 0.06,
    carNights: 0,
    carKw: 0,
    away: [20, 41],
  },
  {
    id: 'heat-pump',
    name: 'House with a heat pump',
    seed: 44,
    kwhPerYear: 11_800,
    baseKw: 0.28,
    weekday: hours(6, 9, 1.1, hours(16, 22, 1.4, quiet)),
    weekend: freeDays,
    heatKwPerK: 0.16,
    coolKwPerK: 0.08,
    carNights: 0,
    carKw: 0,
    away: [],
  },
  {
    id: 'night-car',
    name: 'Family with a car charged at night',
    seed: 45,
    kwhPerYear: 10_400,
    baseKw: 0.25,
    weekday: atWork,
    weekend: freeDays,
    heatKwPerK: 0,
    coolKwPerK: 0.06,
    carNights: 4,
    carKw: 3.6,
    away: [32],
  },
  {
    id: 'home-office',
    name: 'Two people, one works at home',
    seed: 46,
    kwhPerYear: 7200,
    baseKw: 0.26,
    weekday: hours(8, 18, 0.8, hours(17, 22, 1.5, quiet)),
    weekend: freeDays,
    heatKwPerK: 0.015,
    coolKwPerK: 0.09,
    carNights: 0,
    carKw: 0,
    away: [31],
  },
  {
    id: 'weekends-only',
    name: 'House used on weekends',
    seed: 47,
    kwhPerYear: 2900,
    baseKw: 0.12,
    weekday: new Array<number>(24).fill(0.01),
    weekend: hours(9, 24, 1.6, quiet),
    heatKwPerK: 0.01,
    coolKwPerK: 0.03,
    carNights: 0,
    carKw: 0,
    away: [2, 3, 5, 9, 44, 46, 47],
  },
]

const days = 365
/** A year that begins on a Sunday. */
const year = 2023

/** The households whose meters one may look at. */
export const profileList = households.map(({ id, name, kwhPerYear }) => ({ id, name, kwhPerYear }))

/** kWh of each hour of 2023 in standard time; null for one that is not there. @param southern whether July is cold */
export function profileHours(id: string, southern: boolean): Float64Array | null {
  const household = households.find((one) => one.id === id)
  if (!household) return null
  const random = seededRandom(household.seed)
  const gauss = gaussian(random)
  const kwh = new Float64Array(days * 24)
  let spell = 0
  for (let day = 0; day < days; day++) {
    const season = Math.cos(((day - 20 + (southern ? 182 : 0)) / days) * 2 * Math.PI)
    spell = 0.8 * spell + 2.4 * gauss()
    const weekday = (new Date(Date.UTC(year, 0, 1 + day)).getUTCDay() + 6) % 7
    const rows = weekday >= 5 ? household.weekend : household.weekday
    const isAway = household.away.includes(Math.floor(day / 7))
    const mood = Math.exp(0.25 * gauss())
    const charges = household.carNights > 0 && random() < household.carNights / 7
    for (let hour = 0; hour < 24; hour++) {
      const airC = 11 - 11 * season + 5 * Math.sin(((hour - 9) / 24) * 2 * Math.PI) + spell
      const lived = isAway ? 0 : (rows[hour] ?? 0) * mood * Math.exp(0.45 * gauss() - 0.1)
      // Something large is switched on now and then: a wash, an oven.
      const large = !isAway && random() < 0.07 * (rows[hour] ?? 0) ? 0.6 + 1.6 * random() : 0
      const air =
        household.heatKwPerK * Math.max(0, 16 - airC) +
        (isAway ? 0 : household.coolKwPerK * Math.max(0, airC - 24))
      const car = charges && hour < 5 ? household.carKw : 0
      kwh[day * 24 + hour] = household.baseKw * (1 + 0.15 * gauss()) + 0.45 * lived + large + air + car
    }
  }
  const used = kwh.map((one) => Math.max(0.02, one))
  const scale = household.kwhPerYear / used.reduce((sum, one) => sum + one, 0)
  return used.map((one) => one * scale)
}

/** The same as the file that a meter's portal gives. */
export function profileCsv(id: string, southern: boolean): string | null {
  const kwh = profileHours(id, southern)
  if (!kwh) return null
  const rows = [...kwh].map((one, hour) => {
    const at = new Date(Date.UTC(year, 0, 1) + hour * 3_600_000)
    return `${at.toISOString().slice(0, 16).replace('T', ' ')},${one.toFixed(3)}`
  })
  return ['Time,Consumption (kWh)', ...rows, ''].join('\n')
}
