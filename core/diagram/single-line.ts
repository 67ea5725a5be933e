import { type StringWindow } from '../electrical/stringing'
import { type Mark, type PaperDrawing } from '../drawing/paper'
import { type Vec2 } from '../geometry/vector'
import { dcConductorFor } from '../cables/circuit'
import { type Built } from '../parts/parts-list'
import {
  figuresOf,
  type BranchFigures,
  type CircuitFigures,
  type Figures,
  type InputFigures,
} from './figures'
import * as symbol from './symbols'

/** What stands on the diagram in words. */
export interface DiagramWords {
  readonly title: string
  /** Lines of the title block. */
  readonly heading: readonly string[]
  readonly array: (input: InputFigures) => readonly string[]
  readonly branch: (branch: BranchFigures) => readonly string[]
  readonly combiner: readonly string[]
  readonly dcConductor: (mm2: number, shortCircuitA: number) => string
  readonly cable: (metres: number) => string
  readonly dcDisconnect: readonly string[]
  /** Of each, from 1. */
  readonly inverter: (at: number) => readonly string[]
  readonly acConductor: (circuit: CircuitFigures) => string
  readonly acDisconnect: readonly string[]
  readonly breaker: (circuit: CircuitFigures) => readonly string[]
  readonly panel: readonly string[]
  readonly loads: string
  readonly battery: readonly string[]
  /** Of one on a battery port. */
  readonly batteryCurrent: (currentA: number) => string
  readonly meter: string
  readonly grid: readonly string[]
  /** Modules that hang on no input; null where all do. */
  readonly left: string | null
}

const [paperW, paperH] = [297, 210]
const margin = 10
const text = 2.7
/** Columns, mm from the left. */
const at = {
  array: 22,
  split: 98,
  inverter: 128,
  disconnect: 155,
  breaker: 180,
  bar: 199,
  meter: 236,
  grid: 270,
}
const top = 34
const bottom = paperH - 46

/**
 * The single-line diagram of what is built, on A4: arrays by input, disconnects, inverter, breakers, service panel,
 * battery, meter and supply, with ratings and conductors.
 */
export const singleLine = (
  built: Built,
  window: Pick<StringWindow, 'coldVocV' | 'hotVmpV'>,
  words: DiagramWords,
): PaperDrawing => ({
  widthMm: paperW,
  heightMm: paperH,
  title: words.title,
  marks: [...frame(words), ...singleLineMarks(built, window, words)],
})

/** The diagram alone, without a frame, where it lies on its own sheet. */
export function singleLineMarks(
  built: Built,
  window: Pick<StringWindow, 'coldVocV' | 'hotVmpV'>,
  words: DiagramWords,
): Mark[] {
  const figures = figuresOf(built, window)
  const { ys, apart, groups } = rowsOf(figures)
  const middle = ((groups[0]?.[0] ?? 0) + (groups.at(-1)?.at(-1) ?? 0)) / 2
  const said = Math.max(
    0,
    ...figures.inputs.map((input) => words.array(input).length),
    ...figures.branches.map((branch) => words.branch(branch).length),
  )
  const small = apart > 0 && apart < said * (text + 0.8) + 9
  return [
    ...figures.inputs.flatMap((input, r) => arrayRow(input, ys[r] ?? middle, small, words)),
    ...figures.branches.flatMap((branch, r) => branchRow(branch, ys[r] ?? middle, small, words)),
    ...(figures.inputs.length > 0 ? dcSide(groups, words) : []),
    ...acSide(middle, apart, groups, figures, words),
    ...(words.left === null ? [] : [label(words.left, [margin + 4, bottom + 2], { bold: true })]),
  ]
}

/** Room for the words between one inverter and the next, mm; less where there are many. */
const betweenInverters = 20

/** Where each row lies, and those of each inverter; of one without any row the place where it stands. */
function rowsOf({ inputs, branches, inverters }: Figures) {
  const owners = branches.length > 0 ? branches.map(() => 0) : inputs.map(({ inverter }) => inverter)
  const counts = Array.from({ length: inverters }, (_, own) =>
    Math.max(1, owners.filter((owner) => owner === own).length),
  )
  const places = counts.reduce((sum, count) => sum + count, 0)
  const gap = inverters > 1 ? Math.min(betweenInverters, 60 / (inverters - 1)) : 0
  const room = bottom - top - 14 - gap * (inverters - 1)
  const apart = places > 1 ? Math.min(30, room / (places - 1)) : 0
  let y = places > 1 ? top + 12 : top + 26
  const groups = counts.map((count, g) => {
    if (g > 0) y += apart + gap
    const own = Array.from({ length: count }, (_, r) => y + r * apart)
    y = own.at(-1) ?? y
    return own
  })
  const taken = groups.map(() => 0)
  const ys = owners.map((owner) => {
    const at = taken[owner] ?? 0
    taken[owner] = at + 1
    return groups[owner]?.[at] ?? y
  })
  return { ys, apart, groups }
}

