import DxfParser, { type IEntity } from 'dxf-parser'
import { type BufferGeometry, Box3, type Mesh, Vector3 } from 'three'
import { GLTFLoader } from 'three/examples/jsm/loaders/GLTFLoader.js'
import { runOf, worldOf } from '@/town/testing'
import { shippedJobs } from '@/town/shipped-job'
import { theOne } from '../kinds/documents'
import { localOf } from '../geometry/geo'
import { signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { emptySite } from '../site/site'
import { siteStage } from '../stages/site'
import { structureStage } from '../stages/structure'
import { railOutline } from '../structure/outlines'
import { type Drawn } from './drawn'
import { dxfOf } from './dxf'
import { geoJsonOf } from './geojson'
import { glbOf } from './glb'

const jobs = await Promise.all(
  Object.entries(shippedJobs).map(async ([file, made]) => {
    const { house, options } = made()
    const run = runOf(await worldOf(house, options[0]?.objects))
    const site = run.value(siteStage)
    const { latitudeDeg, longitudeDeg, elevationM } = theOne(house, 'site', 'site')
    const drawn: Drawn = {
      site,
      holdings: run.value(structureStage),
      place: { latitudeDeg, longitudeDeg, elevationM },
      nameOf: (id) => `${id}, ñ`,
    }
    return [file, drawn] as const
  }),
)
const nothing: Drawn = {
  site: emptySite,
  place: { latitudeDeg: 0, longitudeDeg: 0, elevationM: 0 },
  nameOf: (id) => id,
}

const facesOf = ({ site }: Drawn, faded: boolean) =>
  site.objects.filter(({ geometry }) => geometry.faded === faded).flatMap(({ geometry }) => geometry.faces)
const panelsOf = ({ site }: Drawn) => site.arrays.flatMap(({ panels }) => panels)

describe.each(jobs)('%s', (_file, drawn) => {
  test('DXF: another reader finds every plane and module to a tenth of a millimetre, and lengths as text', () => {
    const read = new DxfParser().parseSync(dxfOf(drawn, 'metric', 'en-IE'))
    if (!read) throw new Error('nothing was read')
    expect(read.header['$ACADVER']).toBe('AC1009')
    expect(read.header['$INSUNITS']).toBe(6)
    const layers = Object.keys(read.tables.layer.layers)
    for (const { layer } of read.entities) expect(layers).toContain(layer)
    const rings = (layer: string) =>
      read.entities
        .filter((entity) => entity.type === 'POLYLINE' && entity.layer === layer)
        .map((entity) => (entity as IEntity & { vertices: { x: number; y: number; z: number }[] }).vertices)
    const expected = (corners: readonly (readonly number[])[]) =>
      corners.map(([x = 0, y = 0, z = 0]) => ({
        x: Number(x.toFixed(4)),
        y: Number(y.toFixed(4)),
        z: Number(z.toFixed(4)),
      }))
    const found = (layer: string) => rings(layer).map((ring) => ring.map(({ x, y, z }) => ({ x, y, z })))
    const borders = (isFaded: boolean) =>
      facesOf(drawn, isFaded).flatMap(({ corners, holes = [] }) => [corners, ...holes].map(expected))
    expect(found('ROOF-PLANES')).toEqual(borders(false))
    expect(found('NEIGHBOURS')).toEqual(borders(true))
    expect(found('MODULES')).toEqual(panelsOf(drawn).map(({ corners }) => expected(corners)))
    const held = (drawn.holdings ?? []).flatMap((holding) => (holding.is === 'rails' ? [holding] : []))
    expect(found('RAILS')).toEqual(
      held.flatMap((holding) => holding.rails.map((rail) => expected(railOutline(rail, holding)))),
    )
    expect(found('ATTACHMENTS')).toHaveLength(
      held.flatMap(({ rails }) => rails.flatMap(({ feet }) => feet)).length,
    )
    // What is left to modules on each plane, and lines over what is kept free.
    const laid = drawn.site.arrays.filter(({ margins }) => margins !== null)
    expect(found('SETBACKS').length).toBeGreaterThanOrEqual(laid.length)
    expect(read.entities.some(({ type, layer }) => type === 'LINE' && layer === 'SETBACKS')).toBe(
      laid.length > 0,
    )
    const texts = read.entities
      .filter(({ type, layer }) => type === 'TEXT' && layer === 'DIMENSIONS')
      .map((entity) => (entity as IEntity & { text: string }).text)
    const [longest] = facesOf(drawn, false)
      .flatMap(({ edges }) => edges)
      .map(({ lengthM }) => lengthM)
      .sort((a, b) => b - a)
    expect(texts).toContain(`${longest?.toFixed(2)} m`)
    expect(read.entities.filter(({ type }) => type === 'CIRCLE')).toHaveLength(
      drawn.site.objects.flatMap(({ geometry }) => geometry.crowns).length,
    )
  })

  test('GeoJSON: planes come back to their corners within a centimetre, counter-clockwise and closed', () => {
    const { features } = geoJsonOf(drawn)
    const ids = features.map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    const planes = features.filter(({ properties }) => properties['sort'] === 'roof plane')
    const faces = facesOf(drawn, false)
    expect(planes).toHaveLength(faces.length)
    planes.forEach(({ geometry, properties }, i) => {
      if (geometry.type !== 'Polygon') throw new Error('a plane is a polygon')
      const [ring = [], ...openings] = geometry.coordinates
      expect(openings.map(({ length }) => length - 1)).toEqual(
        (faces[i]?.holes ?? []).map(({ length }) => length),
      )
      expect(ring[0]).toEqual(ring.at(-1))
      const local = ring
        .slice(0, -1)
        .map(([longitudeDeg, latitudeDeg]): Vec2 => localOf(drawn.place, { longitudeDeg, latitudeDeg }))
      expect(signedArea(local)).toBeGreaterThan(0)
      faces[i]?.corners.forEach(([x, y, z], k) => {
        expect(local[k]?.[0]).toBeCloseTo(x, 2)
        expect(local[k]?.[1]).toBeCloseTo(y, 2)
        expect(ring[k]?.[2]).toBeCloseTo(drawn.place.elevationM + z, 3)
      })
      expect(properties['areaM2']).toBeCloseTo(faces[i]?.areaM2 ?? 0, 3)
    })
    expect(features.filter(({ properties }) => properties['sort'] === 'module')).toHaveLength(
      panelsOf(drawn).length,
    )
  })

  test('GLB: another reader finds a node for each thing, with its extent and the area of its roofs', async () => {
    const bytes = glbOf(drawn)
    const { scene } = await new GLTFLoader().parseAsync(bytes.buffer, '')
    scene.updateMatrixWorld(true)
    const visible = drawn.site.objects.filter(
      ({ geometry }) => geometry.surfaces.some(({ tone }) => tone !== 'open') || geometry.crowns.length > 0,
    )
    expect(scene.children).toHaveLength(visible.length + drawn.site.arrays.length)
    visible.forEach(({ geometry }, i) => {
      const node = scene.children[i]
      if (!node) throw new Error('a node is missing')
      const box = new Box3().setFromObject(node)
      // Its y is up.
      expect(box.max.y).toBeCloseTo(geometry.topM, 2)
      const roofM2 = geometry.surfaces
        .filter(({ tone }) => tone === 'roof')
        .reduce((sum, { face }) => sum + (geometry.faces.find(({ id }) => id === face)?.areaM2 ?? 0), 0)
      let foundM2 = 0
      node.traverse((child) => {
        const mesh = child as Mesh<BufferGeometry>
        if (mesh.isMesh && (mesh.material as { name: string }).name === 'roof')
          foundM2 += areaOf(mesh.geometry)
      })
      expect(foundM2).toBeCloseTo(roofM2, 2)
    })
  })
})

function areaOf(geometry: BufferGeometry): number {
  const position = geometry.getAttribute('position')
  let area = 0
  const [a, b, c] = [new Vector3(), new Vector3(), new Vector3()]
  for (let i = 0; i < position.count; i += 3) {
    a.fromBufferAttribute(position, i)
    b.fromBufferAttribute(position, i + 1).sub(a)
    c.fromBufferAttribute(position, i + 2).sub(a)
    area += b.cross(c).length() / 2
  }
  return area
}

test('a job in which nothing stands is a whole file all the same', async () => {
  expect(new DxfParser().parseSync(dxfOf(nothing, 'imperial', 'en-US'))?.entities).toEqual([])
  expect(geoJsonOf(nothing)).toEqual({ type: 'FeatureCollection', features: [] })
  const bytes = glbOf(nothing)
  const { scene } = await new GLTFLoader().parseAsync(bytes.buffer, '')
  expect(scene.children).toEqual([])
})

test('a name cannot break out of its line, and letters beyond ASCII are written by their numbers', () => {
  const [, drawn] = jobs.at(-1) ?? []
  if (!drawn) throw new Error('no job')
  const text = dxfOf({ ...drawn, nameOf: () => 'Oak\r\n  0\nENDSEC ñ' }, 'imperial', 'en-US')
  expect(text).not.toMatch(/[^\x20-\x7e\r\n]/)
  expect(text).toContain('Oak    0 ENDSEC \\U+00F1, 36\' 1"')
  expect(new DxfParser().parseSync(text)?.entities.length).toBeGreaterThan(20)
})
