import { type FoundAround } from '@/core/fit/around'
import { objectsOf } from '@/core/fit/objects'
import { centroid } from '@/core/geometry/polygon'
import { distance2 } from '@/core/geometry/vector'
import { ofKind, theOne, type Objects } from '@/core/kinds/documents'
import { jobToFile, parseJob } from '@/core/kinds/job'
import { siteId } from '@/core/kinds/site/site'
import { type Volume } from '@/core/kinds/volume/volume'
import { saltmarshJob } from '@/town/shipped-job'
import { fittedPractice } from '@/town/practice/flown'
import { english } from '@/words/english'
import { Sayer } from '@/words/sayer'
import { listed, withPieces } from './take-fitted'

const shipped = saltmarshJob()
const site = theOne(shipped.house, 'site', siteId)
const sayer = new Sayer(english, { locale: 'en-US', currency: 'USD', units: 'metric' }, (id) => id)
const bare: Objects = { [site.id]: site }

/** A practice house that has a part on its roof or beside it, and trees. */
const { fitted } = fittedPractice(5, 'valdecorva', 54, 0.25, 0.08)
const found: FoundAround = {
  house: fitted,
  neighbours: [],
  neighboursLeft: 0,
  residuals: new Float32Array(0),
  assumedEpsg: null,
  offset: null,
}
const objects = objectsOf(fitted, 'house')
const pieces = (house: Objects) => listed(found, objects, house).filter(({ stands }) => !stands)

test('everything that was found is put in place, as a job may hold it, and stands there when it is read again', () => {
  expect(objects.volumes).toHaveLength(2)
  const after = withPieces(
    bare,
    pieces(bare).map(({ piece }) => piece),
    sayer,
    site,
  )
  expect(ofKind(after, 'volume').map(({ name }) => name)).toEqual(['House', 'Building 2'])
  expect(ofKind(after, 'tree')).toHaveLength(objects.trees.length)
  expect(parseJob(jobToFile({ ...shipped, house: { ...shipped.house, ...after } })).house).toMatchObject(
    after,
  )
  // Both parts are known again, each as itself; nothing else is left to put in place.
  const again = listed(found, objects, after)
  const drawn = again.flatMap(({ piece }) => (piece.is === 'volume' ? [piece.drawn?.name] : []))
  expect(drawn).toEqual(['House', 'Building 2'])
  expect(again.every(({ piece, stands }) => piece.is === 'volume' || stands)).toBe(true)
})

test('a house that is drawn takes on what was read and keeps its id and name; a part on it stays a part', () => {
  const [main] = objects.volumes
  if (!main) throw new Error('there is a house')
  const drawn: Volume = {
    ...main,
    id: 'volume-9',
    name: 'Villa',
    edges: main.edges.map(() => ({ pitchDeg: 12 })),
    eaveHeightM: 9,
    planeNames: { '0:0': 'Sunny side' },
  }
  const house = { ...bare, [drawn.id]: drawn }
  const chosen = pieces(house).map(({ piece }) => piece)
  const after = withPieces(house, chosen, sayer, site)
  expect(after['volume-9']).toMatchObject({
    name: 'Villa',
    edges: main.edges,
    eaveHeightM: main.eaveHeightM,
    planeNames: { '0:0': 'Sunny side' },
  })
  expect(ofKind(after, 'volume')).toHaveLength(2)
  // Gone since it was listed: drawn anew.
  expect(ofKind(withPieces(bare, chosen, sayer, site), 'volume')).toHaveLength(2)
})

test('a locked house is left as it is', () => {
  const [main] = objects.volumes
  if (!main) throw new Error('there is a house')
  const drawn: Volume = { ...main, id: 'volume-9', name: 'Villa', locked: true }
  const [first] = listed(found, objects, { ...bare, [drawn.id]: drawn })
  expect(first?.stands).toBe(true)
})

test('trees come nearest first, and neighbours one by one: what is left stays out, what is drawn is told of', () => {
  const moved = (byM: number) => ({
    ...fitted,
    planes: fitted.planes.map((plane) => ({
      ...plane,
      corners: plane.corners.map(([x, y, z]) => [x + byM, y, z] as const),
    })),
    outline: fitted.outline.map(([x, y]) => [x + byM, y] as const),
  })
  const beside: FoundAround = { ...found, neighbours: [moved(40), moved(-40)] }
  const rows = listed(beside, objects, bare)
  const trees = rows.flatMap(({ piece }) => (piece.is === 'tree' ? [piece.draft.center] : []))
  const middle = centroid(fitted.outline)
  const aways = trees.map((center) => distance2(center, middle))
  expect(aways.length).toBeGreaterThan(1)
  expect(aways).toEqual(aways.toSorted((a, b) => a - b))
  const neighbours = rows.flatMap(({ piece }) => (piece.is === 'neighbour' ? [piece] : []))
  // Each has a part beside it.
  expect(neighbours).toHaveLength(4)
  const after = withPieces(bare, neighbours.slice(0, 1), sayer, site)
  expect(ofKind(after, 'volume').map(({ role }) => role)).toEqual(['neighbour'])
  const again = listed(beside, objects, after).filter(({ piece }) => piece.is === 'neighbour')
  expect(again.filter(({ stands }) => stands)).toHaveLength(1)
})
