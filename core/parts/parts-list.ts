import {
  type BatteryType,
  type InverterType,
  type ModuleType,
  type OptimizerType,
} from '../electrical/catalogue'
import { type PanelString } from '../electrical/stringing'
import { type Data } from '../model/said'
import { type Site } from '../site/site'
import { type Holding } from '../structure/holding'
import { endM, stringCableM, type CablePlan, type CableRun } from '../cables/cable-plan'
import { branchRuns, spareM, stringRuns, type BranchRun } from '../cables/cable-runs'
import { acCurrentA, breakerFor, phaseVoltageV, polesOf, type Grid } from '../cables/circuit'
import { partCounts, type structureParts } from './mounting-parts'

export type PartCode =
  | 'module'
  | (typeof structureParts)[number]
  | 'rail-end-cap'
  | 'grounding-lug'
  | 'cable-clip'
  | 'connector-pair'
  | 'extension-lead'
  | 'string-cable'
  | 'optimizer'
  | 'microinverter'
  | 'branch-cable'
  | 'branch-drop'
  | 'branch-jump'
  | 'branch-terminator'
  | 'branch-breaker'
  | 'combiner'
  | 'gateway'
  | 'inverter'
  | 'dc-disconnect'
  | 'ac-breaker'
  | 'ac-cable'
  | 'ac-disconnect'
  | 'meter'
  | 'battery'
  | 'battery-breaker'
  | 'battery-isolator'
  | 'battery-cable'
  | 'label'

/** So many of one part, and why. */
export interface PartLine {
  readonly code: PartCode
  /** What has a data sheet of its own. */
  readonly typeId: string | null
  readonly count: number
  readonly unit: 'piece' | 'm'
  /** With the code it says why there are so many, and which. */
  readonly data: Data
  /** List price of one; null where there is none. */
  readonly price: number | null
  /** Of one, kg; null where no sheet says. */
  readonly weightKg: number | null
}

/** All that the list follows from. */
export interface Built {
  readonly site: Site
  readonly holdings: readonly Holding[]
  readonly strings: readonly PanelString[]
  readonly module: ModuleType
  readonly inverter: InverterType
  /** At some modules or at each; null without. */
  readonly optimizer: OptimizerType | null
  /** Modules that have one. */
  readonly optimized: readonly string[]
  /** How many inverters there are: side by side, or under the modules. */
  readonly inverters: number
  /** Modules of each microinverter; none where there is another inverter. */
  readonly devices: readonly (readonly string[])[]
  readonly battery: { readonly type: BatteryType; readonly count: number } | null
  readonly grid: Grid
  /** Between what has its place; none of what has not. */
  readonly cables: CablePlan
  /** Cross-sections chosen by hand; null for the least that the current asks for. */
  readonly dcMm2: number | null
  readonly acMm2: number | null
}

/** The optimizer that makes the volts of its string together with the others; null where modules in series do. */
export const stringOptimizerOf = ({ optimizer }: Pick<Built, 'optimizer'>): OptimizerType | null =>
  optimizer?.stepDown ? null : optimizer

/** Clips that keep a module's leads off the roof. */
const clipsPerModule = 2

/** Everything that goes onto the van for what is drawn, in the order that it is put up. */
export function partsList(built: Built): PartLine[] {
  const { site, module } = built
  const arrays = site.arrays.filter(({ panels }) => panels.length > 0)
  const modules = arrays.reduce((sum, { panels }) => sum + panels.length, 0)
  if (modules === 0) return []
  return [
    line('module', modules, {
      typeId: module.id,
      data: { arrays: arrays.length },
      price: module.price,
      weightKg: module.weightKg ?? null,
    }),
    ...mountingLines(built.holdings),
    line('cable-clip', modules * clipsPerModule, { data: { modules, each: clipsPerModule } }),
    ...(built.inverter.micro ? branchLines(built) : stringLines(built)),
    ...deviceLines(built),
  ].filter(({ count }) => count > 0)
}

