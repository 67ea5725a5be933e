import { type InverterType, type ModuleType, type OptimizerType } from '../electrical/catalogue'
import { optimizedCurrentA } from '../electrical/electronics'
import { type PanelString } from '../electrical/stringing'
import { type Vec3 } from '../geometry/vector'
import { type WallPlace } from '../model/wall-place'
import { type Site } from '../site/site'
import { branchRuns, middlesOf, stringRuns } from './cable-runs'
import { acCurrentA, circuitMm2, phaseVoltageV, stringMm2, type Grid, type Sizing } from './circuit'
import { conductorOhm, heatedM, loadedConductors, risenM, dropFactor } from './copper'
import { HouseLines } from './house-lines'
import { type Way } from './network'

/** Added at the inverter and at the load centre, for what goes inside them, m. */
export const endM = 1

export const placeNames = ['inverter', 'battery', 'loadCentre', 'cablesDown'] as const
export type PlaceName = (typeof placeNames)[number]
export type Places = Readonly<Record<PlaceName, WallPlace | null>>

/** What hangs on a wall. */
export interface PlacedDevice {
  readonly name: PlaceName
  readonly at: Vec3
  /** How far from the wall it was put, m. */
  readonly offWallM: number
}

/** A circuit with its cable. */
export interface CableRun {
  /** Of a string or a branch its name. */
  readonly id: string
  /** Both conductors of a string, each from its end of it; one way otherwise. */
  readonly ways: readonly Way[]
  /** Metres of cable: of single conductors for a string, of the whole cable otherwise. */
  readonly cableM: number
  readonly mm2: number
  /** Watts lost are its square of amperes times this. */
  readonly ohm: number
  /** Amperes at full power, and the share of the volts that is lost or raised by them. */
  readonly fullA: number
  readonly dropShare: number
}

export interface CablePlan {
  readonly devices: readonly PlacedDevice[]
  /** From the strings to the inverter, in the strings' order; none where there are microinverters. */
  readonly dc: readonly CableRun[]
  /** From each inverter to the load centre, or of each branch of microinverters. */
  readonly ac: readonly CableRun[]
  readonly battery: CableRun | null
}

/** What the plan follows from. */
export interface CableRequest {
  readonly site: Site
  readonly strings: readonly PanelString[]
  /** Modules of each microinverter; none where there is another inverter. */
  readonly devices: readonly (readonly string[])[]
  readonly places: Places
  readonly module: Pick<ModuleType, 'powerW' | 'iscA' | 'vmpV' | 'impA'>
  readonly inverter: Pick<InverterType, 'acPowerW' | 'mppLowV' | 'inputCurrentA'>
  readonly isMicro: boolean
  /** Side by side where the one is placed, each with a cable of its own. */
  readonly inverters: number
  readonly optimizer: Pick<OptimizerType, 'outputCurrentA'> | null
  /** Greatest power of all batteries together; 0 without. */
  readonly batteryW: number
  readonly grid: Grid
  readonly sizing: Sizing
  /** Chosen by hand; null for the least that the current asks for. */
  readonly dcMm2: number | null
  readonly acMm2: number | null
}

/** Nothing placed, or no modules. */
export const noCables: CablePlan = { devices: [], dc: [], ac: [], battery: null }

/** Whether enough is placed that all cables are known: theirs are the losses then, and no entered share. */
export const isWired = (
  { inverter, loadCentre }: Pick<Places, 'inverter' | 'loadCentre'>,
  isMicro: boolean,
): boolean => loadCentre !== null && (isMicro || inverter !== null)

/**
 * All cables between what is placed: of each conductor the shortest way along the lines of the house, with its losses
 * and the volts that it takes or adds at full power.
 */
export function cablePlan(request: CableRequest): CablePlan {
  const { site, places, isMicro } = request
  const lines = new HouseLines(site)
  const middles = middlesOf(site)
  const nodes = new Map(
    request.strings
      .flatMap(({ panelIds }) => [panelIds[0] ?? '', panelIds.at(-1) ?? ''])
      .flatMap((id) => {
        const middle = middles.get(id)
        return middle ? [[id, lines.module(middle.at)] as const] : []
      }),
  )
  const placed = placeNames.flatMap((name) => {
    const place = places[name]
    return place && !(isMicro && name === 'inverter')
      ? [{ name, ...lines.device(place.at, place.heightM) }]
      : []
  })
  lines.joinOverGround()
  const nodeOf = (name: PlaceName) => placed.find((one) => one.name === name)?.node
  const ends = waysTo(lines, nodeOf('cablesDown'))
  const [inverter, loadCentre, battery] = [nodeOf('inverter'), nodeOf('loadCentre'), nodeOf('battery')]
  const toLoadCentre = loadCentre === undefined ? null : ends(loadCentre)
  const moduleNode = (id: string | undefined) => nodes.get(id ?? '')
  return {
    devices: placed.map(({ name, at, offWallM }) => ({ name, at, offWallM })),
    dc: isMicro || inverter === undefined ? [] : stringCables(request, moduleNode, ends(inverter)),
    ac: !toLoadCentre
      ? []
      : isMicro
        ? branchCables(request, moduleNode, toLoadCentre)
        : inverter === undefined
          ? []
          : inverterCables(request, toLoadCentre.direct(inverter)),
    battery:
      toLoadCentre && battery !== undefined && request.batteryW > 0
        ? circuit('battery', request.batteryW, toLoadCentre.direct(battery), { ...request, acMm2: null })
        : null,
  }
}

