import { BufferGeometry, CylinderGeometry, Float32BufferAttribute, Group, type Material, Mesh } from 'three'
import { type CrownBody } from '@/core/geometry/body'
import { facets } from '@/core/geometry/facets'
import { type Vec3 } from '@/core/geometry/vector'
import { type Geometry, type Margins, type Surface, type Tone } from '@/core/kinds/standing'
import { distinctMargins, isRoofed, type Panel, type Site, type StandingObject } from '@/core/site/site'
import { crownShape } from './crowns'
import { InkBatch, type Pen } from './ink'
import { MarginShapes, type DrawMargins } from './margins'
import { glassOf, modulesMesh, type ShownModule } from './modules'
import { borderOf, sidesOf } from './outlines'
import { type Paints } from './paints'
import { type Palette } from './palette'
import { brokenPen, casing, mappedPen, pensOf, pickedPen, placePen } from './pens'
import { drawRacking, type DrawnRacking } from './racking'
import { disposeShapes } from './shapes'
import { sunMapShapes, type ShownSunMap } from './sun-map-shapes'

/** What is picked out on the maquette. */
export interface Emphasis {
  /** Ids of objects, panels, or "volume/e3" of a plane. */
  readonly selected: ReadonlySet<string>
  readonly lit: ReadonlySet<string>
  readonly broken: ReadonlySet<string>
  /** The array whose empty places are shown. */
  readonly slotsOf: string | null
  /** How setbacks are drawn, and whether those of all arrays are, or of the selected ones; null draws none. */
  readonly margins: { readonly of: 'all' | 'selected'; readonly draw: DrawMargins } | null
  /** Rails and their feet; null draws none. */
  readonly racking: DrawnRacking | null
  /** Houses turn to glass, so that the picture on the ground can be followed through them. */
  readonly glass: boolean
  /** Colour of a panel on the sun map; undefined paints it plain. */
  readonly panelColour: (panelId: string) => string | undefined
  /** The light on the roofs; null leaves them plain. */
  readonly sunMap: ShownSunMap | null
}

interface Look {
  readonly palette: Palette
  readonly emphasis: Emphasis
}

interface Standing {
  readonly geometry: Geometry
  /** All of a look that matters to this object. */
  readonly look: string
  readonly palette: Palette
  readonly group: Group
}

/**
 * The card model of a site: whatever stands there, with its ink edges, and the modules. From one look at it to the next
 * only what has changed is built anew.
 */
export class Maquette {
  readonly group = new Group()
  readonly #paints: Paints
  readonly #standing = new Map<string, Standing>()
  #modules = new Group()
  #sunMap = new Group()
  readonly #margins: MarginShapes
  readonly #racking = new Group()
  #racked: { readonly racking: DrawnRacking | null; readonly palette: Palette } | null = null
  #mapped: ShownSunMap | null = null

