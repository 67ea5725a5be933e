import fc from 'fast-check'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { usualCanopies, type Canopy } from '@/core/kinds/canopy/canopy'
import { defaultChimney, type Chimney } from '@/core/kinds/chimney/chimney'
import { type Dimension } from '@/core/kinds/dimension/dimension'
import { kindOf } from '@/core/kinds/index'
import { defaultRack, type Rack } from '@/core/kinds/rack/rack'
import { broadleafTransmissivity, defaultTree, type Tree } from '@/core/kinds/tree/tree'
import { type Volume } from '@/core/kinds/volume/volume'
import { chosenIds } from '../../store/selection'
import { bench, gabledHouse } from '../testing'
import { alignSelected } from './align'
import { copySelected } from './copy'
import { joinSelected } from './join'
import { pasteCopied } from './paste'
import { turnSelected } from './turn'
import { duplicateSelected } from './duplicate'
import { mirrorSelected } from './mirror'
import { chooseAll } from './choose-all'

type Bench = ReturnType<typeof bench>

const tree = (id: string, center: Vec2): Tree => ({
  ...defaultTree,
  id,
  center,
  name: id,
  transmissivity: broadleafTransmissivity(41),
})
const chimney = (id: string, center: Vec2): Chimney => ({ ...defaultChimney, id, center, name: id })
const trees = { oak: tree('oak', [20, 0]), elm: tree('elm', [30, 6]), ash: tree('ash', [44, 2]) }
const house = gabledHouse(30)
const rack: Rack = { ...defaultRack, id: 'rack', name: 'Rack', center: [0, 30], azimuthDeg: 180 }

const chosen = (b: Bench) => chosenIds(b.session.getState().selection)
const choose = (b: Bench, ...ids: string[]) => b.session.setState({ selection: { kind: 'objects', ids } })
const placeOf = (b: Bench, id: string) => {
  const object = b.documents.house[id] ?? b.documents.document('option-a')[id]
  return object && kindOf(object).standing?.move?.middle(object)
}
const box = (b: Bench, [x, y]: Vec2, [tx, ty]: Vec2, shift = false) => {
  b.press(x, y, shift)
  b.move((x + tx) / 2, (y + ty) / 2, shift)
  b.move(tx, ty, shift)
  b.release(tx, ty, shift)
}

test('Shift adds and takes out; one of several is dragged with the others in one step, clicked it stands alone', () => {
  const b = bench(trees)
  b.click(20, 0)
  b.click(30, 6, true)
  b.click(44, 2, true)
  expect(chosen(b)).toEqual(['oak', 'elm', 'ash'])
  b.click(44, 2, true)
  expect(chosen(b)).toEqual(['oak', 'elm'])
  // Shift beside everything keeps what is chosen.
  b.click(0, 20, true)
  expect(chosen(b)).toEqual(['oak', 'elm'])
  b.press(30, 6)
  b.move(31, 6)
  b.move(33, 8)
  b.release(33, 8)
  expect([placeOf(b, 'oak'), placeOf(b, 'elm'), placeOf(b, 'ash')]).toEqual([
    [23, 2],
    [33, 8],
    [44, 2],
  ])
  expect(chosen(b)).toEqual(['oak', 'elm'])
  b.documents.undo()
  expect(b.documents.house).toMatchObject(trees)
  b.click(30, 6)
  expect(chosen(b)).toEqual(['elm'])
})

test('a box holds what lies in it as a whole, and adds with Shift; what is hidden is not caught', () => {
  const b = bench({ house, ...trees })
  box(b, [16, -5], [35, 10])
  expect(chosen(b)).toEqual(['oak', 'elm'])
  expect(b.session.getState().sketch).toBeNull()
  // Half a house is none.
  box(b, [40, 8], [0, -9])
  expect(chosen(b)).toEqual(['oak'])
  box(b, [35, 10], [50, -5], true)
  expect(chosen(b)).toEqual(['oak', 'ash'])
  b.session.setState({ hidden: ['elm'] })
  box(b, [-10, -10], [60, 20])
  expect(chosen(b).sort()).toEqual(['ash', 'house', 'oak'])
  box(b, [60, 60], [70, 70])
  expect(chosen(b)).toEqual([])
})