/** Metres of single conductors from strings to the inverter: as they are led, or down slope and wall until it has its place. */
export function stringCableM(
  site: Site,
  strings: readonly PanelString[],
  { dc }: Pick<CablePlan, 'dc'>,
): number {
  const led = dc.reduce((sum, { cableM }) => sum + cableM, 0)
  return led > 0 ? led : stringRuns(site, strings).reduce((sum, { homeM }) => sum + homeM, 0)
}

interface WaysTo {
  /** From a module, by where the cables come down if that is said. */
  readonly fromRoof: (node: number) => Way
  readonly direct: (node: number) => Way
}

/** Ways to a device from wherever; straight, by the level and then the height, where no line leads. */
function waysTo(lines: HouseLines, down: number | undefined): (device: number) => WaysTo {
  const { network } = lines
  const to = (device: number) => {
    const found = network.waysFrom(device)
    return (node: number): Way => {
      const way = found(node)
      return way
        ? { ...way, points: way.points.toReversed() }
        : straight(network.at(node), network.at(device))
    }
  }
  const toDown = down === undefined ? null : to(down)
  return (device) => {
    const direct = to(device)
    if (down === undefined || !toDown) return { direct, fromRoof: direct }
    const rest = direct(down)
    return {
      direct,
      fromRoof: (node) => {
        const first = toDown(node)
        return {
          points: [...first.points, ...rest.points.slice(1)],
          lengthM: first.lengthM + rest.lengthM,
        }
      },
    }
  }
}

function straight(from: Vec3, to: Vec3): Way {
  const under: Vec3 = [to[0], to[1], from[2]]
  return {
    points: [from, under, to],
    lengthM: Math.hypot(to[0] - from[0], to[1] - from[1]) + Math.abs(to[2] - from[2]),
  }
}

function stringCables(
  { site, strings, module, inverter, optimizer, sizing, dcMm2 }: CableRequest,
  nodeOf: (id: string | undefined) => number | undefined,
  { fromRoof }: WaysTo,
): CableRun[] {
  const extensions = new Map(stringRuns(site, strings).map((run) => [run.id, run.extensions] as const))
  return strings.map(({ id, input, panelIds }): CableRun => {
    const ways = [panelIds[0], panelIds.at(-1)].flatMap((end) => {
      const node = nodeOf(end)
      return node === undefined || input < 0 ? [] : [fromRoof(node)]
    })
    const cableM = ways.reduce((sum, { lengthM }) => sum + lengthM + endM, 0)
    const extendedM = (extensions.get(id) ?? []).reduce((sum, { fromM }) => sum + fromM, 0)
    const shortA = optimizer ? optimizedCurrentA(optimizer, inverter) : module.iscA
    const mm2 = dcMm2 ?? stringMm2(shortA, sizing)
    const powerW = panelIds.length * module.powerW
    const volts = optimizer
      ? Math.max(inverter.mppLowV, powerW / optimizer.outputCurrentA)
      : panelIds.length * module.vmpV
    const fullA = optimizer ? powerW / volts : module.impA
    const ohm = conductorOhm(cableM + extendedM, mm2)
    return { id, ways, cableM, mm2, ohm, fullA, dropShare: volts > 0 ? (fullA * ohm) / volts : 0 }
  })
}

/** Of inverters side by side one like the other. */
function inverterCables(request: CableRequest, way: Way): CableRun[] {
  const one = circuit('inverter', request.inverter.acPowerW, way, request)
  return Array.from({ length: request.inverters }, (_, i) =>
    i === 0 ? one : { ...one, id: `inverter-${i + 1}` },
  )
}

function branchCables(
  { site, strings, devices, inverter, grid, sizing, acMm2 }: CableRequest,
  nodeOf: (id: string | undefined) => number | undefined,
  { fromRoof }: WaysTo,
): CableRun[] {
  const runs = new Map(branchRuns(site, strings, devices).map((run) => [run.id, run] as const))
  const volts = phaseVoltageV(grid)
  return strings.map(({ id, panelIds }): CableRun => {
    const node = nodeOf(panelIds[0])
    const ways = node === undefined ? [] : [fromRoof(node)]
    const { devices: count = 0, alongM = 0 } = runs.get(id) ?? {}
    const homeM = ways.reduce((sum, { lengthM }) => sum + lengthM + endM, 0)
    const fullA = (count * inverter.acPowerW) / volts
    const mm2 = acMm2 ?? circuitMm2(fullA, sizing)
    const riseV = 2 * fullA * conductorOhm(risenM(count, alongM, homeM), mm2)
    return {
      id,
      ways,
      cableM: homeM + alongM,
      mm2,
      ohm: 2 * conductorOhm(heatedM(count, alongM, homeM), mm2),
      fullA,
      dropShare: riseV / volts,
    }
  })
}

function circuit(
  id: string,
  powerW: number,
  way: Way,
  { grid, sizing, acMm2 }: Pick<CableRequest, 'grid' | 'sizing' | 'acMm2'>,
): CableRun {
  const fullA = acCurrentA(powerW, grid)
  const mm2 = acMm2 ?? circuitMm2(fullA, sizing)
  const cableM = way.lengthM + 2 * endM
  const one = conductorOhm(cableM, mm2)
  return {
    id,
    ways: [way],
    cableM,
    mm2,
    ohm: one * loadedConductors(grid),
    fullA,
    dropShare: (fullA * one * dropFactor(grid)) / grid.gridVoltageV,
  }
}
