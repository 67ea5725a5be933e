import { BoxGeometry, Color, InstancedBufferAttribute, InstancedMesh, type Material, Matrix4 } from 'three'
import { type Vec3 } from '@/core/geometry/vector'
import { type Panel } from '@/core/site/site'
import { type ShaderParts } from './light'

/** Frame and glass together, m. */
const thickM = 0.035
/** Modules stand this much proud of their computed face, so that they never flicker through the roof. */
const skinM = 0.01

/** Corners of a module's glass as it is drawn, m. */
export function glassOf({ corners }: Panel): readonly [Vec3, Vec3, Vec3, Vec3] {
  const [a, b, , d] = corners
  const u: Vec3 = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
  const v: Vec3 = [d[0] - a[0], d[1] - a[1], d[2] - a[2]]
  const n: Vec3 = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const k = skinM / Math.hypot(...n)
  const lift = (c: Vec3): Vec3 => [c[0] + n[0] * k, c[1] + n[1] * k, c[2] + n[2] * k]
  return [lift(a), lift(b), lift(corners[2]), lift(d)]
}

export interface ShownModule {
  readonly panel: Panel
  readonly colour: string
  readonly broken: boolean
}

/** A flat box from nought to one, its upper face at nought: the shape of every module. */
const box = new BoxGeometry(1, 1, 1).translate(0.5, 0.5, -0.5)

/** All modules in one drawing. Disposing of the mesh leaves the shape, which they share. */
export function modulesMesh(modules: readonly ShownModule[], paint: Material): InstancedMesh {
  const shape = box.clone()
  const mesh = new InstancedMesh(shape, paint, modules.length)
  const rules = new Float32Array(modules.length)
  const colour = new Color()
  modules.forEach(({ panel, colour: name, broken }, i) => {
    mesh.setMatrixAt(i, placeOf(glassOf(panel)))
    mesh.setColorAt(i, colour.set(name))
    rules[i] = broken ? 1 : 0
  })
  shape.setAttribute('broken', new InstancedBufferAttribute(rules, 1))
  mesh.castShadow = true
  mesh.receiveShadow = true
  mesh.frustumCulled = false
  return mesh
}

function placeOf([a, b, , d]: readonly [Vec3, Vec3, Vec3, Vec3]): Matrix4 {
  const u: Vec3 = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
  const v: Vec3 = [d[0] - a[0], d[1] - a[1], d[2] - a[2]]
  const n: Vec3 = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const k = thickM / Math.hypot(...n)
  // Row by row: the columns are the sides of the box.
  return new Matrix4().set(
    ...[u[0], v[0], n[0] * k, a[0]],
    ...[u[1], v[1], n[1] * k, a[1]],
    ...[u[2], v[2], n[2] * k, a[2]],
    ...[0, 0, 0, 1],
  )
}

/** Width of the frame, m, and about how large a cell is. */
const frameM = 0.03
const cellM = 0.17

/** Frame, cells and the line between the halves, whatever colour the glass has; hatching where a rule is broken. */
export const moduleParts = (frame: string, clay: string, card: string): ShaderParts => ({
  uniforms: {
    frameColour: { value: new Color(frame) },
    clayColour: { value: new Color(clay) },
    hatchColour: { value: new Color(card) },
  },
  declare: {
    vertex: /* glsl */ `
      attribute float broken;
      varying vec3 glassAt;
      varying vec2 glassM;
      varying float brokenRule;
    `,
    fragment: /* glsl */ `
      varying vec3 glassAt;
      varying vec2 glassM;
      varying float brokenRule;
      uniform vec3 frameColour;
      uniform vec3 clayColour;
      uniform vec3 hatchColour;
      // A line of a width in metres, at least most of a pixel; it fades where lines would crowd.
      float gridLine(float at, float step, float widthM) {
        float perPixel = fwidth(at);
        float away = abs(fract(at / step + 0.5) - 0.5) * step;
        float crowd = 1.0 - smoothstep(0.16, 0.42, perPixel / step);
        return crowd * clamp(0.5 + (0.5 * max(widthM, 0.7 * perPixel) - away) / perPixel, 0.0, 1.0);
      }
    `,
  },
  vertex: {
    '#include <begin_vertex>': `#include <begin_vertex>
      glassAt = position;
      glassM = vec2(length(instanceMatrix[0].xyz), length(instanceMatrix[1].xyz));
      brokenRule = broken;`,
  },
  fragment: {
    '#include <color_fragment>': `#include <color_fragment>
      vec2 at = glassAt.xy * glassM;
      vec2 inner = glassM - 2.0 * ${frameM.toFixed(3)};
      vec2 cells = max(vec2(1.0), floor(inner / vec2(${cellM.toFixed(3)}) + 0.5));
      vec2 cell = inner / cells;
      vec2 on = at - ${frameM.toFixed(3)};
      float lines = max(gridLine(on.x, cell.x, 0.004), gridLine(on.y, cell.y, 0.004));
      bool upright = glassM.y > glassM.x;
      float across = upright ? abs(on.y - 0.5 * inner.y) : abs(on.x - 0.5 * inner.x);
      float perPixel = fwidth(across);
      float halves = (1.0 - smoothstep(0.5, 1.5, across / max(0.008, perPixel))) * smoothstep(14.0, 40.0, max(inner.x, inner.y) / perPixel);
      vec2 rim = min(at, glassM - at);
      vec2 rimPixel = fwidth(at);
      float edge = min(rim.x / max(${frameM.toFixed(3)}, 0.8 * rimPixel.x), rim.y / max(${frameM.toFixed(3)}, 0.8 * rimPixel.y));
      vec3 glass = diffuseColor.rgb;
      diffuseColor.rgb = mix(glass, frameColour, 0.28 * max(lines, 1.3 * halves));
      if (brokenRule > 0.5) {
        float stripe = abs(fract((gl_FragCoord.x + gl_FragCoord.y) / 9.2) - 0.5);
        diffuseColor.rgb = mix(hatchColour, clayColour, smoothstep(0.2, 0.3, stripe));
      }
      bool side = glassAt.z < -0.01;
      diffuseColor.rgb = mix(diffuseColor.rgb, side ? 0.7 * frameColour : frameColour, side ? 1.0 : 1.0 - smoothstep(0.8, 1.2, edge));`,
  },
})
