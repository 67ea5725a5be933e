import { cablePlan, isWired, noCables, type CablePlan } from '../cables/cable-plan'
import { type Sizing } from '../cables/circuit'
import { type Keyed } from '../graph/keyed'
import { itemStage, stage, type Stage } from '../graph/stage'
import { siteStage } from './site'
import { stringsStage } from './strings'
import {
  batteryIn,
  besideIn,
  electricalIn,
  fieldsOf,
  inverterIn,
  moduleIn,
  stringOptimizerIn,
  siteIn,
  storageIn,
  type World,
} from './world'

/** Where devices hang and cables come down. */
export const placesIn = (world: World) => {
  const { inverterAt, batteryAt, cablesDownAt } = electricalIn(world)
  return {
    inverter: inverterAt,
    battery: batteryAt,
    loadCentre: siteIn(world).loadCentreAt,
    cablesDown: cablesDownAt,
  }
}

/** Whether the losses of all cables follow from where things hang. */
export const isWiredIn = (world: World): boolean =>
  isWired(placesIn(world), inverterIn(world).micro !== undefined)

export const sizingIn = (world: World): Sizing => (siteIn(world).units === 'imperial' ? 'gauge' : 'mm2')

/** Greatest power of all AC-coupled batteries together, W. */
export const batteryWIn = (world: World): number => {
  const battery = batteryIn(world)
  return battery && !battery.dcSide
    ? storageIn(world).count * Math.max(battery.chargeKw, battery.dischargeKw) * 1000
    : 0
}

/** The cables between the modules and the house, as soon as something has its place. */
export const cablesStage: Stage<World, CablePlan> = stage({
  name: 'cables',
  version: 2,
  after: { site: siteStage, wiring: stringsStage },
  reads: (world: World) => {
    const optimizer = stringOptimizerIn(world)
    const { micro } = inverterIn(world)
    return {
      places: placesIn(world),
      ...fieldsOf(electricalIn(world), 'dcMm2', 'acMm2'),
      module: fieldsOf(moduleIn(world), 'powerW', 'iscA', 'vmpV', 'impA'),
      inverter: fieldsOf(inverterIn(world), 'acPowerW', 'mppLowV', 'inputCurrentA'),
      isMicro: micro !== undefined,
      inverters: besideIn(world),
      optimizer: optimizer && fieldsOf(optimizer, 'outputCurrentA'),
      batteryW: batteryWIn(world),
      grid: fieldsOf(siteIn(world), 'gridPhases', 'gridVoltageV'),
      sizing: sizingIn(world),
    }
  },
  compute: (read, { site, wiring }) =>
    wiring.strings.length === 0 || Object.values(read.places).every((place) => place === null)
      ? noCables
      : cablePlan({ ...read, site, strings: wiring.strings, devices: wiring.devices }),
})

/** Ohms of the cables in the strings' order: of direct current, or of microinverters' branches; none until all are known. */
export type CableOhms = {
  readonly dc: readonly number[]
  readonly branches: readonly number[]
  /** From an inverter to the load centre. */
  readonly ac: number
}

/**
 * What of the cables the year's losses follow from, as the one item of a list: it is known by what it says, so that a tree
 * that moves no cable recomputes nothing behind it.
 */
export const cableOhmsStage: Stage<World, readonly Keyed<CableOhms>[]> = itemStage({
  name: 'cable ohms',
  version: 1,
  after: { cables: cablesStage },
  reads: (world: World) => ({ isWired: isWiredIn(world), isMicro: inverterIn(world).micro !== undefined }),
  each: ({ isWired: wired, isMicro }, { cables }): CableOhms[] => {
    const { dc, ac } = cables.value
    const ohms = (runs: CablePlan['ac']) => runs.map(({ ohm }) => ohm)
    if (!wired) return [unknownOhms]
    return [
      isMicro
        ? { ...unknownOhms, branches: ohms(ac) }
        : { ...unknownOhms, dc: ohms(dc), ac: ac[0]?.ohm ?? 0 },
    ]
  },
  compute: (item: CableOhms): CableOhms => item,
  bytes: ({ dc, branches }) => 200 + 8 * (dc.length + branches.length),
})

/** The ohms of that one item. */
export const ohmsOf = ([first]: readonly Keyed<CableOhms>[]): CableOhms => first?.value ?? unknownOhms

const unknownOhms: CableOhms = { dc: [], branches: [], ac: 0 }