test('a box that is begun and given up leaves what was chosen', () => {
  const b = bench(trees)
  b.click(20, 0)
  b.press(0, 30)
  b.move(50, -10)
  expect(b.session.getState().sketch?.box).toEqual([
    [0, 3000],
    [5000, -1000],
  ])
  b.tools.chart.cancel()
  expect(b.session.getState().sketch).toBeNull()
  expect(chosen(b)).toEqual([])
})

/** Modules on both slopes of the house. */
function covered() {
  const b = bench({ house })
  for (const y of [-2, 2]) {
    b.tools.take('lay')
    b.click(0, y)
  }
  b.tools.take('select')
  b.session.setState({ chapter: 'cover', selection: null })
  return b
}
const places = (b: Bench) => b.site().arrays.map(({ panels }) => panels.length)

test('modules in a box are deleted over both slopes in one step, and come back in one', () => {
  const b = covered()
  const before = places(b)
  box(b, [-6, -5], [0, 5])
  const caught = chosen(b).length
  expect(caught).toBeGreaterThan(5)
  expect(new Set(chosen(b).map((id) => id.split('/')[0])).size).toBe(2)
  b.key('Delete')
  const after = places(b)
  expect(after.reduce((sum, n) => sum + n, 0)).toBe(before.reduce((sum, n) => sum + n, 0) - caught)
  expect(after.every((n, i) => n < (before[i] ?? 0))).toBe(true)
  // The arrays are in hand.
  expect(chosen(b)).toHaveLength(2)
  b.documents.undo()
  expect(places(b)).toEqual(before)
})

test('everything at once: all modules of the arrays in hand, or all that stands', () => {
  const b = covered()
  chooseAll(b.context)
  expect(chosen(b)).toEqual(['house'])
  const [array] = b.site().arrays
  b.session.setState({ selection: { kind: 'object', id: array?.id ?? '' } })
  chooseAll(b.context)
  expect(chosen(b)).toEqual(array?.panels.map(({ id }) => id))
  b.tools.chart.cancel()
  expect(chosen(b)).toEqual([])
})

test('objects of the house and of the option are deleted, moved and turned in one step', () => {
  const b = bench(trees)
  b.documents.edit('Rack', 'option-a', (before) => ({ ...before, rack }))
  choose(b, 'oak', 'rack')
  b.key('ArrowRight')
  expect([placeOf(b, 'oak'), placeOf(b, 'rack')]).toEqual([
    [20.01, 0],
    [0.01, 30],
  ])
  b.documents.undo()
  // About the middle between them, (10, 15).
  expect(turnSelected(b.context, 90)).toBeNull()
  expect([placeOf(b, 'oak'), placeOf(b, 'rack')]).toEqual([
    [-5, 5],
    [25, 25],
  ])
  expect(b.documents.document('option-a').rack).toMatchObject({ azimuthDeg: 270 })
  b.documents.undo()
  b.key('Delete')
  expect([placeOf(b, 'oak'), placeOf(b, 'rack')]).toEqual([undefined, undefined])
  expect(b.session.getState().toast?.text).toBe('2 objects deleted.')
  b.documents.undo()
  expect([placeOf(b, 'oak'), placeOf(b, 'rack')]).toEqual([
    [20, 0],
    [0, 30],
  ])
})

test('at the end of the world all of them stop as they stand to each other', () => {
  const b = bench({ house, ...trees, stack: chimney('stack', [2, 1]) })
  choose(b, 'house', 'ash')
  const [grip] = b.grips()
  const [x = 0, y = 0] = grip?.handle.at ?? []
  expect(grip?.handle.whole).toBe(true)
  b.press(x, y)
  b.move(x + 900, y)
  b.release(x + 900, y)
  expect([placeOf(b, 'house'), placeOf(b, 'ash'), placeOf(b, 'stack')]).toEqual([
    [456, 0],
    [500, 2],
    [458, 1],
  ])
})

