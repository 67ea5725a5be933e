import { along, rayPoint, type Ray } from '@/core/geometry/ray'
import { length3, sub3, type Vec3 } from '@/core/geometry/vector'
import { formatLength, formatSlope, toDegrees } from '@/core/model/units'
import { type Site } from '@/core/site/site'
import { type PointerInput, type ToolContext } from '../chart'

/** Where the tape is held: at a corner near the sight, else where it meets what stands there, else on the ground. */
export function heldAt(site: Site, { ray, hit, at, shift, reachM }: PointerInput): Vec3 {
  const free: Vec3 = hit?.point ?? [at[0], at[1], 0]
  return (shift ? null : cornerNear(site, ray, free, reachM)) ?? free
}

/** The corner nearest to the sight of those that are not behind what is seen. */
function cornerNear(site: Site, ray: Ray, seen: Vec3, reachM: number): Vec3 | null {
  const seenM = length3(sub3(seen, ray.origin))
  let nearest = reachM
  let found: Vec3 | null = null
  for (const { geometry } of site.objects)
    for (const { from, to } of geometry.strokes)
      for (const corner of [from, to]) {
        const t = rayPoint(ray, corner)
        const [beside, far] = [length3(sub3(corner, along(ray, t))), length3(sub3(corner, ray.origin))]
        if (t > 0 && beside < nearest && far < seenM + 2 * reachM) [nearest, found] = [beside, corner]
      }
  return found
}

/** From end to end, over the level, up, and the slope between, in the job's units. */
export function readingOf(context: ToolContext, from: Vec3, to: Vec3): string {
  const { words, say } = tapeWordsOf(context)
  const [x, y, up] = sub3(to, from)
  const level = Math.hypot(x, y)
  const metres = (value: number) => formatLength(value, context.units(), context.locale())
  return say(words.reading, {
    direct: metres(Math.hypot(level, up)),
    level: metres(level),
    way: Math.abs(up) < 5e-3 ? 'level' : up > 0 ? 'up' : 'down',
    up: metres(Math.abs(up)),
    slope: formatSlope(toDegrees(Math.atan2(Math.abs(up), level)), context.units(), context.locale()),
  })
}

export function tapeWordsOf(context: ToolContext) {
  const sayer = context.sayer()
  return { words: sayer.words.tape, say: sayer.say.bind(sayer) }
}
