import { type Mark, type PaperDrawing } from '../drawing/paper'
import { type Drawn } from '../exports/drawn'
import { boundsOf } from '../geometry/bounds'
import { hatchOf } from '../geometry/hatch'
import { length3, sub3, type Vec2, type Vec3 } from '../geometry/vector'
import { planeParts } from '../layout/kept-free'
import { fromFrame } from '../layout/plane-frame'
import { formatLength, type UnitSystem } from '../model/units'
import { distinctMargins, isRoofed, panelsOf, type LaidArray, type Panel } from '../site/site'
import { footOutline, railOutline } from '../structure/outlines'
import { writtenAlong } from './along'
import { cableMarks, type CablesDrawn } from './cable-marks'
import { furnitureAt, letters, roomOn, sheetOf, type Paper } from './sheet'
import { furniture, outlined, toScale, type ScaleWords, type ToScale } from './to-scale'

/** What stands on a plan in words. */
export interface PlanLabels extends ScaleWords {
  readonly title: string
  readonly heading: readonly string[]
  readonly array: (array: LaidArray) => string
}

export interface Written {
  readonly units: UnitSystem
  readonly locale: string
}

/** Free around the house for its dimensions, mm. */
const aroundMm = 10
/** Hatching, m; finer on paper is a grey. */
const hatchM = 0.25
/** Edges shorter than this on paper have no dimension, mm. */
const leastDimensionMm = 9
/** Radius of what a string's end is written in, mm. */
const endMm = 0.9
const greys = { plane: 0.96, walkway: 0.88, module: 0.8, obstruction: 0.72 } as const

/**
 * The roof from above as a drawing to scale, north up. Planes, setbacks, walkways, obstructions, modules, rails and their
 * attachments on layers of their own; edges with their true lengths.
 */
export function roofPlan(
  drawn: Drawn,
  as: Written,
  paper: Paper,
  labels: PlanLabels,
  number: string | null = null,
): PaperDrawing {
  const view = roofView(drawn, paper, as.units)
  return sheetOf(paper, { title: labels.title, lines: labels.heading, number }, [
    ...roofMarks(drawn, view),
    ...dimensionMarks(drawn, view, as),
    ...arrayMarks(drawn, view, labels),
    ...furniture(view, furnitureAt(paper), as, labels),
  ])
}

/** What is said of modules on a map of them. */
export interface MapSaid {
  /** Up to two short lines on a module. */
  readonly said: (panel: Panel) => { readonly lines: readonly string[]; readonly isDark: boolean }
  /** Module ids of each string in the order that it runs, with what is written at its ends. */
  readonly paths: readonly {
    readonly panelIds: readonly string[]
    readonly first: string
    readonly last: string
  }[]
  readonly cables: CablesDrawn
}

/** The roof with what is to be said of each of its modules, and how the strings run over them: the string map. */
export function moduleMap(
  drawn: Drawn,
  as: Written,
  paper: Paper,
  labels: Omit<PlanLabels, 'array'>,
  { said, paths, cables }: MapSaid,
  number: string | null,
): PaperDrawing {
  const view = roofView(drawn, paper, as.units)
  const panels = new Map(panelsOf(drawn.site).map((panel) => [panel.id, panel]))
  const ways = paths.map(({ panelIds, ...ends }) => ({
    ...ends,
    points: panelIds.flatMap((id) => {
      const panel = panels.get(id)
      return panel ? [belowMiddle(panel.corners.map(view.at))] : []
    }),
  }))
  return sheetOf(paper, { title: labels.title, lines: labels.heading, number }, [
    ...planeMarks(drawn, view),
    ...thingMarks(drawn, view),
    ...panelsOf(drawn.site).map((panel) =>
      outlined(view, panel.corners, 'MODULES', {
        widthMm: 0.25,
        fill: said(panel).isDark ? greys.module : 1,
      }),
    ),
    // Under what is written of the strings.
    ...cableMarks(cables, view),
    ...ways.map(({ points }): Mark => ({
      layer: 'STRING-PATHS',
      is: 'line',
      points,
      widthMm: 0.3,
      dashed: true,
    })),
    ...panelsOf(drawn.site).flatMap((panel) => {
      const { lines } = said(panel)
      const corners = panel.corners.map(view.at)
      const [low, high] = boundsOf(corners.map(([x, y]): Vec3 => [x, y, 0]))
      const size = Math.min(2.6, (high[0] - low[0]) / 4.2, (high[1] - low[1]) / 3.2)
      const middle: Vec2 = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
      return lines.map((line, k) =>
        letters(line, [middle[0], middle[1] + size * (0.36 + (k - (lines.length - 1) / 2) * 1.15)], {
          layer: 'STRINGS',
          anchor: 'middle',
          sizeMm: size,
          bold: k === 0,
          halo: true,
        }),
      )
    }),
    ...ways.flatMap(({ points, first, last }) => endMarks(points, first, last)),
    ...furniture(view, furnitureAt(paper), as, labels),
  ])
}

/** Where a string crosses a module: under its words, on the side that is lower on paper. */
function belowMiddle(corners: readonly Vec2[]): Vec2 {
  const [low, high] = boundsOf(corners.map(([x, y]): Vec3 => [x, y, 0]))
  return [(low[0] + high[0]) / 2, high[1] - (high[1] - low[1]) * 0.14]
}

