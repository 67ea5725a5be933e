import {
  Color,
  DoubleSide,
  LineBasicMaterial,
  type Material,
  MeshLambertMaterial,
  ShaderMaterial,
} from 'three'

const veilVertex = /* glsl */ `
  varying vec3 facing;
  varying vec3 sight;
  void main() {
    vec4 at = modelViewMatrix * vec4(position, 1.0);
    facing = normalMatrix * normal;
    // Orthographic pictures look the same way everywhere.
    sight = projectionMatrix[3][3] == 1.0 ? vec3(0.0, 0.0, 1.0) : -at.xyz;
    gl_Position = projectionMatrix * at;
  }
`
const veilFragment = /* glsl */ `
  uniform vec3 ink;
  varying vec3 facing;
  varying vec3 sight;
  void main() {
    float square = abs(dot(normalize(facing), normalize(sight)));
    // A line of one width, however large the body is.
    float rim = 1.0 - smoothstep(0.0, 2.2, square / max(1e-4, fwidth(square)));
    gl_FragColor = vec4(ink, 0.06 + 0.7 * rim);
  }
`

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

  /** A rounded body of which only the outline is left: clear where one looks square at it, a line at its rim. */
  veil(colour: string): Material {
    return this.#of(
      `veil ${colour}`,
      () =>
        new ShaderMaterial({
          uniforms: { ink: { value: new Color(colour) } },
          vertexShader: veilVertex,
          fragmentShader: veilFragment,
          transparent: true,
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
