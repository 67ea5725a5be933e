import { Group, type Material, Mesh, PlaneGeometry } from 'three'
import { type Vec2 } from '@/core/geometry/vector'
import { toRadians } from '@/core/model/units'
import { flatInk } from './ink'
import { pictureTexture } from './picture-texture'
import { type AerialSheet } from './sheet'

/** A picture or lines that lie on the ground. */
export interface GroundSheet {
  readonly id: string
  readonly image: ImageBitmap | null
  /** Pieces as `DrawnLayer` has them; what has the same lines has the same list. */
  readonly lines: readonly Float64Array[]
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

/** Pixels of a drawing's lines. */
const linePx = 1.1

interface Laid {
  /** What it was made of: with another of any of these it is made anew. */
  readonly of: readonly unknown[]
  readonly group: Group
  readonly free: () => void
}

/** Own pictures and drawings on the stage's ground, the first lowest. */
export class GroundSheets {
  readonly group = new Group()
  readonly #prints: Pick<AerialSheet, 'printed'>
  readonly #ink: () => Material
  readonly #changed: () => void
  readonly #laid = new Map<string, Laid>()

  /**
   * @param prints what pictures are printed like
   * @param ink a material of `inkMaterial`
   */
  constructor(prints: Pick<AerialSheet, 'printed'>, ink: () => Material, changed: () => void) {
    this.#ink = ink
    this.#prints = prints
    this.#changed = changed
  }

  /** @param ink the colour of lines, as CSS writes it */
  show(sheets: readonly GroundSheet[], ink: string): void {
    const ids = new Set(sheets.map(({ id }) => id))
    for (const id of this.#laid.keys()) if (!ids.has(id)) this.#take(id)
    sheets.forEach((sheet, i) => {
      let laid = this.#laid.get(sheet.id)
      const of = [sheet.image, sheet.lines, sheet.strength, sheet.image ? null : ink]
      if (laid && of.some((one, k) => one !== laid?.of[k])) {
        this.#take(sheet.id)
        laid = undefined
      }
      laid ??= this.#lay(sheet, of, ink)
      const { group } = laid
      group.position.set(sheet.center[0], sheet.center[1], lowestM + i * apartM)
      group.rotation.z = toRadians(sheet.rotationDeg)
      group.scale.set(sheet.metresPerUnit, sheet.metresPerUnit, 1)
      for (const part of group.children) part.renderOrder = firstOrder + i
      group.visible = sheet.strength > 0.005
    })
    this.#changed()
  }

  clear(): void {
    for (const id of [...this.#laid.keys()]) this.#take(id)
  }

  #take(id: string): void {
    const laid = this.#laid.get(id)
    if (!laid) return
    this.group.remove(laid.group)
    laid.free()
    this.#laid.delete(id)
  }

  #lay(sheet: GroundSheet, of: readonly unknown[], ink: string): Laid {
    const part = sheet.image ? this.#picture(sheet.image, sheet) : this.#lines(sheet, ink)
    const group = new Group()
    group.add(part.object)
    this.group.add(group)
    const laid = { of, group, free: part.free }
    this.#laid.set(sheet.id, laid)
    return laid
  }

  #lines({ lines, strength }: GroundSheet, colour: string) {
    const object = flatInk(lines, { colour, opacity: strength, width: [linePx, linePx] }, this.#ink())
    return { object, free: () => object.geometry.dispose() }
  }

  #picture(image: ImageBitmap, { width, height, strength }: GroundSheet) {
    const texture = pictureTexture(image)
    const material = this.#prints.printed(texture, { value: 1 })
    material.transparent = true
    material.opacity = strength
    material.depthWrite = false
    const geometry = new PlaneGeometry(width, height)
    const object = new Mesh(geometry, material)
    object.receiveShadow = true
    return {
      object,
      free: () => {
        texture.dispose()
        material.dispose()
        geometry.dispose()
      },
    }
  }
}
