import { type FittedHouse, type FittedPlane } from '@/core/fit/fit'
import { guideLines, roofOver, sideUnder } from '@/core/fit/roof-over'
import { containsPoint, nearestOnSegment, signedArea } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { lowestPitchDeg, steepestPitchDeg, type RoofEdge, type Volume } from '@/core/kinds/volume/volume'
import { labelPoint } from '@/core/roof/label-point'
import { later } from '@/words/en/later'
import { slope } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { houseId, type DocumentStore } from '../store/documents'
import { toast, type SessionStore } from '../store/session'
import { type Guide } from '../underlays/under-lines'
import { pitchesOf } from './pitches-of'

const words = later.fit

/** Lines to draw by, and roofs for what is drawn, of a house that was read from heights. */
export function guideOf(house: FittedHouse, sayer: Sayer): Guide {
  const lines = guideLines(house.planes)
  return {
    near: (at, reachM) => lines.filter(([a, b]) => nearestOnSegment(a, b, at).distanceM < reachM),
    roofOver: (outline) => {
      const roof = roofOver(outline, house)
      if (!roof) return null
      const said = sayer.say(words.told, {
        flat: roof.flat ? 'yes' : 'no',
        eave: { value: roof.eaveHeightM, unit: 'm' },
        pitches: pitchesOf(roof.edges, sayer),
      })
      return { roof, said }
    },
  }
}

/** The building of the house that lies under a plane: of several the smallest; null where none is drawn there. */
function buildingUnder(plane: FittedPlane, house: Objects): Volume | null {
  const [x, y] = labelPoint(plane)
  const under = ofKind(house, 'volume')
    .filter(({ outline }) => containsPoint(outline, [x, y]))
    .sort((a, b) => signedArea(a.outline) - signedArea(b.outline))
  return under[0] ?? null
}

/** An edge with another pitch: a gable becomes a slope, a broken one changes over its break. */
function pitched(edge: RoofEdge, pitchDeg: number): RoofEdge {
  if (!('profile' in edge)) return { pitchDeg }
  const last = edge.profile.at(-1)
  return last ? { profile: [...edge.profile.slice(0, -1), [last[0], pitchDeg]] } : { pitchDeg }
}

interface Parts {
  readonly documents: DocumentStore
  readonly session: SessionStore
  readonly sayer: Sayer
}

/** Sets the pitch of a plane on the side of the drawn house that it rises from; where there is none it is only said. */
export function takePitch(plane: FittedPlane, { documents, session, sayer }: Parts): void {
  const volume = buildingUnder(plane, documents.house)
  const side = volume && !volume.flat && !volume.locked ? sideUnder(volume.outline, plane) : null
  const facts = {
    pitch: slope(plane.pitchDeg, sayer.place),
    azimuth: { value: plane.azimuthDeg, unit: 'deg' as const },
    cells: plane.fit.cells,
  }
  if (!volume || side === null) {
    toast(session, sayer.say(words.reads, facts))
    return
  }
  const pitchDeg = Math.round(Math.min(steepestPitchDeg, Math.max(lowestPitchDeg, plane.pitchDeg)) * 10) / 10
  const { fault, step } = documents.edit(words.pitch, houseId, (before) => {
    const now = before[volume.id]
    if (now?.kind !== 'volume') return before
    return {
      ...before,
      [volume.id]: {
        ...now,
        edges: now.edges.map((edge, i) => (i === side ? pitched(edge, pitchDeg) : edge)),
      },
    }
  })
  toast(
    session,
    fault ? sayer.fault(fault) : sayer.say(words.pitched, { ...facts, name: volume.name }),
    fault ? null : step,
  )
}

/** Where a plane's pitch is written. */
export const markOf = (plane: FittedPlane): Vec2 => {
  const [x, y] = labelPoint(plane)
  return [x, y]
}
