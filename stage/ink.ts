import {
  Color,
  Float32BufferAttribute,
  InstancedBufferAttribute,
  InstancedBufferGeometry,
  Mesh,
  type Material,
  ShaderMaterial,
} from 'three'
import { type Vec3 } from '@/core/geometry/vector'

/** How a line is drawn. */
export interface Pen {
  readonly colour: string
  /** Where it parts what is seen from what is behind it; the same as `colour` if left out. */
  readonly contour?: string
  readonly opacity: number
  /** Pixels, inside a shape and against what lies behind it. */
  readonly width: readonly [inner: number, contour: number]
  /** A width in space besides, m; 0 for none. */
  readonly thickM?: number
}

/** Faces on both sides of an edge, by their normals; null where that is not known. */
export type Sides = readonly [Vec3, Vec3] | null

const none: readonly [Vec3, Vec3] = [
  [0, 0, 0],
  [0, 0, 0],
]

/** Lines of the maquette, drawn all at once as thin quads that face the eye, smooth by themselves. */
export class InkBatch {
  readonly #ends: number[] = []
  readonly #normals: number[] = []
  readonly #tints: number[] = []
  readonly #contours: number[] = []
  readonly #widths: number[] = []
  readonly #mixed = new Map<string, Color>()

  get count(): number {
    return this.#widths.length / 3
  }

  line(from: Vec3, to: Vec3, { colour, contour, opacity, width, thickM }: Pen, sides: Sides = null): void {
    const [a, b] = sides ?? none
    this.#ends.push(...from, ...to)
    this.#normals.push(...a, ...b)
    this.#tints.push(...this.#linear(colour), opacity)
    this.#contours.push(...this.#linear(contour ?? colour))
    this.#widths.push(...width, thickM ?? 0)
  }

  ring(corners: readonly Vec3[], pen: Pen): void {
    corners.forEach((a, i) => this.line(a, corners[(i + 1) % corners.length] ?? a, pen))
  }

