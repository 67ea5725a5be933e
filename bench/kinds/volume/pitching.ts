import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import {
  highestEaveM,
  lowestEaveM,
  lowestPitchDeg,
  steepestPitchDeg,
  type Volume,
} from '@/core/kinds/volume/volume'
import { round } from '@/core/kinds/place'
import { Fault } from '@/core/model/fault'
import { formatLength, parseLength } from '@/core/model/units'
import { fitSlope, inwardOf, type FittedSlope } from '@/core/roof/fit-slope'
import { planeHeightM, type RoofPlane } from '@/core/roof/plane'
import { houseId } from '../../store/documents'
import { toast } from '../../store/session'
import { type KeyInput, type PointerInput, ToolState } from '../../tools/chart'
import { unlockedOf } from '../../tools/select/lock'
import { showSketch } from '../../tools/sketch'

interface Measured {
  readonly at: Vec2
  readonly heightM: number
}

/** The plane whose pitch is measured: which side of which building it rises from. */
interface Aim {
  readonly volumeId: string
  readonly side: number
  readonly face: RoofPlane
}

/** Alike within this, slopes of a roof change together, degrees. */
const alikeDeg = 0.01

/**
 * Points on one roof plane, with a height typed for each: two of them (only how much one is over the other counts) set
 * the pitch, three or more the eave's height as well.
 */
export class Pitching extends ToolState {
  #aim: Aim | null = null
  #points: readonly Measured[] = []
  /** Clicked; its height is being typed. */
  #open: Vec2 | null = null
  #typed = ''

  override enter(): void {
    this.#show(null)
  }

  override press({ hit }: PointerInput): void {
    const { words } = this.context.sayer()
    if (hit?.kind !== 'face') {
      this.#show(words.tools.pitch.wrong)
      return
    }
    const volume = this.#volume(hit.objectId)
    const edge = volume?.edges[hit.face.edgeIndex]
    if (!volume || volume.flat || !edge || !('pitchDeg' in edge)) {
      this.#show(words.pitching.notThis)
      return
    }
    if (unlockedOf(this.context, [{ object: volume }]).length === 0) return
    if (this.#aim && (this.#aim.volumeId !== volume.id || this.#aim.face.id !== hit.face.id)) {
      this.#show(words.pitching.samePlane)
      return
    }
    this.#aim = { volumeId: volume.id, side: hit.face.edgeIndex, face: hit.face }
    this.#open = [hit.point[0], hit.point[1]]
    this.#typed = ''
    this.#show(null)
  }

  override key({ key }: KeyInput): boolean {
    if (key === 'Enter') {
      if (this.#open && this.#typed) this.#take(this.#open)
      else if (!this.#open && this.#points.length > 1) this.#finish()
      else this.#show(null)
      return true
    }
    if (key === 'Backspace') {
      if (this.#typed) this.#typed = this.#typed.slice(0, -1)
      else if (this.#open) this.#open = null
      else this.#points = this.#points.slice(0, -1)
      this.#show(null)
      return true
    }
    if (this.#open && /^[\d.,'"/ \-a-z]$/i.test(key)) {
      this.#typed += key
      this.#show(null)
      return true
    }
    return false
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }

  #volume(id: string): Volume | null {
    const object = this.context.documents.house[id]
    return object?.kind === 'volume' ? object : null
  }

  #take(at: Vec2): void {
    try {
      const heightM = parseLength(this.#typed, this.context.units(), this.context.locale())
      this.#points = [...this.#points, { at, heightM }]
      this.#open = null
      this.#typed = ''
      this.#show(null)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      this.#show(this.context.sayer().fault(error))
    }
  }

  #fitted(): FittedSlope | null {
    const volume = this.#aim && this.#volume(this.#aim.volumeId)
    if (!volume || !this.#aim) return null
    const { side } = this.#aim
    const [a, b] = [volume.outline[side], volume.outline[(side + 1) % volume.outline.length]]
    if (!a || !b) return null
    return fitSlope(this.#points.map(({ at, heightM }) => ({ inwardM: inwardOf(a, b, at), heightM })))
  }

  #finish(): void {
    const { documents, session } = this.context
    const volume = this.#aim && this.#volume(this.#aim.volumeId)
    const found = this.#fitted()
    const { words } = this.context.sayer()
    if (!volume || !this.#aim || !found) {
      this.#show(words.pitching.sideBySide)
      return
    }
    if (found.pitchDeg < lowestPitchDeg || found.pitchDeg > steepestPitchDeg) {
      this.#show(this.#said(words.pitching.outside, found))
      return
    }
    const setsEave = this.#points.length > 2
    if (setsEave && (found.eaveM < lowestEaveM || found.eaveM > highestEaveM)) {
      this.#show(this.#said(words.pitching.eaveOutside, found))
      return
    }
    const old = volume.edges[this.#aim.side]
    const before = old && 'pitchDeg' in old ? old.pitchDeg : null
    const pitchDeg = Number(found.pitchDeg.toFixed(2))
    const edges = volume.edges.map((edge) =>
      'pitchDeg' in edge && before !== null && Math.abs(edge.pitchDeg - before) < alikeDeg
        ? { pitchDeg }
        : edge,
    )
    const eave = setsEave ? { eaveHeightM: round(found.eaveM) } : {}
    const { fault, step } = documents.edit(words.pitching.label, houseId, (objects) => ({
      ...objects,
      [volume.id]: { ...volume, edges, ...eave },
    }))
    session.setState({ sketch: null, selection: { kind: 'object', id: volume.id } })
    if (fault) toast(session, this.context.sayer().fault(fault))
    else if (step) toast(session, this.#said(words.pitching.done, found), step)
    this.leave()
  }

  /** Where a point of the plan lies on the plane as it is drawn. */
  #onPlane(at: Vec2): Vec3 {
    return [at[0], at[1], this.#aim ? planeHeightM(this.#aim.face, at) : 0]
  }

  #said(message: string, { pitchDeg, eaveM, offM }: FittedSlope): string {
    return this.context.sayer().say(message, {
      pitch: { value: pitchDeg, unit: 'deg' },
      eave: { value: eaveM, unit: 'm' },
      off: { value: offM, unit: 'm' },
      count: this.#points.length,
    })
  }

  #show(message: string | null): void {
    const { words } = this.context.sayer()
    const { pitching, tools } = words
    const open = this.#open
    const stands = open && this.#onPlane(open)[2]
    const found = this.#fitted()
    const asks =
      stands !== null
        ? this.context.sayer().say(pitching.typeHeight, {
            now: formatLength(stands, this.context.units(), this.context.locale()),
          })
        : found
          ? this.#said(this.#points.length > 2 ? pitching.more : pitching.two, found)
          : this.#points.length > 0
            ? pitching.next
            : tools.pitch.hint
    showSketch(this.context, {
      marks: [...this.#points.map(({ at }) => at), ...(open ? [open] : [])].map((at) => this.#onPlane(at)),
      typed: this.#typed,
      message: message ?? asks,
    })
  }
}
