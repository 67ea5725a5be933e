import { modelYear } from '../model/model-year'
import { lossNames, type LossName } from '../energy/loss-chain'
import { type RunSummary } from './summary'

const line = (cells: readonly (string | number)[]) =>
  cells
    .map((cell) =>
      typeof cell === 'string' && /[",\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell,
    )
    .join(',')

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
  'light-induced': 'light_induced',
  nameplate: 'nameplate',
  wiring: 'wiring',
  connections: 'connections',
  other: 'other',
  inverter: 'inverter',
  clipping: 'clipping',
  downtime: 'downtime',
}

/** Months as rows: light, every loss, yield, use and bills. kWh and currency. */
export function monthlyCsv(summary: RunSummary): string {
  const { chain, monthly, powerW } = summary
  const losses = lossNames.filter((name) => chain.lost[name].kwh !== 0)
  const header = [
    'month',
    'irradiationKwhM2',
    'sunKwh',
    ...losses.map((name) => `${lossColumns[name]}LostKwh`),
    'yieldKwh',
    'loadKwh',
    'usedKwh',
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
        at(monthly.loadKwh),
        at(monthly.usedKwh),
        at(monthly.billBefore),
        at(monthly.billAfter),
        at(monthly.billBefore) - at(monthly.billAfter),
      ].map((value) => value.toFixed(3)),
    ]
  })
  return `${[header, ...rows].map(line).join('\n')}\n`
}

/**
 * Every interval of the year: its beginning in standard time, light on the modules, and what house and grid got.
 * @param timeZoneHours standard time that the intervals are counted in
 */
export function hourlyCsv(summary: RunSummary, timeZoneHours: number): string {
  const { carpet } = summary
  const two = (value: number) => String(value).padStart(2, '0')
  const minutes = Math.round(Math.abs(timeZoneHours) * 60)
  const offset = `${timeZoneHours < 0 ? '-' : '+'}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
  const header = [
    'time',
    'lightOnModulesWm2',
    'shadeShare',
    'yieldKwh',
    'loadKwh',
    'soldLessBoughtKwh',
    'batteryKwh',
    'pricePerKwh',
  ]
  const rows = Array.from(carpet.yield, (yieldKwh, i) => {
    const local = new Date(Date.UTC(modelYear, 0, 1) + i * carpet.stepMinutes * 60_000)
    const values = [
      carpet.sun[i],
      carpet.shade[i],
      yieldKwh,
      carpet.load[i],
      carpet.net[i],
      carpet.battery[i],
      carpet.price[i],
    ]
    return [`${local.toISOString().slice(0, 16)}${offset}`, ...values.map((value) => (value ?? 0).toFixed(4))]
  })
  return `${[header, ...rows].map(line).join('\n')}\n`
}
