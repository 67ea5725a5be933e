import { type DiagramWords } from '@/core/diagram/single-line'
import { type Site } from '@/core/kinds/site/site'
import { gaugeFor, gaugeOf, stringGauge } from '@/core/cables/circuit'
import { type Built } from '@/core/parts/parts-list'
import { diagram } from './en/diagram'
import { type Sayer } from './sayer'

/** What the diagram of an option says, with figures as people at the job write them. */
export function diagramWords(
  sayer: Sayer,
  { module, inverter, inverters, optimizer, battery, strings, grid, dcMm2 }: Built,
  about: Pick<Site, 'address' | 'units'> & { readonly option: string },
): DiagramWords {
  const say = (message: string, data: Parameters<Sayer['say']>[1] = {}) => sayer.say(message, data)
  const volts = (value: number) => ({ value, unit: 'V', digits: 0 }) as const
  const amperes = (value: number, digits = 1) => ({ value, unit: 'A', digits }) as const
  const kilowatts = (value: number, digits = 1) => ({ value: value / 1000, unit: 'kW', digits }) as const
  const size = (mm2: number | null, gauge: string | null): string => {
    if (about.units === 'imperial') return gauge === null ? '–' : say(diagram.gauge, { gauge })
    return mm2 === null ? '–' : `${mm2} mm²`
  }
  const left = strings.filter(({ input }) => input < 0).flatMap(({ panelIds }) => panelIds).length
  const modules = strings.flatMap(({ panelIds }) => panelIds).length
  return {
    title: diagram.title,
    heading: [
      `${about.address} · ${about.option}`,
      say(diagram.modules, {
        count: modules,
        module: module.name,
        power: kilowatts(modules * module.powerW, 2),
      }),
    ],
    array: ({ name, lengths, optimized, coldV, hotV, currentA }) => [
      say(new Set(lengths).size > 1 ? diagram.unequal : diagram.input, {
        input: name,
        strings: lengths.length,
        modules: lengths[0] ?? 0,
        lengths: lengths.join(' + '),
      }),
      say(diagram.module, { name: module.name, power: { value: module.powerW, unit: 'W' } }),
      ...(optimizer && optimized > 0
        ? [
            say(diagram.optimizer, {
              at: optimized < lengths.reduce((sum, own) => sum + own, 0) ? 'some' : 'each',
              modules: optimized,
              name: optimizer.name,
            }),
          ]
        : []),
      ...(optimizer && !optimizer.stepDown
        ? [say(diagram.optimized, { volts: volts(coldV), current: amperes(currentA) })]
        : [say(diagram.volts, { cold: volts(coldV), hot: volts(hotV), current: amperes(currentA) })]),
    ],
    branch: ({ branch, devices, modules: under, circuit }) => [
      say(diagram.branch, { branch, devices, modules: under }),
      say(diagram.module, { name: module.name, power: { value: module.powerW, unit: 'W' } }),
      say(diagram.microinverter, {
        name: inverter.name,
        power: { value: inverter.acPowerW, unit: 'W', digits: 0 },
      }),
      say(diagram.branchCurrent, {
        power: kilowatts(circuit.powerW, 2),
        current: amperes(circuit.currentA),
      }),
    ],
    combiner: [diagram.combiner],
    dcConductor: (mm2, shortCircuitA) =>
      say(diagram.dcConductor, {
        size: size(dcMm2 ?? mm2, dcMm2 === null ? stringGauge(shortCircuitA) : gaugeOf(dcMm2)),
      }),
    cable: (metres) => say(diagram.cable, { length: { value: metres, unit: 'm', digits: 1 } }),
    dcDisconnect: [diagram.dcDisconnect, say(diagram.dcVolts, { volts: volts(inverter.highestV) })],
    inverter: (at) => [
      inverters > 1 ? say(diagram.oneOfMany, { at, name: inverter.name }) : inverter.name,
      sayer.written(kilowatts(inverter.acPowerW)),
    ],
    acConductor: ({ conductorMm2, chosenMm2, breakerA }) =>
      say(diagram.acConductor, {
        wires: grid.gridPhases === 'three' ? 4 : grid.gridPhases === 'split' ? 3 : 2,
        size: size(
          conductorMm2,
          chosenMm2 !== undefined ? gaugeOf(chosenMm2) : breakerA === null ? null : gaugeFor(breakerA),
        ),
      }),
    acDisconnect: [diagram.acDisconnect],
    breaker: ({ breakerA, poles }) => [
      breakerA === null ? diagram.noBreaker : say(diagram.breaker, { breaker: amperes(breakerA, 0), poles }),
    ],
    panel: [diagram.panel],
    loads: diagram.loads,
    battery: battery
      ? [
          say(diagram.battery, { count: battery.count, name: battery.type.name }),
          say(diagram.batteryEnergy, {
            energy: { value: battery.count * battery.type.usableKwh, unit: 'kWh', digits: 1 },
          }),
        ]
      : [],
    batteryCurrent: (currentA) => say(diagram.batteryCurrent, { current: amperes(currentA) }),
    meter: diagram.meter,
    grid: [diagram.grid, say(diagram.phases, { phases: grid.gridPhases, volts: volts(grid.gridVoltageV) })],
    left: left > 0 ? say(diagram.left, { modules: left }) : null,
  }
}
