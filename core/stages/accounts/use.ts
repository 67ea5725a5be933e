import { type Dispatch } from '../../battery/own-use'
import { type BatteryType } from '../../electrical/catalogue'
import { stage, type Stage } from '../../graph/stage'
import { loadId } from '../../kinds/load/load'
import { type Storage } from '../../kinds/storage/storage'
import { type LedgerLine, type LineId, type Term } from '../../model/ledger'
import { type Unit } from '../../model/said'
import { batteryRunIn, dispatchStage } from '../dispatch'
import { feedInStage, limitOf } from '../feed-in'
import { carsIn, loadThenStage } from '../load'
import { batteryIn, fieldsOf, loadIn, storageIn, type World } from '../world'
import { term, type Account } from './account'
import { plainCheck } from './site'

/** How the year is run, and what its consumption is made of. */
interface Year {
  readonly rule: Storage['rule']
  readonly measured: boolean
  readonly added: boolean
  /** Whether a car waits for what the roof has left. */
  readonly waits: boolean
  /** Whether the battery shares the inverter. */
  readonly onDcSide: boolean
}

const total = (series: Float64Array) => series.reduce((sum, value) => sum + value, 0)

function houseLine(
  id: LineId & LedgerLine['explanation']['formula']['code'],
  value: number,
  better: LedgerLine['better'],
  inputs: readonly Term[],
  { rule, measured, added, waits, onDcSide }: Year,
  unit: Unit = 'kWh',
): LedgerLine {
  return {
    id,
    group: 'use',
    value,
    unit,
    weight: 'line',
    better,
    about: [],
    explanation: {
      formula: { code: id },
      inputs,
      sources: [{ code: rule }],
      assumptions: [
        { code: measured ? 'meter-year' : 'archetype-day' },
        ...(added ? [{ code: 'added-load' as const }] : []),
        ...(waits ? [{ code: 'car-by-sun' as const }] : []),
        ...(onDcSide ? [{ code: 'battery-on-dc-side' as const }] : []),
        { code: 'means-of-hour' },
      ],
    },
  }
}

/** Where the energy goes. */
export const useAccount: Stage<World, Account> = stage({
  name: 'account of use',
  version: 7,
  after: { dispatch: dispatchStage, house: loadThenStage, feedIn: feedInStage },
  reads: (world: World) => {
    // One that is left out of the year loses nothing in it.
    const battery = batteryRunIn(world) && batteryIn(world)
    return {
      battery: battery && fieldsOf(battery, 'id', 'usableKwh', 'efficiency', 'standbyW'),
      storage: fieldsOf(storageIn(world), 'count', 'reserve'),
      stepHours: world.weather.value.stepMinutes / 60,
      // Without a battery there is only own use.
      rule: battery ? storageIn(world).rule : ('own-use' as const),
      measured: loadIn(world).shape === 'meter',
      added: loadIn(world).added.some(({ on }) => on),
      onDcSide: battery?.dcSide !== undefined,
      waits: carsIn(world).cars.some(({ charging }) => charging === 'on-surplus'),
    }
  },
  compute: ({ battery, storage, stepHours, ...year }, { dispatch, house, feedIn }) => {
    const load = house.loadKwh
    const line = (
      id: Parameters<typeof houseLine>[0],
      value: number,
      better: LedgerLine['better'],
      inputs: readonly Term[],
      unit?: Unit,
    ) => houseLine(id, value, better, inputs, year, unit)
    const consumed = total(load)
    const bought = total(dispatch.bought)
    const throughBattery = total(dispatch.discharged)
    const curtailed = total(dispatch.curtailed)
    const consumption = term('consumption', consumed, 'kWh', 0)
    const lines = [
      line('used', consumed - bought, 'more', [
        consumption,
        term('bought', bought, 'kWh', 0),
        term('through-battery', throughBattery, 'kWh', 0),
        ...(year.waits ? [term('cars-on-surplus', house.onSurplusKwh, 'kWh', 0)] : []),
      ]),
      line('sold', total(dispatch.sold), 'more', []),
      ...(curtailed > 0
        ? [line('curtailed', -curtailed, 'more', [term('export-limit', limitOf(feedIn) ?? 0, 'kW', 2)])]
        : []),
      ...(battery
        ? [
            batteryLine(battery, storage, year, dispatch, {
              throughBattery,
              hours: load.length * stepHours,
            }),
          ]
        : []),
      line('bought', bought, 'less', [consumption]),
      line('consumption', consumed, 'less', []),
      line(
        'self-sufficiency',
        consumed > 0 ? 1 - Math.min(1, bought / consumed) : 0,
        'more',
        [consumption, term('bought', bought, 'kWh', 0)],
        'share',
      ),
    ]
    return { lines, checks: consumed === 0 ? [plainCheck('no-load', 'warning', loadId)] : [] }
  },
})

const batteryLine = (
  battery: Pick<BatteryType, 'id' | 'usableKwh' | 'efficiency' | 'standbyW'>,
  { count, reserve }: { readonly count: number; readonly reserve: number },
  year: Year,
  dispatch: Dispatch,
  { throughBattery, hours }: { readonly throughBattery: number; readonly hours: number },
): LedgerLine =>
  houseLine(
    'battery-loss',
    -(total(dispatch.charged) - throughBattery + (count * battery.standbyW * hours) / 1000),
    'more',
    [
      {
        code: 'batteries',
        data: { count, battery: { ref: battery.id } },
        value: { value: battery.usableKwh, unit: 'kWh', digits: 1 },
      },
      term('efficiency-each-way', battery.efficiency, 'share', 1),
      ...(battery.standbyW > 0 ? [term('battery-standby', count * battery.standbyW, 'W', 0)] : []),
      term('reserve', reserve, 'share', 0),
    ],
    year,
  )