function line(code: PartCode, count: number, more: Partial<PartLine> = {}): PartLine {
  return { code, count, typeId: null, unit: 'piece', data: {}, price: null, weightKg: null, ...more }
}

function mountingLines(holdings: readonly Holding[]): PartLine[] {
  const lines = partCounts(holdings).map(({ mounting, part, count }) => {
    const own = holdings.flatMap((holding) =>
      holding.is === 'rails' && holding.mounting.id === mounting.id ? holding.rails : [],
    )
    const rails = mounting.is === 'rails'
    return line(part, count, {
      typeId: mounting.id,
      data: {
        rails: own.length,
        total: { value: own.reduce((sum, { lengthM }) => sum + lengthM, 0), unit: 'm', digits: 1 },
        length: { value: rails ? mounting.rail.lengthM : 0, unit: 'm' },
        weight: { value: rails ? 0 : mounting.block.weightKg, unit: 'kg', digits: 1 },
      },
      weightKg: weightOf(mounting, part),
    })
  })
  const runs = holdings.flatMap((holding) => (holding.is === 'rails' ? holding.rails : [])).length
  return [
    ...lines,
    line('rail-end-cap', 2 * runs, { data: { rails: runs } }),
    line('grounding-lug', runs, { data: { rails: runs } }),
  ]
}

function weightOf(
  mounting: ReturnType<typeof partCounts>[number]['mounting'],
  part: PartLine['code'],
): number | null {
  if (mounting.is === 'rails') {
    if (part === 'rail') return mounting.rail.lengthM * mounting.rail.weightKgPerM
    return part === 'foot' ? mounting.foot.weightKg : null
  }
  return part === 'block' ? mounting.block.weightKg : part === 'tray' ? mounting.weightKg : null
}

/** AC power of all inverters together, W. */
export const acPowerOf = ({ inverter, inverters }: Pick<Built, 'inverter' | 'inverters'>): number =>
  inverter.acPowerW * inverters

/** The circuit of each branch of microinverters. */
export const branchCurrentA = (
  { inverter, grid }: Pick<Built, 'inverter' | 'grid'>,
  { devices }: Pick<BranchRun, 'devices'>,
): number => (devices * inverter.acPowerW) / phaseVoltageV(grid)

function branchLines(built: Built): PartLine[] {
  const { site, strings, devices, inverter } = built
  const runs = branchRuns(site, strings, devices)
  const sum = (of: (run: BranchRun) => number) => runs.reduce((all, run) => all + of(run), 0)
  const current = Math.max(...runs.map((run) => branchCurrentA(built, run)))
  const branches = runs.length
  const placed = built.cables.ac
  const metres = placed.length > 0 ? metresOf(placed) : sum(({ alongM, homeM }) => alongM + homeM)
  return [
    line('microinverter', devices.length, {
      typeId: inverter.id,
      data: { modules: inverter.mppInputs, power: { value: inverter.acPowerW, unit: 'W', digits: 0 } },
      price: inverter.price,
    }),
    line('branch-cable', Math.ceil(metres), {
      unit: 'm',
      data: { branches, ...spareData(placed) },
    }),
    line('branch-drop', devices.length, { data: { branches } }),
    line(
      'branch-jump',
      sum(({ jumps }) => jumps),
    ),
    line('branch-terminator', branches, { data: { branches } }),
    line('branch-breaker', branches, {
      data: {
        current: { value: current, unit: 'A', digits: 1 },
        breaker: { value: breakerFor(current) ?? 0, unit: 'A', digits: 0 },
        poles: 2,
      },
    }),
    line('combiner', branches > 1 ? 1 : 0, { data: { branches } }),
    line('gateway', 1),
  ]
}

/** Metres of cable of runs together. */
const metresOf = (runs: readonly CableRun[]): number => runs.reduce((sum, { cableM }) => sum + cableM, 0)

/** Whether cables were led between what has its place, and what is left over at their ends. */
const spareData = (placed: readonly CableRun[]): Data => ({
  placed: placed.length > 0 ? 'yes' : 'no',
  spare: { value: placed.length > 0 ? endM : spareM, unit: 'm' },
})

