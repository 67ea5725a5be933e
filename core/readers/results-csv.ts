import { modelYear } from '../model/model-year'
import { lossNames, type LossName } from '../energy/loss-chain'
import { type Carpet } from '../stages/carpet'
import { csvLine, figure, timeIn } from './csv'
import { type RunSummary } from './summary'

/** What the columns of losses are called; programs read them. */
const lossColumns: Readonly<Record<LossName, string>> = {
  reflection: 'reflection',
  shade: 'shade',
  unwired: 'not_wired',
  mismatch: 'mismatch',
  snow: 'snow',
  dirt: 'dirt',
  'low-light': 'low_light',
  heat: 'heat',
  window: 'outside_window',
  optimizers: 'optimizers',
  'light-induced': 'light_induced',
  nameplate: 'nameplate',
  wiring: 'wiring',
  connections: 'connections',
  other: 'other',
  inverter: 'inverter',
  'own-draw': 'inverter_own_draw',
  clipping: 'clipping',
  'ac-cables': 'ac_cables',
  downtime: 'downtime',
}

/**
 * Months as rows: light, every loss, yield, what becomes of it, and bills; kWh and currency. In every row the yield is
 * used, sold, lost in the battery or curtailed (or stored for a later month), and what is used and bought is the load.
 */
export function monthlyCsv(summary: RunSummary): string {
  const { chain, monthly, powerW } = summary
  const losses = lossNames.filter((name) => chain.lost[name].kwh !== 0)
  const header = [
    'month',
    'irradiationKwhM2',
    'sunKwh',
    ...losses.map((name) => `${lossColumns[name]}LostKwh`),
    'yieldKwh',
    'usedKwh',
    'soldKwh',
    'batteryLostKwh',
    'curtailedKwh',
    'boughtKwh',
    'loadKwh',
    'billBefore',
    'billAfter',
    'value',
  ]
  const rows = chain.ac.monthly.map((yieldKwh, m) => {
    const at = (values: readonly number[]) => values[m] ?? 0
    const sun = at(chain.sun.monthly)
    return [
      `${modelYear}-${String(m + 1).padStart(2, '0')}`,
      ...[
        powerW > 0 ? (sun / powerW) * 1000 : 0,
        sun,
        ...losses.map((name) => at(chain.lost[name].monthly)),
        yieldKwh,
        at(monthly.usedKwh),
        at(monthly.soldKwh),
        at(monthly.batteryLostKwh),
        at(monthly.curtailedKwh),
        at(monthly.boughtKwh),
        at(monthly.loadKwh),
        at(monthly.billBefore),
        at(monthly.billAfter),
        at(monthly.billBefore) - at(monthly.billAfter),
      ].map((value) => figure(value)),
    ]
  })
  return `${[header, ...rows].map(csvLine).join('\n')}\n`
}

/** What stands in each column of an interval; kWh, and currency a kWh. */
const hourlyColumns = [
  ['lightOnModulesWm2', 'sun'],
  ['shadeShare', 'shade'],
  ['yieldKwh', 'yield'],
  ['loadKwh', 'load'],
  ['boughtKwh', 'bought'],
  ['soldKwh', 'sold'],
  ['chargedKwh', 'charged'],
  ['dischargedKwh', 'discharged'],
  ['batteryOwnKwh', 'standbyKwh'],
  ['storedKwh', 'battery'],
  ['curtailedKwh', 'curtailed'],
  ['priceNowPerKwh', 'priceNow'],
  ['priceWithSolarPerKwh', 'price'],
] as const satisfies readonly (readonly [string, keyof Carpet])[]

/**
 * Every interval of the year: its beginning in standard time, light on the modules, and what house, battery and grid
 * got. In every row yield, bought and discharged are load, what the battery draws itself, sold, charged and curtailed; a
 * yield below zero is the inverter's own draw.
 * @param timeZoneHours standard time that the intervals are counted in
 */
export function hourlyCsv({ carpet }: Pick<RunSummary, 'carpet'>, timeZoneHours: number): string {
  const header = ['time', ...hourlyColumns.map(([name]) => name)]
  const rows = Array.from(carpet.yield, (_, i) => [
    timeIn(modelYear, i * carpet.stepMinutes, timeZoneHours),
    ...hourlyColumns.map(([, series]) => figure(seriesAt(carpet[series], i))),
  ])
  return `${[header, ...rows].map(csvLine).join('\n')}\n`
}

const seriesAt = (series: ArrayLike<number> | number, i: number): number =>
  typeof series === 'number' ? series : (series[i] ?? 0)
