import { type DiagramWords } from '@/core/diagram/single-line'
import { theOne } from '@/core/kinds/documents'
import { offerId } from '@/core/kinds/offer/offer'
import { siteId } from '@/core/kinds/site/site'
import { type Quantity, type Unit } from '@/core/model/said'
import { type CablesDrawn } from '@/core/papers/cable-marks'
import { type Contractor } from '@/core/papers/letterhead'
import { type PlanLabels } from '@/core/papers/roof-plan'
import { type Table } from '@/core/papers/tables'
import { type ScaleWords } from '@/core/papers/to-scale'
import { type PaperFacts } from '@/core/readers/papered'
import { acPowerOf, type Built } from '@/core/parts/parts-list'
import { panelsOf } from '@/core/site/site'
import { diagramWords } from '../diagram-words'
import { diagram } from '../en/diagram'
import { papers as words } from '../en/papers'
import { wiring } from '../en/wiring'
import { planLabels } from '../plan-labels'
import { type Sayer } from '../sayer'

/** How figures are handed to whoever writes them. */
export const of = (value: number, unit: Unit, digits?: number): Quantity =>
  digits === undefined ? { value, unit } : { value, unit, digits }

/** What every sheet of a set says. */
export interface Common {
  readonly heading: readonly string[]
  readonly from: string | null
  readonly numbered: (number: number, of: number) => string
  readonly scale: ScaleWords
  readonly roofPlan: PlanLabels
  readonly diagram: { readonly title: string; readonly words: DiagramWords } | null
}

/** Who builds it, in a line: what is not entered is left out, unless something stands for it. */
export const contractorLine = (sayer: Sayer, { name, licence, phone }: Contractor, without = ''): string =>
  [name, licence === '' ? without : sayer.say(words.licensed, { licence }), phone]
    .filter((text) => text !== '')
    .join(', ')

export function commonWords(sayer: Sayer, { house, option, built, contractor }: PaperFacts): Common {
  const site = theOne(house, 'site', siteId)
  const name = theOne(option, 'offer', offerId).name
  const { address, locale, units } = site
  const labels = planLabels(sayer, built.site, built.module, { address, option: name, locale })
  const { scale, north } = labels
  return {
    heading: labels.heading,
    from: contractor && contractorLine(sayer, contractor),
    numbered: (number, all) => sayer.say(words.numbered, { number, of: all }),
    scale: { scale, north },
    roofPlan: labels,
    diagram:
      built.strings.length === 0
        ? null
        : { title: diagram.title, words: diagramWords(sayer, built, { address, units, option: name }) },
  }
}

/** Cables and devices as the plans show them. */
export function cablesDrawn({ cables: { devices, dc, ac, battery } }: Built): CablesDrawn {
  const runs = [...dc, ...ac, ...(battery ? [battery] : [])]
  return {
    ways: runs.flatMap(({ ways }) => ways.map(({ points }) => points)),
    devices: devices.map(({ at, name }) => ({ at, name: wiring.places[name] })),
  }
}

/** A table of names and values without a head. */
export const facts = (title: string, rows: readonly (readonly [string, string])[]): Table => ({
  title,
  columns: [
    { head: '', share: 2 },
    { head: '', share: 3 },
  ],
  rows,
})

/** Things to be done, each with a box, two beside each other. */
export const tasks = (title: string, all: readonly string[]): Table => ({
  title,
  columns: [
    { head: '', share: 1, as: 'tick' },
    { head: '', share: 20 },
    { head: '', share: 1, as: 'tick' },
    { head: '', share: 20 },
  ],
  rows: Array.from({ length: Math.ceil(all.length / 2) }, (_, i) => [
    '',
    all[2 * i] ?? '',
    '',
    all[2 * i + 1] ?? '',
  ]),
})

/** The system in a few lines. */
export function systemRows(sayer: Sayer, { built, yieldKwh }: PaperFacts): [string, string][] {
  const { module, inverter, optimizer, optimized, inverters, devices, battery, site } = built
  const count = panelsOf(site).length
  const acPowerW = acPowerOf(built)
  return [
    [
      words.modules,
      sayer.say(words.modulesValue, {
        count,
        name: module.name,
        power: of((count * module.powerW) / 1000, 'kW', 2),
      }),
    ],
    [
      words.inverter,
      devices.length > 0 || inverters > 1
        ? sayer.say(words.invertersValue, {
            count: inverters,
            name: inverter.name,
            power: devices.length > 0 ? of(inverter.acPowerW, 'W', 0) : of(inverter.acPowerW / 1000, 'kW', 1),
          })
        : sayer.say(words.inverterValue, {
            name: inverter.name,
            power: of(inverter.acPowerW / 1000, 'kW', 1),
          }),
    ],
    ...(optimizer && optimized.length > 0
      ? [
          [
            words.optimizers,
            sayer.say(words.optimizersValue, { count: optimized.length, name: optimizer.name }),
          ] satisfies [string, string],
        ]
      : []),
    [words.ratio, sayer.written(of((count * module.powerW) / acPowerW, 'ratio', 2))],
    [
      words.battery,
      battery
        ? sayer.say(words.batteryValue, {
            count: battery.count,
            name: battery.type.name,
            energy: of(battery.count * battery.type.usableKwh, 'kWh', 1),
          })
        : words.noBattery,
    ],
    ...(yieldKwh === null
      ? []
      : [[words.yield, sayer.written(of(yieldKwh, 'kWh', 0))] satisfies [string, string]]),
  ]
}