function stringLines({ site, strings, module, optimizer, optimized, cables }: Built): PartLine[] {
  const runs = stringRuns(site, strings)
  const placed = cables.dc.filter(({ ways }) => ways.length > 0)
  const metres = stringCableM(site, strings, cables)
  const modules = strings.reduce((sum, { panelIds }) => sum + panelIds.length, 0)
  return [
    ...(optimizer
      ? [
          line('optimizer', optimized.length, {
            typeId: optimizer.id,
            data: {
              at: optimized.length < modules ? 'some' : 'each',
              power: { value: module.powerW, unit: 'W', digits: 0 },
            },
            price: optimizer.price,
            weightKg: optimizer.weightKg ?? null,
          }),
        ]
      : []),
    line('connector-pair', runs.length, { data: { strings: runs.length } }),
    line('extension-lead', runs.flatMap(({ extensions }) => extensions).length),
    line('string-cable', Math.ceil(metres), {
      unit: 'm',
      data: { strings: runs.length, ...spareData(placed) },
    }),
  ]
}

function deviceLines(built: Built): PartLine[] {
  const { inverter, battery, grid, strings } = built
  /** Circuits to the load centre: of each inverter, or of all microinverters together. */
  const circuits = inverter.micro ? 1 : built.inverters
  const ac = { ...circuitData(acPowerOf(built) / circuits, grid), circuits }
  // One at the load centre, two at each inverter that stands by itself.
  const labels = (inverter.micro ? 2 : 1 + 2 * circuits) + (battery ? 1 : 0)
  return [
    ...(inverter.micro
      ? // One branch alone hangs on its own breaker.
        [line('ac-breaker', strings.length > 1 ? 1 : 0, { data: ac })]
      : [
          line('inverter', circuits, {
            typeId: inverter.id,
            data: { power: { value: inverter.acPowerW / 1000, unit: 'kW', digits: 1 } },
            price: inverter.price,
          }),
          line('dc-disconnect', circuits, {
            data: { volts: { value: inverter.highestV, unit: 'V', digits: 0 } },
          }),
          line('ac-breaker', circuits, { data: ac }),
        ]),
    ...(inverter.micro ? [] : cableLines('ac-cable', built.cables.ac)),
    line('ac-disconnect', circuits, { data: ac }),
    line('meter', 1),
    ...(battery
      ? [
          line('battery', battery.count, {
            typeId: battery.type.id,
            data: { energy: { value: battery.type.usableKwh, unit: 'kWh', digits: 1 } },
            price: battery.type.price,
          }),
          // A DC-coupled one has an isolator, and its inverter the breaker.
          battery.type.dcSide
            ? line('battery-isolator', battery.count, {
                data: { volts: { value: battery.type.dcSide.highV, unit: 'V', digits: 0 } },
              })
            : line('battery-breaker', battery.count, {
                data: circuitData(Math.max(battery.type.chargeKw, battery.type.dischargeKw) * 1000, grid),
              }),
          ...cableLines('battery-cable', built.cables.battery ? [built.cables.battery] : []),
        ]
      : []),
    line('label', labels, {
      data: { battery: battery ? 'yes' : 'no', dc: inverter.micro ? 'no' : 'yes' },
    }),
  ]
}

/** Cable of the house's own circuits, where both ends of it have their place. */
const cableLines = (code: PartCode, runs: readonly CableRun[]): PartLine[] =>
  runs.slice(0, 1).map(({ fullA }) =>
    line(code, Math.ceil(metresOf(runs)), {
      unit: 'm',
      data: {
        circuits: runs.length,
        current: { value: fullA, unit: 'A', digits: 1 },
        spare: { value: endM, unit: 'm' },
      },
    }),
  )

function circuitData(powerW: number, grid: Grid): Data {
  const current = acCurrentA(powerW, grid)
  return {
    current: { value: current, unit: 'A', digits: 1 },
    breaker: { value: breakerFor(current) ?? 0, unit: 'A', digits: 0 },
    poles: polesOf(grid),
  }
}
