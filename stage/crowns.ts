import { type BufferGeometry, Group, IcosahedronGeometry, type Material, Mesh } from 'three'
import { type CrownBody } from '@/core/geometry/body'
import { type Vec3 } from '@/core/geometry/vector'
import { branchesOf, tubesOf } from './branches'
import { InkBatch } from './ink'
import { type Paints } from './paints'
import { type Palette } from './palette'
import { shared } from './shapes'

/** A crown counts as in the way a little before it is. */
const margin = 1.06
/** Smooth enough that no facet is seen. */
const detail = 7
const ball = shared(new IcosahedronGeometry(1, detail))

/** A crown is drawn bare in months that let this much light through, if others let clearly less. */
const bareFrom = 0.45
const leafLess = 0.15

/** Whether a crown stands without its leaves in a month, 0 for January. */
export const isBare = ({ transmissivity }: Pick<CrownBody, 'transmissivity'>, month: number): boolean =>
  (transmissivity[month] ?? 0) >= bareFrom &&
  Math.min(...transmissivity) <= (transmissivity[month] ?? 0) - leafLess

/** Different trees, so that a row of them does not look printed. */
const kinds = 4
const thinnestShadow = 0.022

/** Lines and shadow of a bare crown of radius 1, made when the first one is seen. */
const bareShapes = new Map<string, { readonly lines: BufferGeometry; readonly tubes: BufferGeometry }>()
function bareShape(kind: number, colour: string, paints: Paints) {
  const key = `${kind} ${colour}`
  const known = bareShapes.get(key)
  if (known) return known
  const branches = branchesOf(kind + 1)
  const ink = new InkBatch()
  for (const { from, to, thick } of branches)
    ink.line(from, to, { colour, opacity: 0.88, width: [0.55, 0.55], thickM: thick })
  const made = {
    lines: shared(ink.mesh(paints.ink()).geometry),
    tubes: shared(tubesOf(branches, thinnestShadow)),
  }
  bareShapes.set(key, made)
  return made
}

/** A crown of the maquette: a matt ball that becomes its outline where it stands before what is looked at. */
interface CrownParts {
  readonly body: CrownBody
  readonly mesh: Mesh
  readonly bare: Group | null
  readonly leaf: Material
  readonly veil: Material
  readonly trunk: Mesh | null
  /** The trunk as it is, under a veil, and in winter. */
  readonly barks: { readonly whole: Material; readonly veil: Material; readonly bare: Material }
}

const partsOf = new WeakMap<object, CrownParts>()

/** How much of a trunk is left under a veiled crown. */
const veiledTrunk = 0.16

/**
 * @param trunk stands under it
 * @param outline the colour of its rim when it is veiled
 */
export function crownShape(
  body: CrownBody,
  trunk: Mesh | null,
  palette: Palette,
  paints: Paints,
  outline: string,
): Group {
  const { center, crownRadiusM, halfHeightM, transmissivity } = body
  const leaf = paints.leaf(palette.leaf, palette.line)
  const mesh = new Mesh(ball, leaf)
  mesh.castShadow = true
  // After the transparent sheet, which would else be painted over its veil.
  mesh.renderOrder = 5
  const group = new Group()
  group.scale.set(crownRadiusM, crownRadiusM, halfHeightM)
  group.position.set(...center)
  group.add(mesh)
  const sheds = transmissivity.some((_, month) => isBare(body, month))
  const bare = sheds ? bareCrown(body, palette, paints) : null
  if (bare) group.add(bare)
  partsOf.set(group, {
    body,
    mesh,
    bare,
    leaf,
    veil: paints.veil(outline),
    trunk,
    barks: {
      whole: paints.card(palette.trunk),
      veil: paints.card(palette.trunk, veiledTrunk),
      bare: paints.card(palette.branch),
    },
  })
  return group
}

function bareCrown({ center: [x, y] }: CrownBody, palette: Palette, paints: Paints): Group {
  const kind = Math.abs(Math.round(x * 7 + y * 13)) % kinds
  const { lines, tubes } = bareShape(kind, palette.branch, paints)
  const group = new Group()
  const ink = new Mesh(lines, paints.ink())
  ink.frustumCulled = false
  ink.renderOrder = 4
  const shadow = new Mesh(tubes, paints.shadowOnly())
  shadow.castShadow = true
  group.add(ink, shadow)
  group.rotation.z = (x * 3.1 + y * 1.7) % (2 * Math.PI)
  return group
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
 * Lets the crowns of a maquette stand as balls, as outlines where they hide something, or bare.
 * @param eyeFor where a point is looked at from
 * @param points what must be seen
 * @param month 0 for January
 * @returns whether what casts shadows has changed
 */
export function dressCrowns(
  maquette: Group,
  points: readonly Vec3[],
  eyeFor: (point: Vec3) => Vec3,
  month: number,
): boolean {
  let changed = false
  maquette.traverse((part) => {
    const crown = partsOf.get(part)
    if (!crown) return
    const { body, mesh, bare, leaf, veil, trunk, barks } = crown
    const leafless = bare !== null && isBare(body, month)
    changed ||= mesh.visible === leafless
    mesh.visible = !leafless
    if (bare) bare.visible = leafless
    const radii: Vec3 = [body.crownRadiusM, body.crownRadiusM, body.halfHeightM]
    const hides = !leafless && points.some((point) => isBetween(eyeFor(point), point, body.center, radii))
    mesh.material = hides ? veil : leaf
    if (trunk) trunk.material = leafless ? barks.bare : hides ? barks.veil : barks.whole
  })
  return changed
}
