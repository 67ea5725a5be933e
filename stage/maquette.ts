import {
  BufferGeometry,
  Float32BufferAttribute,
  Group,
  CylinderGeometry,
  LineSegments,
  Mesh,
  type Material,
  type Object3D,
} from 'three'
import { triangulate } from '@/core/geometry/polygon'
import { flatten, type Vec3 } from '@/core/geometry/vector'
import { type Tone } from '@/core/kinds/standing'
import { type Panel, type Site, type StandingObject } from '@/core/site/site'
import { crownMesh } from './crowns'
import { type Paints } from './paints'
import { type Palette } from './palette'

/** What is picked out on the maquette. */
export interface Emphasis {
  /** Ids of objects, panels, or "volume/e3" of a plane. */
  readonly selected: ReadonlySet<string>
  readonly lit: ReadonlySet<string>
  readonly broken: ReadonlySet<string>
  /** The array whose empty places are shown. */
  readonly slotsOf: string | null
  /** Colour of a panel on the sun map; undefined paints it plain. */
  readonly panelColour: (panelId: string) => string | undefined
}

/** Panels stand this much proud of their computed face, so that they never flicker through the roof. */
const skinM = 0.01

class Batch {
  readonly positions: number[] = []
  readonly lines: number[] = []

  /** A flat polygon, however it stands. */
  face(corners: readonly Vec3[]): void {
    const flat = flatten(corners)
    for (const triangle of triangulate(flat))
      for (const i of triangle) this.positions.push(...(corners[i] ?? [0, 0, 0]))
  }

  quad(a: Vec3, b: Vec3, c: Vec3, d: Vec3): void {
    this.positions.push(...a, ...b, ...c, ...a, ...c, ...d)
  }

  line(a: Vec3, b: Vec3): void {
    this.lines.push(...a, ...b)
  }

  outline(corners: readonly Vec3[]): void {
    corners.forEach((a, i) => this.line(a, corners[(i + 1) % corners.length] ?? a))
  }

  mesh(material: Material, shadows = true): Mesh {
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new Float32BufferAttribute(this.positions, 3))
    geometry.computeVertexNormals()
    const mesh = new Mesh(geometry, material)
    mesh.castShadow = shadows
    mesh.receiveShadow = shadows
    return mesh
  }

  edges(ink: Material): LineSegments {
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new Float32BufferAttribute(this.lines, 3))
    return new LineSegments(geometry, ink)
  }
}

interface Look {
  readonly palette: Palette
  readonly emphasis: Emphasis
  readonly paints: Paints
}

/** The card model of a site: whatever stands there, with its ink edges, and the modules. */
export function buildMaquette(site: Site, look: Look): Group {
  const group = new Group()
  for (const object of site.objects) {
    addSurfaces(group, object, look)
    addStrokes(group, object, look)
    addCrowns(group, object, look)
  }
  addPanels(group, site, look)
  return group
}

const toneColour = (tone: Tone, palette: Palette): string =>
  ({
    roof: palette.cardShade,
    wall: palette.wall,
    obstruction: palette.cardShade,
    frame: palette.pencil,
    glass: palette.glass,
  })[tone]

const isPicked = (id: string, { selected, lit }: Emphasis) => selected.has(id) || lit.has(id)

function addSurfaces(
  group: Group,
  { id, geometry }: StandingObject,
  { palette, emphasis, paints }: Look,
): void {
  const byTone = new Map<Tone | 'picked', Batch>()
  for (const { corners, tone, face } of geometry.surfaces) {
    const key = face !== undefined && emphasis.lit.has(`${id}/${face}`) ? 'picked' : tone
    const batch = byTone.get(key) ?? new Batch()
    byTone.set(key, batch)
    batch.face(corners)
  }
  for (const [tone, batch] of byTone)
    group.add(
      batch.mesh(
        tone === 'picked' ? paints.card(palette.verdigris, 0.35) : paints.card(toneColour(tone, palette)),
      ),
    )
}

/** How strongly what stands in the background is drawn. */
const fadedInk = 0.45

