import {
  BufferGeometry,
  Float32BufferAttribute,
  Group,
  IcosahedronGeometry,
  CylinderGeometry,
  LineSegments,
  Mesh,
  type Material,
  type Object3D,
} from 'three'
import { triangulate } from '@/core/geometry/polygon'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { type Panel } from '@/core/pipeline/panels'
import { type Paints } from './paints'
import { type Palette } from './palette'
import { type StageScene } from './scene'

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

  face(corners: readonly Vec3[], plan?: readonly Vec2[]): void {
    const flat = plan ?? corners.map((c): Vec2 => [c[0], c[1]])
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

/** The card model of a scene: roofs, walls, chimneys, crowns and panels with their ink edges. */
export function buildMaquette(scene: StageScene, look: Look): Group {
  const group = new Group()
  addVolumes(group, scene, look)
  addChimneys(group, scene, look)
  addTrees(group, scene, look)
  addPanels(group, scene, look)
  return group
}

const edgeColour = (id: string, palette: Palette, emphasis: Emphasis) =>
  emphasis.selected.has(id) || emphasis.lit.has(id) ? palette.verdigris : palette.ink

function addVolumes(group: Group, scene: StageScene, { palette, emphasis, paints }: Look): void {
  for (const { volume, roof } of scene.volumes) {
    const eave = volume.eaveHeightM
    const roofs = new Batch()
    const picked = new Batch()
    const walls = new Batch()
    for (const plane of roof?.planes ?? []) {
      const batch = emphasis.lit.has(`${volume.id}/${plane.id}`) ? picked : roofs
      batch.face(plane.corners)
      roofs.outline(plane.corners)
    }
    for (const gable of roof?.gables ?? []) {
      const [a, b] = gable.corners
      if (!a || !b) continue
      const along = Math.hypot(b[0] - a[0], b[1] - a[1])
      const plan = gable.corners.map((c): Vec2 => [
        ((c[0] - a[0]) * (b[0] - a[0]) + (c[1] - a[1]) * (b[1] - a[1])) / along,
        c[2],
      ])
      walls.face(gable.corners, plan)
    }
    volume.outline.forEach((a, i) => {
      const b = volume.outline[(i + 1) % volume.outline.length] ?? a
      walls.quad([a[0], a[1], 0], [b[0], b[1], 0], [b[0], b[1], eave], [a[0], a[1], eave])
      walls.line([a[0], a[1], 0], [a[0], a[1], eave])
      walls.line([a[0], a[1], 0], [b[0], b[1], 0])
    })
    const faded = volume.role === 'neighbour'
    const colour = edgeColour(volume.id, palette, emphasis)
    if (!roof) {
      walls.outline(volume.outline.map((p): Vec3 => [p[0], p[1], eave]))
      group.add(walls.mesh(paints.card(palette.wall)), walls.edges(paints.ink(palette.clay)))
      continue
    }
    group.add(walls.mesh(paints.card(palette.wall)), walls.edges(paints.ink(colour, faded ? 0.45 : 0.9)))
    group.add(roofs.mesh(paints.card(palette.cardShade)), roofs.edges(paints.ink(colour, faded ? 0.45 : 1)))
    if (picked.positions.length > 0) group.add(picked.mesh(paints.card(palette.verdigris, 0.35)))
  }
}

function addChimneys(group: Group, scene: StageScene, { palette, emphasis, paints }: Look): void {
  for (const { chimney, base, bottomM, topM } of scene.chimneys) {
    const box = new Batch()
    const top = base.map((p): Vec3 => [p[0], p[1], topM])
    box.face(top)
    box.outline(top)
    base.forEach((a, i) => {
      const b = base[(i + 1) % base.length] ?? a
      box.quad([a[0], a[1], bottomM], [b[0], b[1], bottomM], [b[0], b[1], topM], [a[0], a[1], topM])
      box.line([a[0], a[1], bottomM], [a[0], a[1], topM])
    })
    group.add(
      box.mesh(paints.card(palette.cardShade)),
      box.edges(paints.ink(edgeColour(chimney.id, palette, emphasis))),
    )
  }
}

function addTrees(group: Group, scene: StageScene, { palette, emphasis, paints }: Look): void {
  for (const { tree, center, radiusM, halfHeightM } of scene.trees) {
    const picked = emphasis.selected.has(tree.id) || emphasis.lit.has(tree.id)
    const crown = new Mesh(new IcosahedronGeometry(1, 2), paints.crown(palette.crown))
    crown.scale.set(radiusM, radiusM, halfHeightM)
    crown.position.set(...center)
    // After the transparent sheet, which would else be painted over it.
    crown.renderOrder = 5
    crown.castShadow = true
    const bottom = center[2] - halfHeightM
    const trunk = new Mesh(
      new CylinderGeometry(0.05 * radiusM + 0.06, 0.07 * radiusM + 0.1, bottom + halfHeightM * 0.7, 10),
      paints.card(palette.cardShade),
    )
    trunk.rotation.x = Math.PI / 2
    trunk.position.set(center[0], center[1], (bottom + halfHeightM * 0.7) / 2)
    trunk.castShadow = true
    group.add(crown, trunk)
    const ring = new Batch()
    const circle = Array.from({ length: 40 }, (_, k): Vec3 => {
      const a = (2 * Math.PI * k) / 40
      return [center[0] + radiusM * Math.cos(a), center[1] + radiusM * Math.sin(a), center[2]]
    })
    ring.outline(circle)
    group.add(ring.edges(paints.ink(picked ? palette.verdigris : palette.pencil, picked ? 1 : 0.35)))
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

function addPanels(group: Group, scene: StageScene, { palette, emphasis, paints }: Look): void {
  const byColour = new Map<string, Batch>()
  const frames = new Batch()
  const picked = new Batch()
  const broken = new Batch()
  const places = new Batch()
  const posts = new Batch()
  for (const array of scene.laid.arrays) {
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
    for (const row of array.rows) for (const [x, y, z] of row) posts.line([x, y, 0], [x, y, z])
    if (emphasis.slotsOf === array.id) for (const panel of array.empty) places.outline(lifted(panel))
  }
  for (const [colour, batch] of byColour) group.add(batch.mesh(paints.card(colour)))
  group.add(
    frames.edges(paints.ink(byColour.size > 1 ? palette.ink : palette.card, 0.8)),
    picked.edges(paints.ink(palette.verdigris)),
    broken.edges(paints.ink(palette.clay)),
    places.edges(paints.ink(palette.pencil, 0.9)),
    posts.edges(paints.ink(palette.ink, 0.7)),
  )
}

/** Gives back the shapes a group holds on the graphics card; its paints are kept. */
export function disposeShapes(object: Object3D): void {
  object.traverse((part) => {
    if (part instanceof Mesh || part instanceof LineSegments) part.geometry.dispose()
  })
}
