import { type Body } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { type SunHours } from '../sun/sun-hours'
import { type Caster } from './engine'
import { mayMeet, outlookOn } from './outlook'
import { grazing, patches } from './sky-patches'

/** Receivers that face one way, as the ball around them. */
export interface ReceiverBall {
  readonly center: Vec3
  readonly radiusM: number
  readonly normal: Vec3
}

/**
 * Whether a caster may take light from anything inside the ball at all: in the year's sun, or from the patches of the
 * sky. True may be wrong, false never is.
 */
export const mayShade = (caster: Caster, ball: ReceiverBall, sun: Pick<SunHours, 'direction'>): boolean =>
  caster.some((body) => reachesOver(body, ball) && mayMeetAny(body, ball, sun.direction))

/** Whether a body reaches over the lowest of the receivers' planes. */
function reachesOver(body: Body, { center, radiusM, normal }: ReceiverBall): boolean {
  const over = (p: Vec3) =>
    normal[0] * (p[0] - center[0]) + normal[1] * (p[1] - center[1]) + normal[2] * (p[2] - center[2])
  return body.kind === 'crown'
    ? over(body.center) > -body.radiusM - radiusM
    : body.vertices.some((v) => over(v) > -radiusM)
}

function mayMeetAny(body: Body, { center, radiusM, normal }: ReceiverBall, sun: Float64Array): boolean {
  const outlook = outlookOn(body, center, radiusM)
  return [sun, patches.direction].some((directions) => {
    for (let k = 0; k < directions.length; k += 3) {
      const dx = directions[k] as number
      const dy = directions[k + 1] as number
      const dz = directions[k + 2] as number
      if (normal[0] * dx + normal[1] * dy + normal[2] * dz >= grazing && mayMeet(outlook, dx, dy, dz))
        return true
    }
    return false
  })
}
