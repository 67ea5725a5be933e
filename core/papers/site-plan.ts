import { type Mark, type PaperDrawing } from '../drawing/paper'
import { type Drawn } from '../exports/drawn'
import { type Vec2 } from '../geometry/vector'
import { type PlanShape } from '../kinds/standing'
import { isOwnBuilding, ownOutlines } from '../site/own-outlines'
import { panelsOf, type StandingObject } from '../site/site'
import { cableMarks, type CablesDrawn } from './cable-marks'
import { lotMarks } from './lot-marks'
import { box, furnitureAt, letters, roomOn, sheetOf, textMm, type Paper, type Room } from './sheet'
import { furniture, outlined, toScale, type ScaleWords, type ToScale } from './to-scale'
import { type Written } from './roof-plan'

export interface SitePlanWords extends ScaleWords {
  readonly title: string
  readonly heading: readonly string[]
  readonly cables: CablesDrawn
}

/** What lies around in the site's metres. */
export interface Surroundings {
  /** Outlines of the buildings around; none where nobody has told. */
  readonly around: readonly (readonly Vec2[])[]
  /** The job's own lots. */
  readonly lots: readonly (readonly Vec2[])[]
}

/** How what stands there is drawn, the lower ones first. */
const styles: Readonly<
  Record<
    PlanShape['tone'],
    { readonly rank: number; readonly layer: string; readonly fill?: number; readonly dashed?: boolean }
  >
> = {
  neighbour: { rank: 0, layer: 'NEIGHBOURS', fill: 0.9 },
  roof: { rank: 1, layer: 'BUILDINGS', fill: 0.97 },
  shaded: { rank: 1, layer: 'BUILDINGS', fill: 0.93 },
  obstruction: { rank: 2, layer: 'OBSTRUCTIONS', fill: 0.72 },
  panel: { rank: 3, layer: 'MODULES', fill: 0.8 },
  tree: { rank: 4, layer: 'TREES', dashed: true },
}

/** What has a name on the plan: what stands on the ground. */
const isNamed = ({ kind, geometry }: StandingObject): boolean =>
  kind !== 'dormer' && geometry.plan.some(({ tone }) => tone !== 'obstruction' && tone !== 'panel')

/** The house, its neighbours and trees from above to scale, north up, each with its name, and how far from the lot lines. */
export function sitePlan(
  drawn: Drawn,
  as: Written,
  paper: Paper,
  words: SitePlanWords,
  { around, lots }: Surroundings,
  number: string | null,
): PaperDrawing {
  const room = roomOn(paper)
  const view = toScale([...drawn.site.objects.flatMap(reachOf), ...lots.flat()], room, as.units)
  return sheetOf(paper, { title: words.title, lines: words.heading, number }, [
    ...aroundMarks(around, view, room),
    ...siteMarks(drawn, view),
    ...lotMarks(lots, ownOutlines(drawn.site), view, as),
    ...nameMarks(drawn, view),
    ...cableMarks(words.cables, view),
    ...furniture(view, furnitureAt(paper), as, words),
  ])
}

/** A small plan of what lies around, with the house in black. Outlines that reach beyond are left out. */
export function vicinityPlan(
  drawn: Drawn,
  room: Room,
  scale: number,
  { around, lots }: Surroundings,
): Mark[] {
  const perM = 1000 / scale
  const middle = toScale(drawn.site.objects.filter(isOwnBuilding).flatMap(reachOf), room, 'metric').middle
  const [midX, midY] = [(room.left + room.right) / 2, (room.top + room.bottom) / 2]
  const view: ToScale = {
    scale,
    perM,
    middle,
    at: ([x, y]) => [midX + (x - middle[0]) * perM, midY - (y - middle[1]) * perM],
  }
  return [
    ...aroundMarks(around, view, room),
    ...drawn.site.objects.flatMap((object) =>
      shapesOf(object)
        .filter(({ points }) => points.every((p) => lies(view.at(p), room)))
        .map(({ points, tone }) =>
          outlined(view, points, 'VICINITY', {
            widthMm: 0.18,
            ...(tone === 'roof' || tone === 'shaded'
              ? { fill: 0 }
              : tone === 'tree'
                ? { dashed: true }
                : { fill: 0.85 }),
          }),
        ),
    ),
    ...lots
      .filter((outline) => outline.every((p) => lies(view.at(p), room)))
      .map((outline) => outlined(view, outline, 'VICINITY', { widthMm: 0.25, dashed: true })),
    box(room, { layer: 'VICINITY' }),
  ]
}

const shapesOf = ({ geometry }: StandingObject): readonly PlanShape[] => geometry.plan

const reachOf = ({ geometry }: StandingObject): Vec2[] => [
  ...geometry.frame,
  ...geometry.plan.flatMap(({ points }) => points),
]

const lies = ([x, y]: Vec2, { left, top, right, bottom }: Room) =>
  x >= left && x <= right && y >= top && y <= bottom

const aroundMarks = (around: readonly (readonly Vec2[])[], view: ToScale, room: Room): Mark[] =>
  around
    .filter((ring) => ring.length > 2 && ring.every((p) => lies(view.at(p), room)))
    .map((ring) => outlined(view, ring, 'VICINITY', { widthMm: 0.13, fill: 0.94 }))

const siteMarks = ({ site }: Drawn, view: ToScale): Mark[] =>
  [
    ...site.objects.toSorted((a, b) => a.geometry.topM - b.geometry.topM).flatMap(shapesOf),
    ...panelsOf(site).map(({ corners }): PlanShape => ({
      points: corners.map(([x, y]): Vec2 => [x, y]),
      tone: 'panel',
    })),
  ]
    .map((shape) => ({ shape, style: styles[shape.tone] }))
    .sort((a, b) => a.style.rank - b.style.rank)
    .map(({ shape, style: { layer, fill, dashed } }) =>
      outlined(view, shape.points, layer, {
        widthMm: 0.2,
        ...(fill === undefined ? {} : { fill }),
        ...(dashed ? { dashed } : {}),
      }),
    )

function nameMarks({ site, nameOf }: Drawn, view: ToScale): Mark[] {
  const taken: Vec2[] = []
  return site.objects.filter(isNamed).map((object) => {
    const points = shapesOf(object).flatMap((shape) => shape.points.map(view.at))
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
    const x = (Math.min(...xs) + Math.max(...xs)) / 2
    // A house is written on below its modules, anything else in its middle.
    let y = isOwnBuilding(object) ? Math.max(...ys) + textMm * 1.6 : (Math.min(...ys) + Math.max(...ys)) / 2
    // Names that would lie on each other go one under the other.
    while (taken.some(([a, b]) => Math.abs(a - x) < 25 && Math.abs(b - y) < textMm)) y += textMm * 1.2
    taken.push([x, y])
    return letters(nameOf(object.id), [x, y], { layer: 'NAMES', anchor: 'middle', halo: true })
  })
}
