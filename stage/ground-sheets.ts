import {
  BufferAttribute,
  BufferGeometry,
  Group,
  LinearMipmapLinearFilter,
  LineBasicMaterial,
  LineSegments,
  type Material,
  Mesh,
  PlaneGeometry,
  SRGBColorSpace,
  Texture,
} from 'three'
import { type Vec2 } from '@/core/geometry/vector'
import { toRadians } from '@/core/model/units'
import { type StageView } from './stage-view'

/** A picture or lines that lie on the ground. */
export interface GroundSheet {
  readonly id: string
  readonly image: ImageBitmap | null
  /** In its own units about its middle; what has the same lines has the same list. */
  readonly lines: readonly (readonly Vec2[])[]
  readonly width: number
  readonly height: number
  readonly metresPerUnit: number
  readonly center: Vec2
  readonly rotationDeg: number
  readonly strength: number
}

/** Over the aerial picture, one above the other, m. */
const lowestM = 0.02
const apartM = 0.002
/** After the bare paper. */
const firstOrder = 4

interface Laid {
  readonly of: Pick<GroundSheet, 'image' | 'lines'>
  readonly group: Group
  readonly material: Material
  readonly free: () => void
}

/** Own pictures and drawings on the stage's ground, the first lowest. */
export class GroundSheets {
  readonly #view: StageView
  readonly #group = new Group()
  readonly #laid = new Map<string, Laid>()

  constructor(view: StageView) {
    this.#view = view
    view.addToGround(this.#group)
  }

  /** @param ink the colour of lines, as CSS writes it */
  show(sheets: readonly GroundSheet[], ink: string): void {
    const ids = new Set(sheets.map(({ id }) => id))
    for (const id of this.#laid.keys()) if (!ids.has(id)) this.#take(id)
    sheets.forEach((sheet, i) => {
      let laid = this.#laid.get(sheet.id)
      if (laid && (laid.of.image !== sheet.image || laid.of.lines !== sheet.lines)) {
        this.#take(sheet.id)
        laid = undefined
      }
      laid ??= this.#lay(sheet)
      const { group, material } = laid
      group.position.set(sheet.center[0], sheet.center[1], lowestM + i * apartM)
      group.rotation.z = toRadians(sheet.rotationDeg)
      group.scale.set(sheet.metresPerUnit, sheet.metresPerUnit, 1)
      for (const part of group.children) part.renderOrder = firstOrder + i
      material.opacity = sheet.strength
      if (material instanceof LineBasicMaterial) material.color.set(ink)
      group.visible = sheet.strength > 0.005
    })
    this.#view.draw()
  }

  dispose(): void {
    for (const id of [...this.#laid.keys()]) this.#take(id)
    this.#view.removeFromGround(this.#group)
  }

  #take(id: string): void {
    const laid = this.#laid.get(id)
    if (!laid) return
    this.#group.remove(laid.group)
    laid.free()
    this.#laid.delete(id)
  }

  #lay(sheet: GroundSheet): Laid {
    const part = sheet.image ? this.#picture(sheet.image, sheet) : linesOf(sheet.lines)
    const group = new Group()
    group.add(part.object)
    this.#group.add(group)
    const laid = {
      of: { image: sheet.image, lines: sheet.lines },
      group,
      material: part.material,
      free: part.free,
    }
    this.#laid.set(sheet.id, laid)
    return laid
  }

  #picture(image: ImageBitmap, { width, height }: GroundSheet) {
    const texture = new Texture(image)
    texture.flipY = false
    texture.colorSpace = SRGBColorSpace
    texture.minFilter = LinearMipmapLinearFilter
    texture.anisotropy = 4
    texture.needsUpdate = true
    const material = this.#view.sheet.printed(texture, { value: 1 })
    material.transparent = true
    material.depthWrite = false
    const geometry = new PlaneGeometry(width, height)
    const object = new Mesh(geometry, material)
    object.receiveShadow = true
    return {
      object,
      material,
      free: () => {
        texture.dispose()
        material.dispose()
        geometry.dispose()
      },
    }
  }
}

function linesOf(lines: readonly (readonly Vec2[])[]) {
  const pieces = lines.reduce((sum, line) => sum + Math.max(0, line.length - 1), 0)
  const ends = new Float32Array(pieces * 6)
  let at = 0
  for (const line of lines)
    for (let i = 1; i < line.length; i++)
      for (const end of [line[i - 1], line[i]]) {
        ends[at++] = end?.[0] ?? 0
        ends[at++] = end?.[1] ?? 0
        ends[at++] = 0
      }
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(ends, 3))
  const material = new LineBasicMaterial({ transparent: true, depthWrite: false })
  const object = new LineSegments(geometry, material)
  return {
    object,
    material,
    free: () => {
      geometry.dispose()
      material.dispose()
    },
  }
}