/** What is written at the first and the last module of a string. */
function endMarks(points: readonly Vec2[], first: string, last: string): Mark[] {
  const [begin, end] = [points[0], points.at(-1)]
  if (!begin || !end) return []
  const at = (point: Vec2, sign: string, aside: number): Mark[] => [
    {
      layer: 'STRING-PATHS',
      is: 'circle',
      at: [point[0] + aside, point[1]],
      radiusMm: endMm,
      widthMm: 0.18,
      fill: 1,
    },
    letters(sign, [point[0] + aside, point[1] + endMm * 0.62], {
      layer: 'STRING-PATHS',
      anchor: 'middle',
      sizeMm: endMm * 1.8,
      bold: true,
    }),
  ]
  const aside = points.length < 2 ? endMm * 1.3 : 0
  return [...at(end, last, aside), ...at(begin, first, -aside)]
}

const roofsOf = ({ site }: Drawn) => site.objects.filter(isRoofed)

function roofView(drawn: Drawn, paper: Paper, units: UnitSystem): ToScale {
  const { left, top, right, bottom } = roomOn(paper)
  const room = {
    left: left + aroundMm,
    top: top + aroundMm,
    right: right - aroundMm,
    bottom: bottom - aroundMm,
  }
  const corners = [
    ...roofsOf(drawn).flatMap(({ geometry }) => geometry.faces.flatMap((face) => face.corners)),
    ...panelsOf(drawn.site).flatMap((panel) => panel.corners),
  ]
  return toScale(corners, room, units)
}

const planeMarks = (drawn: Drawn, view: ToScale): Mark[] =>
  roofsOf(drawn).flatMap(({ geometry }) =>
    geometry.faces.map((face) =>
      outlined(view, face.corners, 'PLANES', { widthMm: 0.35, fill: greys.plane }),
    ),
  )

const thingMarks = ({ site }: Drawn, view: ToScale): Mark[] =>
  site.objects
    .filter(
      ({ kind, geometry }) =>
        geometry.faces.length === 0 && kind !== 'walkway' && geometry.keepOuts.length > 0,
    )
    .flatMap(({ geometry }) =>
      geometry.keepOuts.map(({ base }) =>
        outlined(view, base, 'OBSTRUCTIONS', { widthMm: 0.3, fill: greys.obstruction }),
      ),
    )

function roofMarks(drawn: Drawn, view: ToScale): Mark[] {
  const { site, holdings = [] } = drawn
  const margins = distinctMargins(site.arrays).map(planeParts)
  const walkways = site.objects.filter(({ kind }) => kind === 'walkway')
  const rails = holdings.flatMap((holding) =>
    holding.is === 'rails' ? holding.rails.map((rail) => ({ rail, holding })) : [],
  )
  return [
    ...planeMarks(drawn, view),
    ...margins.flatMap(({ frame, free, usable }) => [
      ...hatchOf(free, hatchM).map(([a, b]): Mark => ({
        layer: 'SETBACKS',
        is: 'line',
        points: [view.at(fromFrame(frame, a)), view.at(fromFrame(frame, b))],
        widthMm: 0.08,
      })),
      ...usable.map((ring) =>
        outlined(
          view,
          ring.map((p) => fromFrame(frame, p)),
          'SETBACKS',
          { widthMm: 0.13 },
        ),
      ),
    ]),
    ...walkways.flatMap(({ geometry }) =>
      geometry.keepOuts.map(({ base }) =>
        outlined(view, base, 'WALKWAYS', { widthMm: 0.25, fill: greys.walkway }),
      ),
    ),
    ...panelsOf(site).map((panel) =>
      outlined(view, panel.corners, 'MODULES', { widthMm: 0.25, fill: greys.module }),
    ),
    ...rails.map(({ rail, holding }) =>
      outlined(view, railOutline(rail, holding), 'RACKING', { widthMm: 0.13, fill: 1 }),
    ),
    ...rails.flatMap(({ rail, holding }) =>
      rail.feet.map((foot) =>
        outlined(view, footOutline(foot, rail, holding), 'ATTACHMENTS', { widthMm: 0, fill: 0 }),
      ),
    ),
    ...thingMarks(drawn, view),
  ]
}

function dimensionMarks(drawn: Drawn, view: ToScale, { units, locale }: Written): Mark[] {
  const rings = roofsOf(drawn).flatMap(({ geometry }) => geometry.faces.map((face) => face.corners))
  return dimensioned(rings).flatMap(({ from, to }) =>
    writtenAlong(
      formatLength(length3(sub3(to, from)), units, locale),
      [view.at(from), view.at(to)],
      leastDimensionMm,
      'DIMENSIONS',
    ),
  )
}

const arrayMarks = ({ site }: Drawn, view: ToScale, labels: PlanLabels): Mark[] =>
  site.arrays.flatMap((array) => {
    if (array.panels.length === 0) return []
    const [low, high] = boundsOf(array.panels.flatMap((panel) => panel.corners))
    return [
      letters(labels.array(array), view.at([(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]), {
        layer: 'ARRAYS',
        anchor: 'middle',
        bold: true,
        halo: true,
      }),
    ]
  })

/** Edges of planes, each once: two planes share a ridge. */
function dimensioned(rings: readonly (readonly Vec3[])[]): { readonly from: Vec3; readonly to: Vec3 }[] {
  const found = new Map<string, { readonly from: Vec3; readonly to: Vec3 }>()
  for (const ring of rings)
    ring.forEach((from, i) => {
      const to = ring[(i + 1) % ring.length] ?? from
      const key = [from, to].map((p) => p.map((v) => v.toFixed(3)).join(' ')).sort()
      const known = key.join('/')
      if (!found.has(known)) found.set(known, { from, to })
    })
  return [...found.values()]
}
