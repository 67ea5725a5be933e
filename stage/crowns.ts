import { type Group, IcosahedronGeometry, type Material, Mesh } from 'three'
import { type Vec3 } from '@/core/geometry/vector'
import { type CrownBody } from '@/core/geometry/body'
import { type Palette } from './palette'
import { type Paints } from './paints'

/** A crown counts as in the way a little before it is. */
const margin = 1.06
/** Smooth enough that no facet is seen. */
const detail = 7

/** A crown of the maquette: a matt ball that becomes its outline where it stands before what is looked at. */
interface CrownParts {
  readonly center: Vec3
  readonly radii: Vec3
  readonly leaf: Material
  readonly veil: Material
}

const partsOf = new WeakMap<object, CrownParts>()

export function crownMesh(
  { center, crownRadiusM, halfHeightM }: CrownBody,
  palette: Palette,
  paints: Paints,
  outline: string,
): Mesh {
  const leaf = paints.card(palette.crown)
  const mesh = new Mesh(new IcosahedronGeometry(1, detail), leaf)
  mesh.scale.set(crownRadiusM, crownRadiusM, halfHeightM)
  mesh.position.set(...center)
  mesh.castShadow = true
  // After the transparent sheet, which would else be painted over its veil.
  mesh.renderOrder = 5
  partsOf.set(mesh, {
    center,
    radii: [crownRadiusM, crownRadiusM, halfHeightM],
    leaf,
    veil: paints.veil(outline),
  })
  return mesh
}

/** Whether the way from an eye to a point goes through an ellipsoid. */
export function isBetween(eye: Vec3, point: Vec3, center: Vec3, radii: Vec3): boolean {
  const local = (p: Vec3): Vec3 => [
    (p[0] - center[0]) / (radii[0] * margin),
    (p[1] - center[1]) / (radii[1] * margin),
    (p[2] - center[2]) / (radii[2] * margin),
  ]
  const a = local(eye)
  const b = local(point)
  const d: Vec3 = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
  const length2 = d[0] ** 2 + d[1] ** 2 + d[2] ** 2
  // The point of the way nearest to the middle.
  const t = Math.max(0, Math.min(1, -(a[0] * d[0] + a[1] * d[1] + a[2] * d[2]) / Math.max(1e-12, length2)))
  return (a[0] + t * d[0]) ** 2 + (a[1] + t * d[1]) ** 2 + (a[2] + t * d[2]) ** 2 < 1
}

/**
 * Lets the crowns of a maquette stand as balls, or as outlines where they hide something.
 * @param eyeFor where a point is looked at from
 * @param points what must be seen
 */
export function fadeCrowns(maquette: Group, points: readonly Vec3[], eyeFor: (point: Vec3) => Vec3): void {
  for (const part of maquette.children) {
    const crown = partsOf.get(part)
    if (!crown) continue
    const { center, radii, leaf, veil } = crown
    const hides = points.some((point) => isBetween(eyeFor(point), point, center, radii))
    ;(part as Mesh).material = hides ? veil : leaf
  }
}