  /** @param ink a material of `inkMaterial` */
  mesh(ink: Material): Mesh {
    const ends = Float32Array.from(this.#ends)
    const sides = Float32Array.from(this.#normals)
    const each = (values: Float32Array, from: number): InstancedBufferAttribute =>
      new InstancedBufferAttribute(
        values.filter((_, k) => k % 6 >= from && k % 6 < from + 3),
        3,
      )
    return inkMesh(
      this.count,
      {
        lineFrom: each(ends, 0),
        lineTo: each(ends, 3),
        sideA: each(sides, 0),
        sideB: each(sides, 3),
        tint: new InstancedBufferAttribute(Float32Array.from(this.#tints), 4),
        contour: new InstancedBufferAttribute(Float32Array.from(this.#contours), 3),
        widths: new InstancedBufferAttribute(Float32Array.from(this.#widths), 3),
      },
      ink,
    )
  }

  #linear(colour: string): [number, number, number] {
    const mixed = this.#mixed.get(colour) ?? new Color(colour)
    this.#mixed.set(colour, mixed)
    return [mixed.r, mixed.g, mixed.b]
  }
}

/**
 * Level pieces of one pen, drawn at once: there may be hundreds of thousands.
 * @param lists pieces of four numbers each: from x, from y, to x, to y
 * @param ink a material of `inkMaterial`
 */
export function flatInk(lists: readonly Float64Array[], pen: Pen, ink: Material): Mesh {
  const count = lists.reduce((sum, pieces) => sum + pieces.length / 4, 0)
  const [from, to] = [new Float32Array(3 * count), new Float32Array(3 * count)]
  let at = 0
  for (const pieces of lists)
    for (let k = 0; k < pieces.length; k += 4, at += 3) {
      from[at] = pieces[k] ?? 0
      from[at + 1] = pieces[k + 1] ?? 0
      to[at] = pieces[k + 2] ?? 0
      to[at + 1] = pieces[k + 3] ?? 0
    }
  const { r, g, b } = new Color(pen.colour)
  /** The same for every piece. */
  const each = (values: readonly number[]) =>
    new InstancedBufferAttribute(Float32Array.from(values), values.length, false, Math.max(1, count))
  return inkMesh(
    count,
    {
      lineFrom: new InstancedBufferAttribute(from, 3),
      lineTo: new InstancedBufferAttribute(to, 3),
      sideA: each([0, 0, 0]),
      sideB: each([0, 0, 0]),
      tint: each([r, g, b, pen.opacity]),
      contour: each([r, g, b]),
      widths: each([...pen.width, pen.thickM ?? 0]),
    },
    ink,
  )
}

type LineAttribute = 'lineFrom' | 'lineTo' | 'sideA' | 'sideB' | 'tint' | 'contour' | 'widths'

/** A quad for each line, its corners known to the shader alone. */
function inkMesh(
  count: number,
  attributes: Readonly<Record<LineAttribute, InstancedBufferAttribute>>,
  ink: Material,
): Mesh {
  const geometry = new InstancedBufferGeometry()
  geometry.setAttribute('position', new Float32BufferAttribute([0, -1, 0, 1, -1, 0, 1, 1, 0, 0, 1, 0], 3))
  geometry.setIndex([0, 1, 2, 0, 2, 3])
  for (const [name, attribute] of Object.entries(attributes)) geometry.setAttribute(name, attribute)
  geometry.instanceCount = count
  const mesh = new Mesh(geometry, ink)
  mesh.frustumCulled = false
  mesh.renderOrder = 4
  return mesh
}

/** How far lines are drawn towards the eye, so that their own faces do not hide half of them. */
const pulledShare = 0.0022
/** The same where all lines of sight are parallel, m. */
const pulledM = 0.12

const vertexShader = /* glsl */ `
  attribute vec3 lineFrom;
  attribute vec3 lineTo;
  attribute vec3 sideA;
  attribute vec3 sideB;
  attribute vec4 tint;
  attribute vec3 contour;
  attribute vec3 widths;
  uniform vec2 viewport;
  uniform float pixelRatio;
  varying float away;
  varying float halfWidth;
  varying vec4 colour;
  void main() {
    vec4 a = modelViewMatrix * vec4(lineFrom, 1.0);
    vec4 b = modelViewMatrix * vec4(lineTo, 1.0);
    vec3 toEye = isOrthographic ? vec3(0.0, 0.0, 1.0) : -0.5 * (a.xyz + b.xyz);
    bool isContour = dot(normalMatrix * sideA, toEye) * dot(normalMatrix * sideB, toEye) < 0.0;
    if (isOrthographic) {
      a.z += ${pulledM.toFixed(2)};
      b.z += ${pulledM.toFixed(2)};
    } else {
      // What is behind the eye is cut off before it is divided by its distance.
      float near = -0.4;
      if (a.z > near && b.z < near) a = mix(a, b, (a.z - near) / (a.z - b.z));
      if (b.z > near && a.z < near) b = mix(b, a, (b.z - near) / (b.z - a.z));
      a.xyz *= 1.0 - ${pulledShare.toFixed(4)};
      b.xyz *= 1.0 - ${pulledShare.toFixed(4)};
    }
    vec4 ca = projectionMatrix * a;
    vec4 cb = projectionMatrix * b;
    vec2 along = (cb.xy / cb.w - ca.xy / ca.w) * viewport * 0.5;
    float span = length(along);
    along = span > 1e-4 ? along / span : vec2(1.0, 0.0);
    vec4 at = position.x < 0.5 ? ca : cb;
    float pixelsPerMetre = 0.5 * viewport.y * projectionMatrix[1][1] / at.w;
    float width = max((isContour ? widths.y : widths.x) * pixelRatio, widths.z * length(modelMatrix[0].xyz) * pixelsPerMetre);
    halfWidth = 0.5 * width;
    float reach = halfWidth + 1.0;
    away = position.y * reach;
    vec2 shift = vec2(-along.y, along.x) * away + along * (position.x * 2.0 - 1.0) * halfWidth * 0.7;
    at.xy += shift / viewport * 2.0 * at.w;
    colour = vec4(isContour ? contour : tint.rgb, tint.a);
    gl_Position = at;
  }
`
const fragmentShader = /* glsl */ `
  varying float away;
  varying float halfWidth;
  varying vec4 colour;
  void main() {
    float covered = clamp(halfWidth + 0.5 - abs(away), 0.0, 1.0);
    gl_FragColor = vec4(colour.rgb, colour.a * covered);
    #include <colorspace_fragment>
  }
`

/** @param screen the picture's size in points of its own grid, and how many of them make a pixel of the page */
export const inkMaterial = (screen: {
  readonly viewport: { value: [number, number] }
  readonly pixelRatio: { value: number }
}): ShaderMaterial =>
  new ShaderMaterial({
    uniforms: screen,
    vertexShader,
    fragmentShader,
    transparent: true,
    depthWrite: false,
  })