const label = (
  said: string,
  place: Vec2,
  more: { anchor?: 'start' | 'middle' | 'end'; bold?: boolean; sizeMm?: number } = {},
): Mark => ({ layer: 'LABELS', is: 'text', at: place, text: said, sizeMm: text, anchor: 'start', ...more })

const lines = (
  said: readonly string[],
  [x, y]: Vec2,
  anchor: 'start' | 'middle' | 'end' = 'middle',
): Mark[] => said.map((one, k) => label(one, [x, y + k * (text + 0.9)], { anchor, bold: k === 0 }))

function frame(words: DiagramWords): Mark[] {
  const ring = (x0: number, y0: number, x1: number, y1: number): Mark => ({
    layer: 'FRAME',
    is: 'line',
    closed: true,
    widthMm: 0.35,
    points: [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
  })
  const [x, y] = [paperW - margin - 110, paperH - margin - 28]
  return [
    ring(margin, margin, paperW - margin, paperH - margin),
    ring(x, y, paperW - margin, paperH - margin),
    label(words.title, [x + 3, y + 6], { bold: true, sizeMm: 4 }),
    ...words.heading.map((one, k) => label(one, [x + 3, y + 12 + k * 4.2])),
  ]
}

function arrayRow(input: InputFigures, y: number, small: boolean, words: DiagramWords): Mark[] {
  const said = words.array(input)
  const mm2 = dcConductorFor(input.currentA)
  return [
    ...symbol.photovoltaic([at.array, y]),
    symbol.wire([
      [at.array + 5, y],
      [at.split - 4, y],
    ]),
    ...(small ? said.slice(0, 1) : said).map((one, k, all) =>
      label(one, [at.array + 8, y - 1.6 - (all.length - 1 - k) * (text + 0.8)], { bold: k === 0 }),
    ),
    label(small ? (said.at(-1) ?? '') : words.dcConductor(mm2, input.currentA), [at.array + 8, y + text + 1]),
    ...(small ? [] : cableLength(input, [at.array + 8, y + 2 * text + 1.8], words)),
    ...symbol.disconnector([at.split, y]),
    symbol.wire([
      [at.split + 4, y],
      [at.inverter - 9, y],
    ]),
  ]
}

/** How long a cable is, where it is led. */
const cableLength = (
  { cableM }: Pick<CircuitFigures, 'cableM'>,
  place: Vec2,
  words: DiagramWords,
  anchor: 'start' | 'middle' = 'start',
): Mark[] => (cableM === undefined ? [] : [label(words.cable(cableM), place, { anchor })])

/** Modules, the microinverters under them, and the breaker of their branch. */
function branchRow(branch: BranchFigures, y: number, small: boolean, words: DiagramWords): Mark[] {
  const said = words.branch(branch)
  const converterX = at.array + 12
  const textX = converterX + 7
  return [
    ...symbol.photovoltaic([at.array, y]),
    symbol.wire([
      [at.array + 5, y],
      [converterX - 5, y],
    ]),
    ...symbol.converter([converterX, y], 10, 10),
    symbol.wire([
      [converterX + 5, y],
      [at.split - 4, y],
    ]),
    ...(small ? said.slice(0, 1) : said).map((one, k, all) =>
      label(one, [textX, y - 1.6 - (all.length - 1 - k) * (text + 0.8)], { bold: k === 0 }),
    ),
    label(small ? (said.at(-1) ?? '') : words.acConductor(branch.circuit), [textX, y + text + 1]),
    ...(small ? [] : cableLength(branch.circuit, [textX, y + 2 * text + 1.8], words)),
    ...symbol.breaker([at.split, y]),
    ...(small ? [] : lines(words.breaker(branch.circuit), [at.split, y + 5.5])),
    symbol.wire([
      [at.split + 4, y],
      [at.inverter - 9, y],
    ]),
  ]
}

/** One disconnect opens all inputs of an inverter: a dashed line joins its poles. */
function dcSide(groups: readonly (readonly number[])[], words: DiagramWords): Mark[] {
  const last = groups.at(-1)?.at(-1) ?? 0
  return [
    ...groups.flatMap((ys) => {
      const [low, high] = [ys[0] ?? 0, ys.at(-1) ?? 0]
      return ys.length > 1
        ? [
            symbol.wire(
              [
                [at.split, low - 1.4],
                [at.split, high - 1.4],
              ],
              true,
            ),
          ]
        : []
    }),
    ...lines(words.dcDisconnect, [at.split, last + 8.5]),
  ]
}

const across = (from: number, to: number, level: number): Mark =>
  symbol.wire([
    [from, level],
    [to, level],
  ])

/** An inverter with what opens and protects it, or the combiner of branches, to the bus bar. @returns its middle too */
function inverterMarks(
  which: number,
  ys: readonly number[],
  apart: number,
  { branches, each, inverters }: Figures,
  words: DiagramWords,
): { readonly y: number; readonly bottom: number; readonly marks: Mark[] } {
  const y = ((ys[0] ?? 0) + (ys.at(-1) ?? 0)) / 2
  const isCombined = branches.length > 0
  const height = Math.max(inverters > 1 ? 12 : 18, ys.length > 1 ? apart * (ys.length - 1) + 12 : 0)
  const named = isCombined ? words.combiner : words.inverter(which + 1)
  const conductorX = (at.disconnect + at.breaker) / 2
  /** What is alike for all is said once, at the first. */
  const once = which === 0
  return {
    y,
    bottom: y + height / 2,
    marks: [
      // Microinverters stand at their modules: here their branches come together.
      ...(isCombined
        ? symbol.enclosedBar([at.inverter, y], 18, height)
        : symbol.converter([at.inverter, y], 18, height)),
      ...lines(named, [at.inverter, y - height / 2 - 2 - (named.length - 1) * (text + 0.9)]),
      symbol.wire([
        [at.inverter, y + height / 2],
        [at.inverter, y + height / 2 + (inverters > 1 ? 2 : 5)],
      ]),
      ...symbol.earth([at.inverter, y + height / 2 + (inverters > 1 ? 2 : 5)]),
      across(at.inverter + 9, at.disconnect - 4, y),
      ...symbol.disconnector([at.disconnect, y]),
      ...(once ? lines(words.acDisconnect, [at.disconnect, y - 8]) : []),
      across(at.disconnect + 4, at.breaker - 4, y),
      label(words.acConductor(each), [conductorX, y + text + 1.4], { anchor: 'middle' }),
      ...cableLength(each, [conductorX, y + 2 * text + 2.2], words, 'middle'),
      ...symbol.breaker([at.breaker, y]),
      ...lines(words.breaker(each), [at.breaker, y - (inverters > 1 ? 6 : 12)]),
      across(at.breaker + 4, at.bar, y),
      symbol.joint([at.bar, y]),
    ],
  }
}

/** Batteries that hang on the inverter, below it. @param bottom of the inverter */
function dcBatteryMarks(
  bottom: number,
  { currentA }: NonNullable<Figures['dcBattery']>,
  words: DiagramWords,
): Mark[] {
  const x = at.inverter - 6
  const y = bottom + 12
  return [
    symbol.wire([
      [x, bottom],
      [x, y],
      [x - 4, y],
    ]),
    ...symbol.disconnector([x - 8, y]),
    across(x - 18, x - 12, y),
    ...symbol.storage([x - 25, y], 'from-right'),
    ...lines([...words.battery, words.batteryCurrent(currentA)], [x - 26, y + 8]),
  ]
}

function acSide(
  y: number,
  apart: number,
  groups: readonly (readonly number[])[],
  figures: Figures,
  words: DiagramWords,
): Mark[] {
  const inverters = groups.map((ys, which) => inverterMarks(which, ys, apart, figures, words))
  const [barTop, barBottom] = [
    Math.min(y - 14, (inverters[0]?.y ?? y) - 8),
    Math.max(y + (figures.battery ? 44 : 26), (inverters.at(-1)?.y ?? y) + 8),
  ]
  const run = (from: number, to: number, level = y): Mark => across(from, to, level)
  const batteryY = y + 34
  const lowest = inverters.at(-1)
  return [
    ...inverters.flatMap(({ marks }) => marks),
    ...(figures.dcBattery && lowest ? dcBatteryMarks(lowest.bottom, figures.dcBattery, words) : []),
    symbol.busBar(at.bar, barTop, barBottom),
    ...lines(words.panel, [at.bar, barTop - 6]),
    symbol.joint([at.bar, y]),
    run(at.bar, at.meter - 5),
    ...symbol.meter([at.meter, y]),
    label(words.meter, [at.meter, y - 7], { anchor: 'middle', bold: true }),
    run(at.meter + 5, at.grid - 5),
    ...symbol.supply([at.grid, y]),
    ...lines(words.grid, [at.grid, y - 7 - (words.grid.length - 1) * (text + 0.9)]),
    symbol.joint([at.bar, y + 14]),
    run(at.bar, at.bar + 14, y + 14),
    ...symbol.load([at.bar + 14, y + 14]),
    label(words.loads, [at.bar + 19, y + 14.9]),
    ...(figures.battery
      ? [
          symbol.joint([at.bar, batteryY]),
          run(at.bar, at.bar + 10, batteryY),
          ...symbol.breaker([at.bar + 14, batteryY]),
          ...lines(
            [
              ...words.breaker(figures.battery),
              words.acConductor(figures.battery),
              ...(figures.battery.cableM === undefined ? [] : [words.cable(figures.battery.cableM)]),
            ],
            [at.bar + 14, batteryY + 8],
          ),
          run(at.bar + 18, at.bar + 26, batteryY),
          ...symbol.converter([at.bar + 32, batteryY], 12, 12, 'from-alternating'),
          run(at.bar + 38, at.bar + 46, batteryY),
          ...symbol.storage([at.bar + 53, batteryY]),
          ...lines(words.battery, [at.bar + 52, batteryY + 8]),
        ]
      : []),
  ]
}
