import { type CrownBody } from '@/core/geometry/body'
import { distance2, type Vec2, type Vec3 } from '@/core/geometry/vector'
import { type StandingObject, withoutObjects } from '@/core/site/site'
import { added, modulesOf, ofModules, ofObjects, type Selection } from '../../store/selection'
import { type PointerInput, type ToolContext, ToolState } from '../chart'
import { showSketch } from '../sketch'
import { tremblePx } from './pointing-object'

/** Pressed where nothing is dragged: a box is drawn round what is to be chosen, if the hand moves on. */
export class Boxing extends ToolState {
  readonly #from: PointerInput
  /** What the box adds to. */
  readonly #before: Selection | null
  readonly #back: () => ToolState
  #drawn = false

  constructor(context: ToolContext, from: PointerInput, before: Selection | null, back: () => ToolState) {
    super(context)
    this.#from = from
    this.#before = before
    this.#back = back
  }

  override move({ screen }: PointerInput): void {
    if (!this.#drawn && distance2(screen, this.#from.screen) < tremblePx) return
    this.#drawn = true
    showSketch(this.context, { box: [this.#from.screen, screen] })
  }

  override release(input: PointerInput): void {
    if (this.#drawn) {
      const caught = caughtIn(this.context, this.#from, input)
      this.context.session.setState({
        sketch: null,
        selection: this.#from.shift ? added(this.#before, caught) : caught,
      })
    }
    this.go(this.#back())
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.go(this.#back())
  }
}

/** Modules whose middle is in the box where modules are worked on, or what lies in it as a whole. */
function caughtIn(context: ToolContext, from: PointerInput, to: PointerInput): Selection | null {
  const { chapter, hidden, selection } = context.session.getState()
  const site = withoutObjects(context.site(), new Set(hidden))
  const isIn = (point: Vec3) => {
    const at = to.project(point)
    return at !== null && isBetween(at, from.screen, to.screen)
  }
  const wantsModules =
    chapter === 'cover' || chapter === 'wire' || from.hit?.kind === 'panel' || modulesOf(selection).length > 0
  const modules = ofModules(
    site.arrays.flatMap((array) =>
      array.panels.flatMap(({ id, corners }) => (isIn(middle(corners)) ? [{ id, arrayId: array.id }] : [])),
    ),
  )
  if (wantsModules && modules) return modules
  return ofObjects(
    site.objects.flatMap((object) => {
      const points = pointsOf(object)
      return points.length > 0 && points.every(isIn) ? [object.id] : []
    }),
  )
}

const isBetween = (p: Vec2, a: Vec2, b: Vec2) =>
  ([0, 1] as const).every(
    (axis) => p[axis] >= Math.min(a[axis], b[axis]) && p[axis] <= Math.max(a[axis], b[axis]),
  )

const middle = (corners: readonly Vec3[]): Vec3 => {
  const sum = (axis: 0 | 1 | 2) => corners.reduce((total, p) => total + p[axis], 0) / corners.length
  return [sum(0), sum(1), sum(2)]
}

/** What is seen of an object, in points. */
export const pointsOf = ({ geometry: { surfaces, strokes, crowns } }: StandingObject): Vec3[] => [
  ...surfaces.flatMap(({ corners }) => corners),
  ...strokes.flatMap(({ from, to }) => [from, to]),
  ...crowns.flatMap(crownEnds),
]

const crownEnds = ({ center: [x, y, z], crownRadiusM, halfHeightM }: CrownBody): Vec3[] => [
  [x - crownRadiusM, y, z],
  [x + crownRadiusM, y, z],
  [x, y - crownRadiusM, z],
  [x, y + crownRadiusM, z],
  [x, y, z - halfHeightM],
  [x, y, z + halfHeightM],
]