  constructor(paints: Paints) {
    this.#paints = paints
    this.#margins = new MarginShapes(paints)
    this.group.add(this.#margins.group, this.#racking)
  }

  show(site: Site, look: Look): void {
    const left = new Set(this.#standing.keys())
    for (const object of site.objects) {
      left.delete(object.id)
      this.#stand(object, look)
    }
    for (const id of left) this.#take(id)
    this.#map(look.emphasis.sunMap)
    this.#margins.show(marginsIn(site, look.emphasis), look.emphasis.margins?.draw, look.palette)
    this.#rack(look)
    this.group.remove(this.#modules)
    disposeShapes(this.#modules)
    this.#modules = modulesOf(site, look, this.#paints)
    this.group.add(this.#modules)
  }

  dispose(): void {
    disposeShapes(this.group)
    this.group.clear()
    this.#standing.clear()
  }

  #rack({ palette, emphasis: { racking } }: Look): void {
    if (racking === this.#racked?.racking && palette === this.#racked?.palette) return
    this.#racked = { racking, palette }
    drawRacking(this.#racking, racking, this.#paints, palette)
  }

  #map(sunMap: ShownSunMap | null): void {
    if (sunMap === this.#mapped) return
    this.#mapped = sunMap
    this.group.remove(this.#sunMap)
    disposeShapes(this.#sunMap)
    this.#sunMap = sunMap ? sunMapShapes(sunMap) : new Group()
    this.group.add(this.#sunMap)
  }

  #stand(object: StandingObject, look: Look): void {
    const { id, geometry } = object
    const key = lookAt(object, look.emphasis)
    const known = this.#standing.get(id)
    if (known?.geometry === geometry && known.look === key && known.palette === look.palette) return
    this.#take(id)
    const group = new Group()
    addSurfaces(group, object, look, this.#paints)
    addStrokes(group, object, look, this.#paints)
    addCrowns(group, object, look, this.#paints)
    this.group.add(group)
    this.#standing.set(id, { geometry, look: key, palette: look.palette, group })
  }

  #take(id: string): void {
    const known = this.#standing.get(id)
    if (!known) return
    this.group.remove(known.group)
    disposeShapes(known.group)
    this.#standing.delete(id)
  }
}

const marginsIn = ({ arrays }: Site, { margins, selected }: Emphasis): Margins[] =>
  margins ? distinctMargins(arrays.filter(({ id }) => margins.of === 'all' || selected.has(id))) : []

const isPicked = (id: string, { selected, lit }: Emphasis) => selected.has(id) || lit.has(id)

/** Glass are the houses that are drawn, not those around them. */
const isGlass = (object: StandingObject, { glass }: Emphasis) => glass && isRoofed(object)

function lookAt(object: StandingObject, emphasis: Emphasis): string {
  const faces = object.geometry.surfaces.flatMap(({ face }) =>
    face !== undefined && emphasis.lit.has(`${object.id}/${face}`) ? [face] : [],
  )
  return [isPicked(object.id, emphasis), isGlass(object, emphasis), ...faces].join(' ')
}

/** Flat polygons as triangles. */
function meshOf(polygons: readonly Pick<Surface, 'corners' | 'holes'>[], material: Material): Mesh {
  const positions: number[] = []
  for (const { corners, holes } of polygons)
    for (const triangle of facets(corners, holes)) for (const corner of triangle) positions.push(...corner)
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3))
  geometry.computeVertexNormals()
  const mesh = new Mesh(geometry, material)
  mesh.castShadow = true
  mesh.receiveShadow = true
  return mesh
}

/** How strongly the courses of a roof are drawn, on light card and on dark. */
const courseShare = 0.24
const fadedCourseShare = 0.13
/** How much of a house is left when it turns to glass. */
const glassRoof = 0.1
const glassWall = 0.05
const pickedShare = 0.35

function paintOf(
  tone: Exclude<Tone, 'open'> | 'picked',
  { geometry: { faded } }: StandingObject,
  glass: boolean,
  palette: Palette,
  paints: Paints,
): Material {
  if (tone === 'picked') return paints.card(palette.verdigris, pickedShare)
  if (glass && (tone === 'roof' || tone === 'wall'))
    return paints.card(palette.card, tone === 'roof' ? glassRoof : glassWall)
  if (tone === 'roof')
    return paints.roof(
      faded ? palette.neighbour : palette.roof,
      palette.line,
      faded ? fadedCourseShare : courseShare,
    )
  const colour = {
    wall: faded ? palette.neighbour : palette.wall,
    obstruction: palette.wall,
    frame: palette.pencil,
    glass: palette.glass,
  }
  return paints.card(colour[tone])
}

function addSurfaces(
  group: Group,
  object: StandingObject,
  { palette, emphasis }: Look,
  paints: Paints,
): void {
  const byTone = new Map<Exclude<Tone, 'open'> | 'picked', Surface[]>()
  for (const surface of object.geometry.surfaces) {
    const { tone, face } = surface
    const key = face !== undefined && emphasis.lit.has(`${object.id}/${face}`) ? 'picked' : tone
    if (key === 'open') continue
    const batch = byTone.get(key)
    if (batch) batch.push(surface)
    else byTone.set(key, [surface])
  }
  for (const [tone, polygons] of byTone)
    group.add(meshOf(polygons, paintOf(tone, object, isGlass(object, emphasis), palette, paints)))
}

function addStrokes(group: Group, object: StandingObject, { palette, emphasis }: Look, paints: Paints): void {
  const { id, geometry } = object
  if (geometry.strokes.length === 0) return
  const state = isPicked(id, emphasis) ? 'picked' : geometry.fault ? 'faulty' : 'plain'
  const glass = isGlass(object, emphasis)
  const penFor = pensOf(palette, state, geometry.faded, glass)
  const sides = sidesOf(geometry.surfaces)
  const ink = new InkBatch()
  if (glass)
    for (const { from, to } of geometry.strokes) ink.line(from, to, { ...casing(palette), width: [3.2, 3.2] })
  for (const { from, to, is } of geometry.strokes) ink.line(from, to, penFor(is), sides(from, to))
  group.add(ink.mesh(paints.ink()))
}

/** Sides of the ring round a crown that is picked. */
const ringSides = 40

function addCrowns(
  group: Group,
  { id, geometry }: StandingObject,
  { palette, emphasis }: Look,
  paints: Paints,
): void {
  const picked = isPicked(id, emphasis)
  const trunks = geometry.poles.map(({ at, topM, bottomRadiusM, topRadiusM }) => {
    const trunk = new Mesh(
      new CylinderGeometry(topRadiusM, bottomRadiusM, topM, 10),
      paints.card(palette.trunk),
    )
    trunk.rotation.x = Math.PI / 2
    trunk.position.set(at[0], at[1], topM / 2)
    trunk.castShadow = true
    group.add(trunk)
    return trunk
  })
  geometry.crowns.forEach((crown, i) => {
    const outline = picked ? palette.verdigris : palette.contour
    group.add(crownShape(crown, trunks[i] ?? null, palette, paints, outline))
    if (picked) group.add(ringRound(crown, palette, paints))
  })
}

function ringRound({ center, crownRadiusM }: CrownBody, palette: Palette, paints: Paints): Mesh {
  const ring = new InkBatch()
  ring.ring(
    Array.from({ length: ringSides }, (_, k): Vec3 => {
      const a = (2 * Math.PI * k) / ringSides
      return [center[0] + crownRadiusM * Math.cos(a), center[1] + crownRadiusM * Math.sin(a), center[2]]
    }),
    pickedPen(palette),
  )
  return ring.mesh(paints.ink())
}

/** A module that does not fit where it was set out. */
function crossedOut(lines: InkBatch, corners: readonly Vec3[], pen: Pen): void {
  lines.ring(corners, pen)
  const [a, b, c, d] = corners
  if (a && c) lines.line(a, c, pen)
  if (b && d) lines.line(b, d, pen)
}

function modulesOf(site: Site, { palette, emphasis }: Look, paints: Paints): Group {
  const group = new Group()
  const shown: ShownModule[] = []
  const picked: Panel[] = []
  const places = new InkBatch()
  const lines = new InkBatch()
  for (const array of site.arrays) {
    for (const panel of array.panels) {
      const broken = emphasis.broken.has(panel.id)
      shown.push({ panel, colour: emphasis.panelColour(panel.id) ?? palette.module, broken })
      if (broken) lines.ring(glassOf(panel), brokenPen(palette))
      else if (emphasis.sunMap) lines.ring(glassOf(panel), mappedPen(palette))
      if (isPicked(panel.id, emphasis) || emphasis.selected.has(array.id)) picked.push(panel)
    }
    if (emphasis.margins?.of === 'all' || emphasis.selected.has(array.id))
      for (const panel of array.unfit) crossedOut(lines, glassOf(panel), brokenPen(palette))
    if (emphasis.slotsOf === array.id)
      for (const panel of array.empty) places.ring(glassOf(panel), placePen(palette))
  }
  const border = borderOf(picked.map(glassOf))
  for (const pen of [casing(palette), pickedPen(palette)]) for (const [a, b] of border) lines.line(a, b, pen)
  if (shown.length > 0)
    group.add(modulesMesh(shown, paints.modules(palette.frame, palette.clay, palette.card)))
  for (const batch of [places, lines]) if (batch.count > 0) group.add(batch.mesh(paints.ink()))
  return group
}
