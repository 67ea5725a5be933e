import { type LineId } from '../model/ledger'
import { type Carpet } from '../stages/carpet'
import { type RunSummary } from './summary'

/** Where the energy of a year comes from and goes to, whole kWh; all of it adds up to the lines of the ledger. */
export interface EnergyFlow {
  readonly yield: number
  readonly consumption: number
  readonly bought: number
  readonly sold: number
  readonly curtailed: number
  readonly batteryLost: number
  /** Of the yield. */
  readonly sunToHouse: number
  readonly sunToBattery: number
  readonly sunToGrid: number
  readonly gridToHouse: number
  readonly gridToBattery: number
  readonly batteryToHouse: number
  readonly batteryToGrid: number
}

/** What of the grid's energy goes into the battery, and of the battery's out to the grid; and of the sun straight into the house. */
export function splitFlows({
  yield: made,
  load,
  charged,
  discharged,
  sold,
}: Pick<Carpet, 'yield' | 'load' | 'charged' | 'discharged' | 'sold'>): {
  readonly direct: number
  readonly gridToBattery: number
  readonly batteryToGrid: number
} {
  let [direct, gridToBattery, batteryToGrid] = [0, 0, 0]
  for (let i = 0; i < made.length; i++) {
    const own = Math.min(made[i] as number, load[i] as number)
    const spare = Math.max(0, (made[i] as number) - own)
    const fromSun = Math.min(charged[i] as number, spare)
    direct += own
    gridToBattery += (charged[i] as number) - fromSun
    // The sun goes out before the battery does.
    batteryToGrid += Math.min(discharged[i] as number, Math.max(0, (sold[i] as number) - (spare - fromSun)))
  }
  return { direct, gridToBattery, batteryToGrid }
}

/**
 * The flows of a year behind the ledger's lines: sums are the ledger's whole figures, and what is split is split so that
 * each node gives as much as it takes.
 * @returns null where nothing is laid, and so nothing flows but what is bought
 */
export function energyFlow({ ledger, carpet }: Pick<RunSummary, 'ledger' | 'carpet'>): EnergyFlow | null {
  const shown = (id: LineId) => ledger.find((line) => line.id === id)?.shown ?? null
  const [made, consumption, bought, sold] = [
    shown('yield'),
    shown('consumption'),
    shown('bought'),
    shown('sold'),
  ]
  if (made === null || consumption === null || bought === null || sold === null || made <= 0) return null
  const curtailed = Math.abs(shown('curtailed') ?? 0)
  const batteryLost = Math.abs(shown('battery-loss') ?? 0)
  const hasBattery = carpet.charged.some((kwh) => kwh > 0)
  const { direct, gridToBattery, batteryToGrid } = splitFlows(carpet)
  const intoBattery = hasBattery ? Math.min(bought, Math.round(gridToBattery)) : 0
  const outOfBattery = hasBattery ? Math.min(sold, Math.round(batteryToGrid)) : 0
  // The house takes no more than it uses: what is bought over that is drawn by the battery itself.
  const gridToHouse = Math.min(bought - intoBattery, consumption)
  const sunToGrid = sold - outOfBattery
  // Neither the house nor the battery takes less than nothing.
  const sunToHouse = hasBattery
    ? Math.max(0, Math.min(Math.round(direct), consumption - gridToHouse, made - sunToGrid - curtailed))
    : consumption - gridToHouse
  return {
    yield: made,
    consumption,
    bought,
    sold,
    curtailed,
    batteryLost,
    sunToHouse,
    sunToBattery: made - sunToHouse - sunToGrid - curtailed,
    sunToGrid,
    gridToHouse,
    gridToBattery: bought - gridToHouse,
    batteryToHouse: consumption - sunToHouse - gridToHouse,
    batteryToGrid: outOfBattery,
  }
}
