import { Color, DoubleSide, LineBasicMaterial, type Material, MeshLambertMaterial } from 'three'

/** Paints kept at most; a sun map has a colour for every module, and every run mixes new ones. */
const keptPaints = 240

/**
 * The maquette's materials by colour. They outlive the shapes they colour: a program of the graphics card dies with the
 * last material that uses it, and to compile it anew takes longer than to draw the whole picture.
 */
export class Paints {
  readonly #byKey = new Map<string, Material>()

  /** Matt card, seen from both sides. */
  card(colour: string, opacity = 1): Material {
    return this.#of(
      `card ${colour} ${opacity}`,
      () =>
        new MeshLambertMaterial({
          color: new Color(colour),
          side: DoubleSide,
          polygonOffset: true,
          polygonOffsetFactor: 1,
          polygonOffsetUnits: 1,
          transparent: opacity < 1,
          opacity,
        }),
    )
  }

  /** The veil of a tree's crown. */
  crown(colour: string): Material {
    return this.#of(
      `crown ${colour}`,
      () =>
        new MeshLambertMaterial({
          color: new Color(colour),
          flatShading: true,
          transparent: true,
          opacity: 0.62,
          depthWrite: false,
        }),
    )
  }

  ink(colour: string, opacity = 1): Material {
    return this.#of(
      `ink ${colour} ${opacity}`,
      () => new LineBasicMaterial({ color: colour, transparent: opacity < 1, opacity }),
    )
  }

  /** Throws the paints away that were not used for longest; call it when the picture is built. */
  tidy(): void {
    for (const [key, material] of this.#byKey) {
      if (this.#byKey.size <= keptPaints) return
      material.dispose()
      this.#byKey.delete(key)
    }
  }

  dispose(): void {
    for (const material of this.#byKey.values()) material.dispose()
    this.#byKey.clear()
  }

  #of(key: string, mix: () => Material): Material {
    const material = this.#byKey.get(key) ?? mix()
    // The last used stands last.
    this.#byKey.delete(key)
    this.#byKey.set(key, material)
    return material
  }
}
