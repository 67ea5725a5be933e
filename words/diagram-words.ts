import { type DiagramWords } from '@/core/diagram/single-line'
import { type Site } from '@/core/kinds/site/site'
import { type Built } from '@/core/parts/parts-list'
import { diagram } from './en/diagram'
import { type Sayer } from './sayer'

/** American gauges that carry what metric conductors do (ASTM B258). */
const gauges: Readonly<Record<number, string>> = {
  1.5: '14',
  2.5: '12',
  4: '12',
  6: '10',
  10: '8',
  16: '6',
  25: '3',
  35: '2',
  50: '1/0',
  70: '2/0',
  95: '4/0',
  120: '250 kcmil',
}

/** What the diagram of an option says, with figures as people at the job write them. */
export function diagramWords(
  sayer: Sayer,
  { module, inverter, battery, strings, grid }: Built,
  about: Pick<Site, 'address' | 'units'> & { readonly option: string },
): DiagramWords {
  const say = (message: string, data: Parameters<Sayer['say']>[1] = {}) => sayer.say(message, data)
  const volts = (value: number) => ({ value, unit: 'V', digits: 0 }) as const
  const amperes = (value: number, digits = 1) => ({ value, unit: 'A', digits }) as const
  const kilowatts = (value: number, digits = 1) => ({ value: value / 1000, unit: 'kW', digits }) as const
  const size = (mm2: number | null): string => {
    if (mm2 === null) return '–'
    const gauge = gauges[mm2]
    return about.units === 'imperial' && gauge !== undefined ? say(diagram.gauge, { gauge }) : `${mm2} mm²`
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
    array: ({ input, strings: own, modules: each, coldV, hotV, currentA }) => [
      say(diagram.input, { input, strings: own, modules: each }),
      say(diagram.module, { name: module.name, power: { value: module.powerW, unit: 'W' } }),
      say(diagram.volts, { cold: volts(coldV), hot: volts(hotV), current: amperes(currentA) }),
    ],
    dcConductor: (mm2) => say(diagram.dcConductor, { size: size(mm2) }),
    dcDisconnect: [diagram.dcDisconnect, say(diagram.dcVolts, { volts: volts(inverter.highestV) })],
    inverter: [say(diagram.inverter, { name: inverter.name }), sayer.written(kilowatts(inverter.acPowerW))],
    acConductor: ({ conductorMm2 }) =>
      say(diagram.acConductor, {
        wires: grid.gridPhases === 'three' ? 4 : grid.gridPhases === 'split' ? 3 : 2,
        size: size(conductorMm2),
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
    meter: diagram.meter,
    grid: [diagram.grid, say(diagram.phases, { phases: grid.gridPhases, volts: volts(grid.gridVoltageV) })],
    left: left > 0 ? say(diagram.left, { modules: left }) : null,
  }
}