function addStrokes(
  group: Group,
  { id, geometry }: StandingObject,
  { palette, emphasis, paints }: Look,
): void {
  const edges = new Batch()
  const posts = new Batch()
  for (const { from, to, weight } of geometry.strokes) (weight === 'post' ? posts : edges).line(from, to)
  const colour = isPicked(id, emphasis) ? palette.verdigris : geometry.fault ? palette.clay : palette.ink
  if (edges.lines.length > 0) group.add(edges.edges(paints.ink(colour, geometry.faded ? fadedInk : 1)))
  if (posts.lines.length > 0) group.add(posts.edges(paints.ink(palette.ink, 0.7)))
}

/** Sides of the ring round a crown that is picked. */
const ringSides = 40

function addCrowns(
  group: Group,
  { id, geometry }: StandingObject,
  { palette, emphasis, paints }: Look,
): void {
  const picked = isPicked(id, emphasis)
  for (const crown of geometry.crowns) {
    group.add(crownMesh(crown, palette, paints, picked ? palette.verdigris : palette.ink))
    if (!picked) continue
    const { center, crownRadiusM } = crown
    const ring = new Batch()
    ring.outline(
      Array.from({ length: ringSides }, (_, k): Vec3 => {
        const a = (2 * Math.PI * k) / ringSides
        return [center[0] + crownRadiusM * Math.cos(a), center[1] + crownRadiusM * Math.sin(a), center[2]]
      }),
    )
    group.add(ring.edges(paints.ink(palette.verdigris)))
  }
  for (const { at, topM, bottomRadiusM, topRadiusM } of geometry.poles) {
    const pole = new Mesh(
      new CylinderGeometry(topRadiusM, bottomRadiusM, topM, 10),
      paints.card(palette.cardShade),
    )
    pole.rotation.x = Math.PI / 2
    pole.position.set(at[0], at[1], topM / 2)
    pole.castShadow = true
    group.add(pole)
  }
}

const lifted = (panel: Panel): Vec3[] => {
  const [a, b, , d] = panel.corners
  const u: Vec3 = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
  const v: Vec3 = [d[0] - a[0], d[1] - a[1], d[2] - a[2]]
  const n: Vec3 = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const k = skinM / Math.hypot(...n)
  return panel.corners.map((c): Vec3 => [c[0] + n[0] * k, c[1] + n[1] * k, c[2] + n[2] * k])
}

function addPanels(group: Group, site: Site, { palette, emphasis, paints }: Look): void {
  const byColour = new Map<string, Batch>()
  const frames = new Batch()
  const picked = new Batch()
  const broken = new Batch()
  const places = new Batch()
  for (const array of site.arrays) {
    for (const panel of array.panels) {
      const [a, b, c, d] = lifted(panel)
      if (!a || !b || !c || !d) continue
      const colour = emphasis.panelColour(panel.id) ?? palette.panel
      const batch = byColour.get(colour) ?? new Batch()
      byColour.set(colour, batch)
      batch.quad(a, b, c, d)
      const at = emphasis.broken.has(panel.id)
        ? broken
        : emphasis.selected.has(panel.id) || emphasis.lit.has(panel.id)
          ? picked
          : emphasis.selected.has(array.id)
            ? picked
            : frames
      at.outline([a, b, c, d])
      if (at === broken) {
        at.line(a, c)
        at.line(b, d)
      }
    }
    if (emphasis.slotsOf === array.id) for (const panel of array.empty) places.outline(lifted(panel))
  }
  for (const [colour, batch] of byColour) group.add(batch.mesh(paints.card(colour)))
  group.add(
    frames.edges(paints.ink(byColour.size > 1 ? palette.ink : palette.card, 0.8)),
    picked.edges(paints.ink(palette.verdigris)),
    broken.edges(paints.ink(palette.clay)),
    places.edges(paints.ink(palette.pencil, 0.9)),
  )
}

/** What has a shape of its own. */
export const isDrawn = (part: Object3D): part is Mesh<BufferGeometry, Material> =>
  part instanceof Mesh || part instanceof LineSegments

/** Gives back the shapes a group holds on the graphics card; its paints are kept. */
export function disposeShapes(object: Object3D): void {
  object.traverse((part) => {
    if (isDrawn(part)) part.geometry.dispose()
  })
}