test('a carport is copied with its modules, and both are mirrored about their middle', () => {
  const carport: Canopy = {
    kind: 'canopy',
    use: 'carport',
    ...usualCanopies.carport,
    id: 'carport',
    name: 'Carport 1',
    center: [0, 0],
    rotationDeg: 30,
  }
  const b = bench({ carport })
  b.tools.take('lay')
  b.click(0, 0)
  b.tools.take('select')
  const [count] = places(b)
  expect(count).toBeGreaterThan(5)
  b.session.setState({ selection: { kind: 'object', id: 'carport' } })
  expect(duplicateSelected(b.context)).toBe(true)
  expect(places(b)).toEqual([count, count])
  const [copyId = ''] = chosen(b)
  const copy = b.documents.house[copyId]
  expect(copy).toMatchObject({ name: 'Carport 2', rotationDeg: 30 })
  const arrays = Object.values(b.documents.document('option-a')).filter(({ kind }) => kind === 'array')
  expect(arrays.map((one) => one.kind === 'array' && one.volumeId)).toEqual(['carport', copyId])
  choose(b, 'carport', copyId)
  const [from = [0, 0], to = [0, 0]] = [placeOf(b, 'carport'), placeOf(b, copyId)]
  expect(mirrorSelected(b.context, 'east-west')).toBe(true)
  expect([placeOf(b, 'carport'), placeOf(b, copyId)]).toEqual([to, from])
  expect(b.documents.house.carport).toMatchObject({ rotationDeg: -30 })
  for (let k = 0; k < 3; k++) b.documents.undo()
  expect(b.documents.house.carport).toEqual(carport)
  expect(places(b)).toEqual([])
})

test('a house turns with what stands on it; its planes keep their modules and look another way', () => {
  const b = covered()
  b.documents.edit('Chimney', 'house', (before) => ({ ...before, stack: chimney('stack', [2, 1]) }))
  const before = places(b)
  b.session.setState({ selection: { kind: 'object', id: 'house' } })
  const azimuths = () => b.site().arrays.map(({ plane }) => Math.round(plane.azimuthDeg))
  const [first = 0, second = 0] = azimuths()
  expect(turnSelected(b.context, 90)).toBeNull()
  expect(azimuths()).toEqual([(first + 90) % 360, (second + 90) % 360])
  expect(places(b)).toEqual(before)
  expect(placeOf(b, 'stack')).toEqual([1, -2])
  expect(b.documents.house.stack).toMatchObject({ rotationDeg: -90 })
  expect(turnSelected(b.context, -90)).toBeNull()
  expect(b.documents.house).toMatchObject({ house, stack: chimney('stack', [2, 1]) })
})

test('turned by any angle and back, every kind is where it was to the millimetre', () => {
  fc.assert(
    fc.property(fc.double({ min: -360, max: 360, noNaN: true }), (deg) => {
      const b = bench({ house, ...trees, stack: chimney('stack', [2, 1]) })
      const angle = Number(deg.toFixed(1))
      choose(b, 'house', 'oak', 'stack')
      expect(turnSelected(b.context, angle)).toBeNull()
      const far = (a: Vec2 | undefined, c: Vec2 | undefined) =>
        Math.hypot((a?.[0] ?? 0) - (c?.[0] ?? 0), (a?.[1] ?? 0) - (c?.[1] ?? 0))
      // They keep their distances.
      expect(far(placeOf(b, 'oak'), placeOf(b, 'stack'))).toBeCloseTo(Math.hypot(18, 1), 2)
      expect(turnSelected(b.context, -angle)).toBeNull()
      const back = b.documents.house.house
      const outline = back?.kind === 'volume' ? back.outline : []
      house.outline.forEach((corner, i) => expect(far(corner, outline[i])).toBeLessThan(0.005))
      expect(b.documents.house.stack).toMatchObject({ rotationDeg: 0 })
    }),
    { seed: 7, numRuns: 60 },
  )
})

