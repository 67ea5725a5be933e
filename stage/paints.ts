import {
  Color,
  DoubleSide,
  type Material,
  MeshBasicMaterial,
  MeshLambertMaterial,
  ShaderMaterial,
} from 'three'
import { roofCourses } from './courses'
import { inkMaterial } from './ink'
import { lit, type Light, type ShaderParts } from './light'
import { moduleParts } from './modules'

/** A line of one width at the rim of a rounded body, however large the body is. */
const rimPart = /* glsl */ `
  float rimOf(float square) { return 1.0 - smoothstep(1.2, 3.4, square / max(1e-4, fwidth(square))); }
`
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
  ${rimPart}
  void main() {
    float square = abs(dot(normalize(facing), normalize(sight)));
    gl_FragColor = vec4(ink, 0.055 + 0.7 * rimOf(square));
    #include <colorspace_fragment>
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
  readonly #light: Light
  /** Of the picture in points of the screen's own grid, for lines of a given width. */
  readonly viewport = { value: [1, 1] as [number, number] }
  readonly pixelRatio = { value: 1 }

  constructor(light: Light) {
    this.#light = light
  }

  /** Matt card, seen from both sides; a share of it lets what is behind it through and hides nothing. */
  card(colour: string, opacity = 1): Material {
    return this.#matt(`card ${colour} ${opacity}`, 'card', colour, opacity)
  }

  /** Card with the fine courses of a roof. */
  roof(colour: string, ink: string, inkShare: number): Material {
    return this.#matt(`roof ${colour} ${ink}`, 'roof', colour, 1, roofCourses(ink, inkShare))
  }

  /** A leafy body with a line at its rim. */
  leaf(colour: string, ink: string): Material {
    return this.#matt(`leaf ${colour} ${ink}`, 'leaf', colour, 1, {
      declare: { fragment: `uniform vec3 rimInk;\n${rimPart}` },
      uniforms: { rimInk: { value: new Color(ink) } },
      fragment: {
        '#include <opaque_fragment>': `
          vec3 sight = isOrthographic ? vec3(0.0, 0.0, 1.0) : normalize(vViewPosition);
          outgoingLight = mix(outgoingLight, rimInk, 0.75 * rimOf(abs(dot(normal, sight))));
          #include <opaque_fragment>`,
      },
    })
  }

  /** Glass, cells and frames of modules; each has its colour with its place. */
  modules(frame: string, clay: string, card: string): Material {
    return this.#matt(`modules ${frame} ${clay}`, 'modules', '#ffffff', 1, moduleParts(frame, clay, card))
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

  /** Lines of given widths on the screen; each brings its colour. */
  ink(): Material {
    return this.#of('ink', () => inkMaterial({ viewport: this.viewport, pixelRatio: this.pixelRatio }))
  }

  /** Not seen itself; it only casts a shadow. */
  shadowOnly(): Material {
    return this.#of('shadow', () => new MeshBasicMaterial({ colorWrite: false, depthWrite: false }))
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

  #matt(key: string, name: string, colour: string, opacity: number, parts?: ShaderParts): Material {
    return this.#of(key, () =>
      lit(
        new MeshLambertMaterial({
          color: new Color(colour),
          side: DoubleSide,
          transparent: opacity < 1,
          depthWrite: opacity === 1,
          opacity,
        }),
        name,
        this.#light.uniforms,
        parts,
      ),
    )
  }

  #of(key: string, mix: () => Material): Material {
    const material = this.#byKey.get(key) ?? mix()
    // The last used stands last.
    this.#byKey.delete(key)
    this.#byKey.set(key, material)
    return material
  }
}
