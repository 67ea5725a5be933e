import { type DiagramWords, singleLineMarks } from '../diagram/single-line'
import { placed, type Mark, type PaperDrawing } from '../drawing/paper'
import { type StringWindow } from '../electrical/stringing'
import { type Drawn } from '../exports/drawn'
import { type Built } from '../parts/parts-list'
import { bound, type Leaf, type Listed } from './binder'
import { type CablesDrawn } from './cable-marks'
import { photoSheets, type Photograph } from './photos'
import { plateSheets, type Plate } from './plates'
import { moduleMap, roofPlan, type MapSaid, type PlanLabels, type Written } from './roof-plan'
import { letters, roomOn, sheetOf, signed, type Paper, type Room } from './sheet'
import { sitePlan, vicinityPlan, type Surroundings } from './site-plan'
import { tableSheets, type Table } from './tables'
import { type ScaleWords } from './to-scale'

/** What both sets are drawn from. */
export interface Papered extends Surroundings {
  readonly drawn: Drawn
  readonly built: Built
  readonly volts: Pick<StringWindow, 'coldVocV' | 'hotVmpV'>
  readonly as: Written
  readonly paper: Paper
}

/** What every set says. */
interface SetWords {
  /** Lines of every title block. */
  readonly heading: readonly string[]
  /** Who it is from, beside each title; null where nobody has said. */
  readonly from: string | null
  readonly numbered: (number: number, of: number) => string
  readonly scale: ScaleWords
}

export interface TablesText {
  readonly title: string
  readonly tables: readonly Table[]
}

export interface PermitText extends SetWords {
  readonly cover: {
    readonly title: string
    readonly tables: readonly Table[]
    readonly list: (list: readonly Listed[]) => Table
    readonly vicinity: (scale: number) => string
  }
  readonly checklist: TablesText
  readonly sitePlan: { readonly title: string; readonly note: string; readonly cables: CablesDrawn }
  readonly roofPlan: PlanLabels
  readonly diagram: { readonly title: string; readonly words: DiagramWords } | null
  readonly structure: TablesText
  readonly plates: { readonly title: string; readonly all: readonly Plate[] }
  readonly dataSheets: TablesText
}

export interface HandOverText extends SetWords {
  readonly cover: { readonly title: string; readonly tables: (list: readonly Listed[]) => readonly Table[] }
  readonly visit: TablesText
  readonly stringMap: MapSaid & { readonly title: string }
  readonly serials: TablesText
  readonly roofPlan: PlanLabels
  readonly diagram: PermitText['diagram']
  readonly parts: TablesText
  readonly commissioning: TablesText
  readonly photos: { readonly title: string; readonly all: readonly Photograph[] }
}

/** Metres for one on paper, of the small plan of what lies around. */
const vicinityScale = 1000

/** How much of the cover's height the vicinity takes. */
const mapShare = 0.58

/** The drawings and lists that an authority asks for, a cover first. */
export function permitSet(from: Papered, text: PermitText): PaperDrawing[] {
  const { drawn, as, paper } = from
  const room = roomOn(paper)
  const middle = (room.left + room.right) / 2
  const right: Room = { ...room, left: middle + 4 }
  const map: Room = { ...right, top: room.top + 6, bottom: room.top + (room.bottom - room.top) * mapShare }
  const beside: Mark[] = [
    letters(text.cover.vicinity(vicinityScale), [map.left, room.top + 3], { bold: true }),
    ...vicinityPlan(drawn, map, vicinityScale, from),
  ]
  const cover = (list: readonly Listed[]): Leaf[] => {
    const left = tableSheets(text.cover.tables, { ...room, right: middle - 4 })
    const under = tableSheets([text.cover.list(list)], { ...right, top: map.bottom + 5 })
    return Array.from({ length: Math.max(left.length, under.length) }, (_, i) =>
      leaf(from, text, text.cover.title, [
        ...(left[i] ?? []),
        ...(under[i] ?? []),
        ...(i === 0 ? beside : []),
      ]),
    )
  }
  return bound(
    cover,
    [
      ...tablesLeaves(from, text, text.checklist),
      {
        title: text.sitePlan.title,
        draw: (number) =>
          sitePlan(
            drawn,
            as,
            paper,
            {
              ...text.scale,
              title: text.sitePlan.title,
              heading: [...text.heading.slice(0, 2), text.sitePlan.note],
              cables: text.sitePlan.cables,
            },
            from,
            number,
          ),
      },
      { title: text.roofPlan.title, draw: (number) => roofPlan(drawn, as, paper, text.roofPlan, number) },
      ...diagramLeaves(from, text, text.diagram),
      ...tablesLeaves(from, text, text.structure),
      ...plateSheets(text.plates.all, room).map((marks) => leaf(from, text, text.plates.title, marks)),
      ...tablesLeaves(from, text, text.dataSheets, 2),
    ],
    text.numbered,
  ).map((sheet) => signed(sheet, paper, text.from))
}

/** What the installer takes along: what to check first, where which module hangs, parts, and what to measure. */
export function handOverSet(from: Papered, text: HandOverText): PaperDrawing[] {
  const { drawn, as, paper } = from
  return bound(
    (list) => tablesLeaves(from, text, { ...text.cover, tables: text.cover.tables(list) }),
    [
      ...tablesLeaves(from, text, text.visit),
      {
        title: text.stringMap.title,
        draw: (number) =>
          moduleMap(
            drawn,
            as,
            paper,
            { ...text.scale, title: text.stringMap.title, heading: text.heading },
            text.stringMap,
            number,
          ),
      },
      ...tablesLeaves(from, text, text.serials, 2),
      { title: text.roofPlan.title, draw: (number) => roofPlan(drawn, as, paper, text.roofPlan, number) },
      ...diagramLeaves(from, text, text.diagram),
      ...tablesLeaves(from, text, text.parts),
      ...tablesLeaves(from, text, text.commissioning),
      ...photoSheets(text.photos.all, roomOn(paper)).map((marks) =>
        leaf(from, text, text.photos.title, marks),
      ),
    ],
    text.numbered,
  ).map((sheet) => signed(sheet, paper, text.from))
}

const leaf = ({ paper }: Papered, { heading }: SetWords, title: string, marks: readonly Mark[]): Leaf => ({
  title,
  draw: (number) => sheetOf(paper, { title, lines: heading, number }, marks),
})

const tablesLeaves = (
  from: Papered,
  words: SetWords,
  { title, tables }: TablesText,
  columns: 1 | 2 = 1,
): Leaf[] => tableSheets(tables, roomOn(from.paper), columns).map((marks) => leaf(from, words, title, marks))

/** How far the diagram reaches on its own sheet, mm. */
const diagramReach = { left: 14, top: 16, width: 272, height: 154 }

function diagramLeaves(from: Papered, words: SetWords, diagram: PermitText['diagram']): Leaf[] {
  if (!diagram) return []
  const room = roomOn(from.paper)
  const { left, top, width, height } = diagramReach
  const scale = Math.min(1, (room.right - room.left) / width, (room.bottom - room.top) / height)
  const marks = singleLineMarks(from.built, from.volts, diagram.words)
  return [
    leaf(
      from,
      words,
      diagram.title,
      placed(marks, [room.left - left * scale, room.top - top * scale], scale),
    ),
  ]
}
