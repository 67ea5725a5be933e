import { type Ray } from '@/core/geometry/ray'
import { type Vec2 } from '@/core/geometry/vector'
import { pick } from '@/core/site/pick'
import { withoutObjects } from '@/core/site/site'
import { type KeyInput, type PointerInput, type ToolContext } from './chart'

const ways: Readonly<Record<string, Vec2>> = {
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
}
/** How far an arrow key carries the mark, m; with Shift it goes finely. */
const stepM = 0.5
const fineStepM = 0.05
/** Above everything that stands. */
const skyM = 1000

/** Where an arrow key carries a mark on the plan; null for other keys. */
export function walked([x, y]: Vec2, { key, shift }: KeyInput): Vec2 | null {
  const way = ways[key]
  const step = shift ? fineStepM : stepM
  return way ? [x + way[0] * step, y + way[1] * step] : null
}

/** What a pointer right over a point of the plan would mean. @param reachM how near it holds on to what is there */
export function fromAbove(context: ToolContext, at: Vec2, reachM = 0): PointerInput {
  const ray: Ray = { origin: [at[0], at[1], skyM], direction: [0, 0, -1] }
  const { hidden } = context.session.getState()
  const hit = pick(withoutObjects(context.site(), new Set(hidden)), ray, null)
  return { at, ray, screen: [0, 0], project: () => null, hit, grip: null, shift: false, reachM }
}
