import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { type Objects } from '../kinds/documents'
import { defaultWalkway } from '../kinds/walkway/walkway'
import { type AnyObject } from '../kinds/index'
import { emptySite, panelsOf, type Site } from '../site/site'
import { siteStage } from '../stages/site'
import { structureStage } from '../stages/structure'
import { paperSvg } from '../drawing/paper-svg'
import { roofPlan, type PlanLabels } from './roof-plan'

const graph = freshGraph()
const siteOf = async (house: Objects = job.house, objects: Objects = option) =>
  runOf(await worldOf(house, objects), graph).value(siteStage)
const place = { latitudeDeg: 41, longitudeDeg: -71, elevationM: 0 }
let drawnAt = 0
const labels: PlanLabels = {
  title: 'Roof plan <A> & "B"',
  heading: ['14 Saltmarsh Road'],
  scale: (scale) => {
    drawnAt = scale
    return `1:${scale}`
  },
  north: 'N',
  array: ({ panels }) => `${panels.length} modules`,
}
const drawn = (site: Site, units: 'metric' | 'imperial' = 'metric') =>
  paperSvg(
    roofPlan(
      { site, place, nameOf: (id) => id },
      { units, locale: 'en-IE' },
      units === 'metric' ? 'A4' : 'Letter',
      labels,
    ),
  )
/** The parts of a group, and the points of a polygon. */
const groupOf = (svg: string, id: string) =>
  new RegExp(`<g id="${id}"[^>]*>(.*?)</g>`, 's').exec(svg)?.[1] ?? ''
const polygonsOf = (svg: string, id: string) =>
  [...groupOf(svg, id).matchAll(/<polygon points="([^"]*)"/g)].map(([, points]) =>
    (points ?? '').split(' ').map((p) => p.split(',').map(Number)),
  )
const site = await siteOf()

test.each(['metric', 'imperial'] as const)(
  'in %s every module has its size in plan, at the scale that stands there',
  (units) => {
    const svg = drawn(site, units)
    const polygons = polygonsOf(svg, 'modules')
    const panels = panelsOf(site)
    expect(polygons).toHaveLength(panels.length)
    polygons.forEach((points, i) => {
      const [a, b] = points
      const [p, q] = panels[i]?.corners ?? []
      if (!a || !b || !p || !q) throw new Error('a module has corners')
      const onPaper = Math.hypot((b[0] ?? 0) - (a[0] ?? 0), (b[1] ?? 0) - (a[1] ?? 0))
      const inPlan = Math.hypot(q[0] - p[0], q[1] - p[1])
      expect((onPaper * drawnAt) / 1000).toBeCloseTo(inPlan, 2)
    })
    expect(
      units === 'metric' ? [20, 25, 50, 75, 100, 125, 150, 200] : [24, 32, 48, 64, 96, 128, 192],
    ).toContain(drawnAt)
  },
)

test('everything lies on the sheet, north up', () => {
  const svg = drawn(site)
  expect(svg).toContain('width="297mm" height="210mm" viewBox="0 0 297 210"')
  const all = ['planes', 'modules', 'setbacks', 'obstructions'].flatMap((id) => polygonsOf(svg, id)).flat()
  expect(all.length).toBeGreaterThan(50)
  for (const [x = -1, y = -1] of all) {
    expect(x).toBeGreaterThan(10)
    expect(x).toBeLessThan(287)
    expect(y).toBeGreaterThan(10)
    expect(y).toBeLessThan(180)
  }
  // The module farther north is higher on the sheet.
  const panels = panelsOf(site)
  const ys = polygonsOf(svg, 'modules').map((points) => points[0]?.[1] ?? 0)
  const north = panels.map(({ corners }) => corners[0][1])
  expect(ys.indexOf(Math.min(...ys))).toBe(north.indexOf(Math.max(...north)))
})

test('edges have their true lengths, arrays their labels; what is written is escaped', () => {
  const svg = drawn(site)
  const [longest] = site.objects
    .filter(({ geometry }) => !geometry.faded)
    .flatMap(({ geometry }) => geometry.faces.flatMap((face) => face.edges.map(({ lengthM }) => lengthM)))
    .sort((a, b) => b - a)
  expect(groupOf(svg, 'dimensions')).toContain(`>${longest?.toFixed(2)} m<`)
  expect(groupOf(svg, 'arrays')).toContain('13 modules')
  expect(svg).toContain('Roof plan &lt;A&gt; &amp; &quot;B&quot;')
})

test('walkways and setbacks are there when they are drawn, and move with the design', async () => {
  expect(polygonsOf(drawn(site), 'walkways')).toEqual([])
  const [x, y] = site.arrays[0]?.panels[0]?.corners[0] ?? [0, 0]
  const walkway = { ...defaultWalkway, id: 'walkway-1', center: [x, y] } as AnyObject
  expect(polygonsOf(drawn(await siteOf({ ...job.house, 'walkway-1': walkway })), 'walkways')).toHaveLength(1)
  const narrow = await siteOf(job.house, set(option, 'array-south', { edgesM: { 'eave:1': 2 } }))
  expect(groupOf(drawn(narrow), 'setbacks')).not.toBe(groupOf(drawn(site), 'setbacks'))
})

test('a house that is not drawn yet is an empty sheet, and one as large as the world fits', () => {
  expect(polygonsOf(drawn(emptySite), 'planes')).toEqual([])
  const far = site.objects.map((object) => ({
    ...object,
    geometry: {
      ...object.geometry,
      faces: object.geometry.faces.map((face) => ({
        ...face,
        corners: face.corners.map(([x, y, z]): [number, number, number] => [x * 200, y * 200, z]),
      })),
    },
  }))
  const points = polygonsOf(drawn({ ...emptySite, objects: far }), 'planes').flat()
  expect(points.length).toBeGreaterThan(8)
  for (const [x = -1, y = -1] of points) expect(x > 0 && x < 297 && y > 0 && y < 210).toBe(true)
})

test('rails and attachments are drawn where they are asked for, to scale', async () => {
  expect(groupOf(drawn(site), 'racking')).toBe('')
  const holdings = runOf(await worldOf(job.house, option), graph).value(structureStage)
  const svg = paperSvg(
    roofPlan(
      { site, place, holdings, nameOf: (id) => id },
      { units: 'metric', locale: 'en-IE' },
      'A4',
      labels,
    ),
  )
  const rails = holdings.flatMap((holding) => (holding.is === 'rails' ? holding.rails : []))
  const onPaper = polygonsOf(svg, 'racking')
  expect(onPaper).toHaveLength(rails.length)
  expect(polygonsOf(svg, 'attachments')).toHaveLength(rails.flatMap(({ feet }) => feet).length)
  rails.forEach(({ ends: [a, b] }, i) => {
    const [p = [], q = []] = onPaper[i] ?? []
    const mm = Math.hypot((q[0] ?? 0) - (p[0] ?? 0), (q[1] ?? 0) - (p[1] ?? 0))
    expect((mm * drawnAt) / 1000).toBeCloseTo(Math.hypot(b[0] - a[0], b[1] - a[1]), 2)
  })
})
