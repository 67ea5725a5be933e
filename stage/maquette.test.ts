import {
  Color,
  InstancedMesh,
  type InstancedBufferGeometry,
  type Material,
  Matrix4,
  type Mesh,
  ShaderMaterial,
  Vector3,
} from 'three'
import { Graph } from '@/core/graph/graph'
import { type Objects } from '@/core/kinds/documents'
import { isRoofed, panelsOf, type Site } from '@/core/site/site'
import { siteStage } from '@/core/stages/site'
import { type Design } from '@/core/stages/world'
import { catalogue } from '@/town/equipment'
import { saltmarshJob } from '@/town/shipped-job'
import { Light } from './light'
import { Maquette, type Emphasis } from './maquette'
import { Paints } from './paints'
import { darkPalette, lightPalette as palette } from './palette'
import { isDrawn } from './shapes'

const job = saltmarshJob()
const option = job.options[0]?.objects ?? {}
const siteOf = (objects: Objects): Site =>
  new Graph<Design>({ now: () => 0 }).open({ house: job.house, option: objects, catalogue }).value(siteStage)
const site = siteOf(option)
const plain: Emphasis = {
  selected: new Set(),
  lit: new Set(),
  broken: new Set(),
  slotsOf: null,
  margins: null,
  racking: null,
  glass: false,
  panelColour: () => undefined,
  sunMap: null,
}
const paints = new Paints(new Light())
const build = (emphasis: Partial<Emphasis> = {}, shown = site) => {
  const maquette = new Maquette(paints)
  maquette.show(shown, { palette, emphasis: { ...plain, ...emphasis } })
  return maquette
}

const partsOf = ({ group }: Maquette): Mesh[] => {
  const found: Mesh[] = []
  group.traverse((part) => {
    if (isDrawn(part)) found.push(part)
  })
  return found
}
/** Colours of all lines, as sRGB hexadecimals. */
const lineColours = (maquette: Maquette): string[] =>
  partsOf(maquette)
    .filter(({ material }) => material === paints.ink())
    .flatMap(({ geometry }) => {
      const tint = (geometry as InstancedBufferGeometry).getAttribute('tint')
      return Array.from({ length: tint.count }, (_, i) =>
        new Color(tint.getX(i), tint.getY(i), tint.getZ(i)).getHexString(),
      )
    })
const lines = (maquette: Maquette, colour: string): number =>
  lineColours(maquette).filter((found) => `#${found}` === colour.toLowerCase()).length
const modulesIn = (maquette: Maquette): InstancedMesh => {
  const found = partsOf(maquette).find((part): part is InstancedMesh => part instanceof InstancedMesh)
  if (!found) throw new Error('no modules are drawn')
  return found
}
const panels = panelsOf(site)

test('all modules are one drawing, each with its colour at its place', () => {
  expect(panels).toHaveLength(17)
  const odd = modulesIn(build({ panelColour: (id) => (id === panels[3]?.id ? '#aa5500' : undefined) }))
  expect(odd.count).toBe(17)
  const colours = Array.from({ length: 17 }, (_, i) => {
    const colour = new Color()
    odd.getColorAt(i, colour)
    return `#${colour.getHexString().toUpperCase()}`
  })
  expect(colours.filter((colour) => colour === palette.module)).toHaveLength(16)
  expect(colours[3]).toBe('#AA5500')
  // The box's far corner lands on the module's far corner, a centimetre over it.
  panels.forEach((panel, i) => {
    const place = new Matrix4()
    odd.getMatrixAt(i, place)
    const [x, y, z] = panel.corners[2]
    expect(new Vector3(1, 1, 0).applyMatrix4(place).distanceTo(new Vector3(x, y, z))).toBeCloseTo(0.01, 6)
  })
})

test('what is picked has a verdigris border on card, what breaks a rule a clay one and hatching', () => {
  expect(lines(build(), palette.verdigris)).toBe(0)
  const picked = build({ selected: new Set([panels[0]?.id ?? '']) })
  expect([lines(picked, palette.verdigris), lines(picked, palette.card)]).toEqual([4, 4])
  const broken = build({ broken: new Set([panels[1]?.id ?? '']) })
  expect(lines(broken, palette.clay)).toBe(4)
  const hatched = modulesIn(broken).geometry.getAttribute('broken')
  expect(Array.from(hatched.array).map(Boolean)).toEqual(panels.map((_, i) => i === 1))
})

