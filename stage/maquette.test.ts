import { type Group, LineSegments, type Material, Mesh, type MeshLambertMaterial } from 'three'
import { Graph } from '@/core/graph/graph'
import { type Objects } from '@/core/kinds/documents'
import { panelsOf, type Site } from '@/core/site/site'
import { siteStage } from '@/core/stages/site'
import { type Design } from '@/core/stages/world'
import { catalogue } from '@/town/equipment'
import { saltmarshJob } from '@/town/shipped-job'
import { buildMaquette, disposeShapes, isDrawn, type Emphasis } from './maquette'
import { Paints } from './paints'
import { lightPalette as palette } from './palette'

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
  panelColour: () => undefined,
}
const paints = new Paints()
const build = (emphasis: Partial<Emphasis> = {}) =>
  buildMaquette(site, { palette, emphasis: { ...plain, ...emphasis }, paints })

const drawn = (group: Group, kind: typeof Mesh | typeof LineSegments, colour: string): number => {
  let points = 0
  group.traverse((part) => {
    if (!isDrawn(part) || !(part instanceof kind)) return
    const material = part.material as MeshLambertMaterial
    if (`#${material.color.getHexString()}` === colour.toLowerCase())
      points += part.geometry.getAttribute('position').count
  })
  return points
}
const panels = panelsOf(site)

test('every module is a face of two triangles, in one batch where they are of one colour', () => {
  expect(panels).toHaveLength(16)
  expect(drawn(build(), Mesh, palette.panel)).toBe(16 * 6)
  const odd = build({ panelColour: (id) => (id === panels[0]?.id ? '#aa5500' : undefined) })
  expect(drawn(odd, Mesh, palette.panel)).toBe(15 * 6)
  expect(drawn(odd, Mesh, '#aa5500')).toBe(6)
})

test('what is picked has verdigris edges, what breaks a rule is crossed out in clay', () => {
  expect(drawn(build(), LineSegments, palette.verdigris)).toBe(0)
  const picked = build({ selected: new Set([panels[0]?.id ?? '']) })
  expect(drawn(picked, LineSegments, palette.verdigris)).toBe(8)
  // Four edges and two diagonals.
  const broken = build({ broken: new Set([panels[1]?.id ?? '']) })
  expect(drawn(broken, LineSegments, palette.clay)).toBe(12)
})

test('places left empty are shown for the array in hand alone', () => {
  const array = option['array-south']
  if (array?.kind !== 'array') throw new Error('the shipped job has a south array')
  const slots = panels.filter((panel) => panel.id.startsWith(array.id)).map((panel) => panel.slot)
  const thinned = siteOf({ ...option, [array.id]: { ...array, removed: slots.slice(2, 5) } })
  const places = thinned.arrays.find(({ id }) => id === array.id)?.empty.length ?? 0
  expect(places).toBe(3)
  const pencil = (slotsOf: string | null) =>
    drawn(
      buildMaquette(thinned, { palette, emphasis: { ...plain, slotsOf }, paints }),
      LineSegments,
      palette.pencil,
    )
  expect(pencil(array.id) - pencil(null)).toBe(places * 8)
  expect(pencil('array-west')).toBe(pencil(null))
})

test('pictures share their paints: none is mixed or thrown away from one to the next', () => {
  const paintsOf = (group: Group) => {
    const found = new Set<Material>()
    group.traverse((part) => {
      if (part instanceof Mesh || part instanceof LineSegments) found.add(part.material as Material)
    })
    return found
  }
  const first = build()
  const before = paintsOf(first)
  let thrown = 0
  for (const paint of before) paint.addEventListener('dispose', () => thrown++)
  let shapes = 0
  first.traverse((part) => {
    if (isDrawn(part)) part.geometry.addEventListener('dispose', () => shapes++)
  })
  disposeShapes(first)
  expect(paintsOf(build())).toEqual(before)
  expect(thrown).toBe(0)
  expect(shapes).toBeGreaterThan(10)
})