test('chimneys are put at one height of their plane, and equally far apart along its eave', () => {
  // Its south-east plane looks down along (1, -1).
  const turned: Volume = {
    ...house,
    outline: [
      [0, 0],
      [10, 10],
      [4, 16],
      [-6, 6],
    ],
  }
  const stacks = {
    a: chimney('a', [1, 2]),
    b: chimney('b', [4, 6]),
    c: chimney('c', [8, 9]),
  }
  const b = bench({ house: turned, ...stacks })
  choose(b, 'a', 'b', 'c')
  alignSelected(b.context, 'up', 'middle')
  const up = (id: string) => {
    const [x, y] = placeOf(b, id) ?? [NaN, NaN]
    return (y - x) / Math.SQRT2
  }
  const along = (id: string) => {
    const [x, y] = placeOf(b, id) ?? [NaN, NaN]
    return (x + y) / Math.SQRT2
  }
  expect(up('a')).toBeCloseTo(up('b'), 2)
  expect(up('c')).toBeCloseTo(up('b'), 2)
  // Along the eave they are where they were.
  expect(along('a')).toBeCloseTo(3 / Math.SQRT2, 2)
  alignSelected(b.context, 'across', 'even')
  expect(along('b')).toBeCloseTo((along('a') + along('c')) / 2, 2)
  b.documents.undo()
  b.documents.undo()
  expect(b.documents.house).toMatchObject(stacks)
})

test('trees are put in line by the compass: their southern sides where the southernmost is', () => {
  const b = bench({ ...trees, ash: { ...trees.ash, crownDiameterM: 3 } })
  choose(b, 'oak', 'elm', 'ash')
  alignSelected(b.context, 'up', 'low')
  const radius = trees.oak.crownDiameterM / 2
  expect(placeOf(b, 'elm')).toEqual([30, 0])
  expect(placeOf(b, 'ash')?.[1]).toBeCloseTo(-radius + 1.5, 3)
  expect(placeOf(b, 'oak')).toEqual([20, 0])
})

test('a house is pasted into another job where the hand points, with its chimney and its modules', () => {
  const b = covered()
  b.documents.edit('Chimney', 'house', (before) => ({ ...before, stack: chimney('stack', [2, 1]) }))
  expect(copySelected(b.context)).toBeNull()
  b.session.setState({ selection: { kind: 'object', id: 'house' } })
  const text = copySelected(b.context) ?? ''
  const other = bench({ ...trees, house })
  expect(pasteCopied(other.context, text, [100, 50])).toBe(true)
  expect(places(other)).toEqual(places(b))
  const pasted = chosen(other).map((id) => other.documents.house[id])
  expect(pasted.map((one) => one?.kind)).toEqual(['volume', 'chimney'])
  // They keep the place they had to each other, about the middle of both.
  expect(pasted[0]?.kind === 'volume' && pasted[0].outline[0]).toEqual([94, 45.5])
  expect(pasted[1]).toMatchObject({ center: [101, 50.5] })
  // The house that had the same id is as it was.
  expect(other.documents.house.house).toEqual(house)
  other.documents.undo()
  expect(Object.keys(other.documents.house).sort()).toEqual(['ash', 'elm', 'house', 'oak', 'site'])
})

test('pasted without a pointer it comes beside; what cannot be pasted is said, and other text is left alone', () => {
  const b = bench(trees)
  choose(b, 'oak', 'elm')
  const text = copySelected(b.context) ?? ''
  expect(pasteCopied(b.context, text, null)).toBe(true)
  expect(chosen(b).map((id) => placeOf(b, id))).toEqual([
    [22, -2],
    [32, 4],
  ])
  const before = b.documents.house
  expect(pasteCopied(b.context, 'a word', null)).toBe(false)
  expect(pasteCopied(b.context, text.replace('"heightM":8', '"heightM":800'), null)).toBe(true)
  expect(b.session.getState().toast?.text).toMatch(/60/)
  expect(b.documents.house).toBe(before)
})

