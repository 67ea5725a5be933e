import { portFault } from '../electrical/battery-port'
import { type CableRun } from '../cables/cable-plan'
import { acCurrentA, breakerFor, conductorFor, polesOf } from '../cables/circuit'
import { optimizedCurrentA } from '../electrical/electronics'
import { byInput } from '../electrical/rules'
import { inputName, inverterOf } from '../electrical/side-by-side'
import { type StringWindow } from '../electrical/stringing'
import { devicesOnBranches } from '../electrical/unit-rules'
import { acPowerOf, branchCurrentA, stringOptimizerOf, type Built } from '../parts/parts-list'

/** What a single-line diagram says of what is built, in figures. */

/** What hangs on one input. */
export interface InputFigures {
  /** From 0. */
  readonly inverter: number
  /** As it is told: from 1, after the inverter's number where there are several. */
  readonly name: string
  /** Modules of each string. */
  readonly lengths: readonly number[]
  /** Modules that have an optimizer. */
  readonly optimized: number
  /** The greatest volts: open-circuit in the cold, or what its optimizers may put out. */
  readonly coldV: number
  readonly hotV: number
  /** Short-circuit current of all together, or the greatest of their optimizers. */
  readonly currentA: number
  /** Single conductors from its strings, m; left out where they are not led. */
  readonly cableM?: number
}

/** A branch of microinverters. */
export interface BranchFigures {
  /** From 1. */
  readonly branch: number
  readonly devices: number
  readonly modules: number
  readonly circuit: CircuitFigures
}

/** A circuit that the house is connected by. */
export interface CircuitFigures {
  readonly powerW: number
  readonly currentA: number
  readonly breakerA: number | null
  readonly conductorMm2: number | null
  /** Where it was chosen by hand. */
  readonly chosenMm2?: number
  /** Of the cable, m; left out where it is not led. */
  readonly cableM?: number
  readonly poles: number
}

/** What the diagram shows: inputs or branches, and circuits. */
export interface Figures {
  /** None where there are microinverters. */
  readonly inputs: readonly InputFigures[]
  readonly branches: readonly BranchFigures[]
  /** How many inverters stand side by side; one that stands for all where they are under the modules. */
  readonly inverters: number
  /** Of each of them. */
  readonly each: CircuitFigures
  /** Of AC-coupled batteries. */
  readonly battery: CircuitFigures | null
  /** Of DC-coupled ones: the most that passes the port, and the amperes at their lowest volts. */
  readonly dcBattery: { readonly powerW: number; readonly currentA: number } | null
}

/** Inputs, branches and circuits of what is built, as the diagram shows them. */
export function figuresOf(built: Built, window: Pick<StringWindow, 'coldVocV' | 'hotVmpV'>): Figures {
  const { inverter, battery, grid, acMm2 } = built
  const beside = inverter.micro ? 1 : built.inverters
  const { dcSide } = battery?.type ?? {}
  const batteryW = battery
    ? battery.count * Math.max(battery.type.chargeKw, battery.type.dischargeKw) * 1000
    : 0
  const circuit = (
    powerW: number,
    currentA = acCurrentA(powerW, grid),
    poles = polesOf(grid),
  ): CircuitFigures => {
    const breakerA = breakerFor(currentA)
    return {
      powerW,
      currentA,
      breakerA,
      conductorMm2: breakerA === null ? null : conductorFor(breakerA),
      poles,
    }
  }
  const passesW = Math.min(batteryW, (inverter.batteryPort?.powerKw ?? 0) * 1000 * beside)
  /** Of what the inverter gives, with the cross-section that somebody has chosen. */
  const given: typeof circuit = (...asked) => ({
    ...circuit(...asked),
    ...(acMm2 === null ? {} : { conductorMm2: acMm2, chosenMm2: acMm2 }),
  })
  return {
    inputs: inverter.micro ? [] : inputsOf(built, window),
    branches: inverter.micro ? branchesOf(built, given) : [],
    inverters: beside,
    each: {
      ...given(acPowerOf(built) / beside),
      ...(inverter.micro ? {} : ledBy(built.cables.ac.slice(0, 1))),
    },
    battery:
      battery && !dcSide
        ? { ...circuit(batteryW), ...ledBy(built.cables.battery ? [built.cables.battery] : []) }
        : null,
    dcBattery:
      battery && dcSide && !portFault(battery.type, inverter)
        ? { powerW: passesW, currentA: passesW / dcSide.lowV }
        : null,
  }
}

/** Metres of some cables together, where all of them are led. */
function ledBy(runs: readonly CableRun[]): { readonly cableM?: number } {
  if (runs.length === 0 || runs.some(({ ways }) => ways.length === 0)) return {}
  return { cableM: runs.reduce((sum, { cableM }) => sum + cableM, 0) }
}

/** Of what is strung the cables that are known: of strings, or of branches. */
const runsOf = (runs: readonly CableRun[], ids: readonly string[]): CableRun[] => {
  const found = runs.filter(({ id }) => ids.includes(id))
  return found.length === ids.length ? found : []
}

/** Each on its own breaker of two poles, between two conductors or to neutral. */
function branchesOf(
  built: Built,
  circuit: (powerW: number, currentA: number, poles: number) => CircuitFigures,
): BranchFigures[] {
  const { strings, devices, inverter, cables } = built
  const counts = devicesOnBranches(strings, devices)
  return strings.map(({ id, panelIds }, b) => {
    const count = counts[b] ?? 0
    return {
      branch: b + 1,
      devices: count,
      modules: panelIds.length,
      circuit: {
        ...circuit(count * inverter.acPowerW, branchCurrentA(built, { devices: count }), 2),
        ...ledBy(runsOf(cables.ac, [id])),
      },
    }
  })
}

function inputsOf(built: Built, window: Pick<StringWindow, 'coldVocV' | 'hotVmpV'>): InputFigures[] {
  const { strings, module, inverter, inverters, optimized, cables } = built
  const beside = { inverters, mppInputs: inverter.mppInputs }
  const optimizer = stringOptimizerOf(built)
  const held = new Set(optimized)
  return [...byInput(strings)]
    .sort(([a], [b]) => a - b)
    .map(([input, own]): InputFigures => {
      const lengths = own.map(({ panelIds }) => panelIds.length)
      const [longest, shortest] = [Math.max(...lengths), Math.min(...lengths)]
      return {
        inverter: inverterOf(input, beside),
        name: inputName(input, beside),
        lengths,
        optimized: own.flatMap(({ panelIds }) => panelIds.filter((id) => held.has(id))).length,
        // Optimizers put out what the inverter asks for, and never more than it stands.
        coldV: optimizer
          ? Math.min(inverter.highestV, longest * optimizer.outputV)
          : longest * window.coldVocV,
        hotV: optimizer ? inverter.mppLowV : shortest * window.hotVmpV,
        currentA: own.length * (optimizer ? optimizedCurrentA(optimizer, inverter) : module.iscA),
        ...ledBy(
          runsOf(
            cables.dc,
            own.map(({ id }) => id),
          ),
        ),
      }
    })
}
