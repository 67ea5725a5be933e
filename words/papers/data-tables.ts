import { type Unit } from '@/core/model/said'
import { type Table } from '@/core/papers/tables'
import { type PaperFacts } from '@/core/readers/papered'
import { papers as words } from '../en/papers'
import { type Sayer } from '../sayer'
import { facts, of } from './common'

/** What the data sheets of everything that is built say, as far as the design rests on it. */
export function dataTables(sayer: Sayer, { built }: PaperFacts): Table[] {
  const { module, inverter, optimizer, battery, holdings } = built
  const say = (value: number, unit: Unit, digits?: number) => sayer.written(of(value, unit, digits))
  const between = (lowV: number, highV: number) => `${say(lowV, 'V', 0)} – ${say(highV, 'V', 0)}`
  const titled = (maker: string, name: string) => (name.startsWith(maker) ? name : `${maker} ${name}`)
  const mountings = new Map(
    holdings.flatMap((holding) =>
      holding.mounting ? [[holding.mounting.id, holding.mounting] as const] : [],
    ),
  )
  const portFacts = (port: typeof inverter.batteryPort): [string, string][] =>
    port ? [[words.batteryPort, `${say(port.powerKw, 'kW', 1)}, ${between(port.lowV, port.highV)}`]] : []
  return [
    facts(titled(module.maker, module.name), [
      [words.rated, say(module.powerW, 'W', 0)],
      [words.size, `${say(module.lengthM, 'm', 3)} × ${say(module.widthM, 'm', 3)}`],
      ...(module.weightKg === undefined
        ? []
        : [[words.weight, say(module.weightKg, 'kg', 1)] satisfies [string, string]]),
      [words.voc, say(module.vocV, 'V', 1)],
      [words.vmp, say(module.vmpV, 'V', 1)],
      [words.isc, say(module.iscA, 'A', 2)],
      [words.imp, say(module.impA, 'A', 2)],
      [words.vocPerK, say(module.vocPerK, 'share/K', 2)],
      [words.powerPerK, say(module.powerPerK, 'share/K', 2)],
      [words.degradation, say(module.degradation, 'share/year', 2)],
    ]),
    facts(titled(inverter.maker, inverter.name), [
      [words.acPower, say(inverter.acPowerW / 1000, 'kW', inverter.micro ? 2 : 1)],
      ...(inverter.micro
        ? [[words.branchBreaker, say(inverter.micro.branchBreakerA, 'A', 0)] satisfies [string, string]]
        : []),
      [words.mpptInputs, say(inverter.mppInputs, 'count')],
      [words.stringsPerInput, say(inverter.stringsPerInput, 'count')],
      [words.highestV, say(inverter.highestV, 'V', 0)],
      [words.mppRange, between(inverter.mppLowV, inverter.mppHighV)],
      [words.inputCurrent, say(inverter.inputCurrentA, 'A', 1)],
      [words.inputShort, say(inverter.inputShortCurrentA ?? inverter.inputCurrentA, 'A', 1)],
      [words.efficiency, say(inverter.efficiency, 'share', 1)],
      ...portFacts(inverter.batteryPort),
    ]),
    ...(optimizer
      ? [
          facts(titled(optimizer.maker, optimizer.name), [
            [words.rated, say(optimizer.powerW, 'W', 0)],
            [words.highestV, say(optimizer.highestV, 'V', 0)],
            [words.mppRange, between(optimizer.mppLowV, optimizer.mppHighV)],
            [words.inputShort, say(optimizer.inputShortCurrentA, 'A', 1)],
            [words.output, `${say(optimizer.outputV, 'V', 0)}, ${say(optimizer.outputCurrentA, 'A', 1)}`],
            [words.inAString, `${optimizer.fewestPerString} – ${optimizer.mostPerString}`],
            [words.stringPower, say(optimizer.stringPowerW / 1000, 'kW', 1)],
            [words.efficiency, say(optimizer.efficiency, 'share', 1)],
          ]),
        ]
      : []),
    ...(battery
      ? [
          facts(titled(battery.type.maker, battery.type.name), [
            [words.usable, say(battery.type.usableKwh, 'kWh', 1)],
            [words.charge, say(battery.type.chargeKw, 'kW', 1)],
            [words.discharge, say(battery.type.dischargeKw, 'kW', 1)],
            ...(battery.type.dcSide
              ? [
                  [words.dcCoupled, between(battery.type.dcSide.lowV, battery.type.dcSide.highV)] satisfies [
                    string,
                    string,
                  ],
                ]
              : []),
          ]),
        ]
      : []),
    ...[...mountings.values()].map((mounting) =>
      facts(
        titled(mounting.maker, mounting.name),
        mounting.is === 'rails'
          ? [
              [words.railLength, say(mounting.rail.lengthM, 'm', 2)],
              [words.footUp, say(mounting.foot.upKn, 'kN', 2)],
              [words.footDown, say(mounting.foot.downKn, 'kN', 2)],
            ]
          : [[words.blockWeight, say(mounting.block.weightKg, 'kg', 1)]],
      ),
    ),
  ]
}