test('a measure goes with the house it is taken on, and stays where one of its ends is elsewhere', () => {
  const measure = (id: string, from: Vec3, to: Vec3): Dimension => ({
    id,
    kind: 'dimension',
    name: id,
    from,
    to,
  })
  const eave = measure('eave', [-5, -4, 3], [5, -4, 3])
  const toOak = measure('to-oak', [5, 0, 3], [20, 0, 0])
  const b = bench({ house, ...trees, eave, 'to-oak': toOak })
  b.session.setState({ selection: { kind: 'object', id: 'house' } })
  b.key('ArrowRight')
  expect(b.documents.house.eave).toMatchObject({ from: [-4.99, -4, 3], to: [5.01, -4, 3] })
  expect(b.documents.house['to-oak']).toEqual(toOak)
  expect(turnSelected(b.context, 90)).toBeNull()
  expect(b.documents.house.eave).toMatchObject({ from: [-3.99, 5, 3], to: [-3.99, -5, 3] })
  b.documents.undo()
  b.documents.undo()
  expect(b.documents.house.eave).toEqual(eave)
  // With the house and the oak it goes along.
  choose(b, 'house', 'oak')
  b.key('ArrowRight')
  expect(b.documents.house['to-oak']).toMatchObject({ from: [5.01, 0, 3], to: [20.01, 0, 0] })
})

test('modules that are gone already are not taken out a second time', () => {
  const b = covered()
  const [array] = b.site().arrays
  const two = (array?.panels ?? []).slice(0, 2).map(({ id, arrayId }) => ({ id, arrayId }))
  for (let k = 0; k < 2; k++) {
    b.session.setState({ selection: { kind: 'panels', panels: two } })
    b.key('Delete')
  }
  const laid = b.documents.document('option-a')[array?.id ?? '']
  expect(laid?.kind === 'array' && laid.removed).toHaveLength(2)
})

test('two buildings that touch become one, and modules stay on their sides in every option', () => {
  const b = bench({ house })
  const south: Volume = {
    ...house,
    id: 'south',
    name: 'Wing',
    outline: [
      [-4.5, -11],
      [4.5, -11],
      [4.5, -4],
      [-4.5, -4],
    ],
    edges: [{ gable: true }, { pitchDeg: 30 }, { gable: true }, { pitchDeg: 30 }],
  }
  b.documents.edit('Draw', 'house', (before) => ({ ...before, south }))
  const laid = (y: number, x = 0) => {
    b.tools.take('lay')
    b.click(x, y)
  }
  laid(2)
  laid(-8, 2)
  b.tools.take('select')
  const arrays = () =>
    Object.values(b.documents.document('option-a')).filter((object) => object.kind === 'array')
  const before = arrays().map(({ volumeId, edgeIndex }) => [volumeId, edgeIndex])
  choose(b, 'south', 'house')
  expect(joinSelected(b.context)).toBe(true)
  expect(b.documents.house).not.toHaveProperty('south')
  const joined = b.documents.house['house']
  if (joined?.kind !== 'volume') throw new Error('it is there')
  expect(joined.outline).toHaveLength(8)
  expect(chosen(b)).toEqual(['house'])
  const after = arrays()
  expect(after.map(({ volumeId }) => volumeId)).toEqual(['house', 'house'])
  // The sides they lie on look the same way as before.
  const middle = after.map(({ edgeIndex }) => joined.outline[edgeIndex])
  expect(middle[0]?.[1]).toBe(4)
  expect(middle[1]).toEqual([4.5, -11])
  expect(b.site().arrays.every(({ panels }) => panels.length > 0)).toBe(true)
  b.documents.undo()
  expect(arrays().map(({ volumeId, edgeIndex }) => [volumeId, edgeIndex])).toEqual(before)
  expect(b.documents.house['south']).toEqual(south)
})