test('the light on the roofs is laid over them and nowhere else, in the colours of the ramp', () => {
  const faces = site.objects
    .filter(({ id }) => id === 'volume-1')
    .flatMap(({ whole }) => whole.faces)
    .map((face) => {
      const [origin] = face.corners
      const { normal } = face
      const level = Math.hypot(normal[0], normal[1])
      const across = [-normal[1] / level, normal[0] / level, 0] as const
      const along = [-across[1] * normal[2], across[0] * normal[2], level] as const
      const corner = [0, 1, 2].map(
        (axis) => (origin?.[axis] ?? 0) - 15 * (across[axis] ?? 0) - 15 * (along[axis] ?? 0),
      ) as unknown as readonly [number, number, number]
      const map = {
        origin: corner,
        across,
        along,
        columns: 120,
        rows: 120,
        stepM: 0.25,
        values: new Float32Array(120 * 120).fill(1000),
        open: 1000,
      }
      return { face, map }
    })
  const plainParts = partsOf(build()).length
  const maquette = build({ sunMap: { faces, best: 1000 } })
  const mapped = partsOf(maquette).filter(({ geometry }) => geometry.getAttribute('color') !== undefined)
  expect(mapped).toHaveLength(1)
  const geometry = (mapped[0] as Mesh).geometry
  const at = geometry.getAttribute('position')
  let area = 0
  const [a, b, c] = [new Vector3(), new Vector3(), new Vector3()]
  for (let i = 0; i < at.count; i += 3) {
    ;[a, b, c].forEach((corner, k) => corner.fromBufferAttribute(at, i + k))
    area += b.sub(a).cross(c.sub(a)).length() / 2
  }
  expect(area).toBeCloseTo(
    faces.reduce((sum, { face }) => sum + face.areaM2, 0),
    1,
  )
  // All at the ramp's end.
  const tint = geometry.getAttribute('color')
  expect(new Color(tint.getX(0), tint.getY(0), tint.getZ(0)).getHexString()).toBe('f4de8a')
  maquette.show(site, { palette, emphasis: plain })
  expect(partsOf(maquette)).toHaveLength(plainParts)
})

test('a picked array has one border round its modules, not one round each', () => {
  const array = site.arrays.find(({ id }) => id === 'array-south')
  const border = lines(build({ selected: new Set(['array-south']) }), palette.verdigris)
  expect(array?.panels).toHaveLength(13)
  expect(border).toBeGreaterThan(8)
  expect(border).toBeLessThan(13 * 4 - 12)
})

test('places left empty are shown for the array in hand alone', () => {
  const array = option['array-south']
  if (array?.kind !== 'array') throw new Error('the shipped job has a south array')
  const slots = panels.filter((panel) => panel.id.startsWith(array.id)).map((panel) => panel.slot)
  const thinned = siteOf({ ...option, [array.id]: { ...array, removed: slots.slice(2, 5) } })
  const places = thinned.arrays.find(({ id }) => id === array.id)?.empty.length ?? 0
  expect(places).toBe(3)
  const pencil = (slotsOf: string | null) => lines(build({ slotsOf }, thinned), palette.pencil)
  expect(pencil(array.id) - pencil(null)).toBe(places * 4)
  expect(pencil('array-west')).toBe(pencil(null))
})

test('every edge is drawn once, and those between two faces know both', () => {
  const maquette = build()
  maquette.group.updateMatrixWorld(true)
  // Bare trees are drawn in the frame of their crown.
  const drawn = partsOf(maquette).filter(
    ({ material, matrixWorld }) => material === paints.ink() && matrixWorld.equals(new Matrix4()),
  )
  const seen = new Map<string, number>()
  let withSides = 0
  for (const { geometry } of drawn) {
    const [from, to, side] = ['lineFrom', 'lineTo', 'sideA'].map((name) => geometry.getAttribute(name))
    if (!from || !to || !side) throw new Error('a line has no ends')
    for (let i = 0; i < from.count; i++) {
      const ends = [from, to].map((end) =>
        [end.getX(i), end.getY(i), end.getZ(i)].map((v) => v.toFixed(2)).join(),
      )
      const key = ends.sort().join('/')
      seen.set(key, (seen.get(key) ?? 0) + 1)
      if (Math.hypot(side.getX(i), side.getY(i), side.getZ(i)) > 0.9) withSides++
    }
  }
  expect([...seen].filter(([, times]) => times > 1)).toEqual([])
  expect(withSides).toBeGreaterThan(30)
})

test('the drawn house turns to glass, the neighbour does not', () => {
  const seeThrough = (maquette: Maquette) =>
    partsOf(maquette).filter(
      ({ material }) => !(material instanceof ShaderMaterial) && (material as Material).transparent,
    ).length
  expect(seeThrough(build())).toBe(0)
  const houses = site.objects.filter(isRoofed).length
  expect(seeThrough(build({ glass: true }))).toBe(houses * 2)
})

test('from one look to the next only what changed is built anew', () => {
  const maquette = build()
  const before = new Set(partsOf(maquette))
  maquette.show(site, { palette, emphasis: { ...plain, selected: new Set(['chimney']) } })
  const chimney = site.objects.find(({ kind }) => kind === 'chimney')?.id ?? ''
  maquette.show(site, { palette, emphasis: { ...plain, lit: new Set([chimney]) } })
  const after = partsOf(maquette)
  // The chimney's faces and lines, and the modules.
  expect(after.filter((part) => !before.has(part))).toHaveLength(3)
  maquette.show(site, { palette: darkPalette, emphasis: plain })
  expect(partsOf(maquette).some((part) => after.includes(part))).toBe(false)
  maquette.show({ ...site, objects: [], arrays: [] }, { palette, emphasis: plain })
  expect(partsOf(maquette)).toHaveLength(0)
})

test('pictures share their paints, and give back the shapes that are theirs alone', () => {
  const first = build()
  const before = new Set(partsOf(first).map(({ material }) => material))
  let thrown = 0
  for (const paint of before) (paint as Material).addEventListener('dispose', () => thrown++)
  let shapes = 0
  for (const part of partsOf(first)) part.geometry.addEventListener('dispose', () => shapes++)
  first.dispose()
  expect(new Set(partsOf(build()).map(({ material }) => material))).toEqual(before)
  expect(thrown).toBe(0)
  expect(shapes).toBeGreaterThan(10)
})
