import { type Volume } from '@/core/kinds/volume/volume'
import { bench } from '../testing'
import { mirrorSelected } from './mirror'

const box: Volume = {
  id: 'volume-1',
  kind: 'volume',
  name: 'House',
  role: 'house',
  flat: null,
  outline: [
    [-6, -4],
    [6, -4],
    [6, 4],
    [-6, 4],
  ],
  edges: [30, 31, 32, 33].map((pitchDeg) => ({ pitchDeg })),
  eaveHeightM: 3,
}

test('a corner is dragged out of a side and deleted again; modules stay on their plane, in one step each', () => {
  const b = bench({ 'volume-1': box })
  b.tools.take('lay')
  b.click(0, 3)
  const arrays = () => b.site().arrays
  expect(arrays()[0]?.plane.pitchDeg).toBeCloseTo(32, 6)
  b.session.setState({ selection: { kind: 'object', id: 'volume-1' } })
  const outline = () => {
    const volume = b.documents.house['volume-1']
    return volume?.kind === 'volume' ? volume.outline : []
  }
  b.tools.take('select')
  // A quarter along the first side.
  b.press(-3, -4)
  b.move(-3, -5)
  b.move(-2, -6)
  b.release(-2, -6)
  expect(outline()).toHaveLength(5)
  expect(outline()[1]).toEqual([-2, -6])
  expect(arrays()[0]?.plane.pitchDeg).toBeCloseTo(32, 6)
  expect(b.documents.undo()?.label).toBe('New corner')
  expect(outline()).toEqual(box.outline)
  expect(arrays()[0]?.plane.pitchDeg).toBeCloseTo(32, 6)
  b.documents.redo()
  b.move(-2, -6)
  b.key('Delete')
  expect(outline()).toEqual(box.outline)
  expect(arrays()[0]?.plane.pitchDeg).toBeCloseTo(32, 6)
  // The pointer over a corner, but something else chosen: that goes.
  b.move(6, -4)
  const [array] = arrays()
  b.session.setState({ selection: { kind: 'object', id: array?.id ?? '' } })
  b.key('Delete')
  expect(outline()).toEqual(box.outline)
  expect(arrays()).toHaveLength(0)
  b.documents.undo()
  b.session.setState({ selection: { kind: 'object', id: 'volume-1' } })
  // Without a grip under the pointer the whole goes.
  b.move(20, 20)
  b.key('Delete')
  expect(b.documents.house['volume-1']).toBeUndefined()
})

test('a corner that the outline cannot do without, or whose going would cross sides, stays and it is said', () => {
  const triangle = { ...box, outline: box.outline.slice(0, 3), edges: box.edges.slice(0, 3) }
  const b = bench({ 'volume-1': triangle })
  b.session.setState({ selection: { kind: 'object', id: 'volume-1' } })
  b.move(6, -4)
  b.key('Delete')
  expect(b.documents.house['volume-1']).toEqual(triangle)
  expect(b.session.getState().toast?.text).toMatch(/stays/)
})

test('a house is moved by its grip, with what stands on it and the modules on its planes, in one step', () => {
  const b = bench({ 'volume-1': box })
  b.tools.take('chimney')
  b.click(2, 2)
  b.tools.take('lay')
  b.click(-3, 2)
  b.tools.take('select')
  b.session.setState({ selection: { kind: 'object', id: 'volume-1' } })
  const chimney = () => Object.values(b.documents.house).find(({ kind }) => kind === 'chimney')
  const before = b.site().arrays[0]?.panels.map(({ corners }) => corners[0])
  b.press(0, 0)
  b.move(3, 1)
  b.move(10, 5)
  b.release(10, 5)
  expect(b.documents.house['volume-1']).toMatchObject({
    outline: [
      [4, 1],
      [16, 1],
      [16, 9],
      [4, 9],
    ],
  })
  expect(chimney()).toMatchObject({ center: [12, 7] })
  const after = b.site().arrays[0]?.panels.map(({ corners }) => corners[0])
  expect(after).toHaveLength(before?.length ?? 0)
  expect(after?.[0]?.[0]).toBeCloseTo((before?.[0]?.[0] ?? 0) + 10, 6)
  // By keys as well.
  b.key('ArrowRight')
  expect(chimney()).toMatchObject({ center: [12.01, 7] })
  b.documents.undo()
  b.documents.undo()
  expect(b.documents.house['volume-1']).toEqual(box)
  expect(chimney()).toMatchObject({ center: [2, 2] })
})

test('a mirrored house keeps each plane’s modules, and what stands on it comes to the other side', () => {
  const house: Volume = {
    ...box,
    outline: [
      [-6, -4],
      [6, -4],
      [6, 4],
      [1, 4],
      [1, 1],
      [-6, 1],
    ],
    edges: [30, 31, 32, 33, 34, 35].map((pitchDeg) => ({ pitchDeg })),
  }
  const b = bench({ 'volume-1': house })
  b.tools.take('chimney')
  b.click(4, 1)
  b.tools.take('lay')
  b.click(5.5, 0)
  const array = () => b.site().arrays[0]
  expect(array()?.plane).toMatchObject({
    pitchDeg: expect.closeTo(31, 6) as number,
    azimuthDeg: expect.closeTo(90, 6) as number,
  })
  const count = array()?.panels.length
  b.tools.take('select')
  b.session.setState({ selection: { kind: 'object', id: 'volume-1' } })
  expect(mirrorSelected(b.context, 'east-west')).toBe(true)
  expect(array()?.plane).toMatchObject({
    pitchDeg: expect.closeTo(31, 6) as number,
    azimuthDeg: expect.closeTo(270, 6) as number,
  })
  expect(array()?.panels).toHaveLength(count ?? 0)
  expect(Object.values(b.documents.house).find(({ kind }) => kind === 'chimney')).toMatchObject({
    center: [-4, 1],
  })
  mirrorSelected(b.context, 'east-west')
  expect(array()?.plane.azimuthDeg).toBeCloseTo(90, 6)
  b.documents.undo()
  b.documents.undo()
  expect(b.documents.house['volume-1']).toEqual(house)
})

test('at the end of the world a house stops as it is, and what stands on it stops with it', () => {
  const b = bench({ 'volume-1': box })
  b.tools.take('chimney')
  b.click(2, 2)
  b.tools.take('dormer')
  b.click(-3, -3)
  b.tools.take('fixture')
  // On the dormer: it goes where the dormer goes.
  b.click(-3, -2.4)
  const placesOf = () =>
    Object.values(b.documents.house).flatMap((object) => {
      if (object.kind === 'volume') return [object.outline[0]]
      if (object.kind === 'dormer') return [object.front]
      return object.kind === 'chimney' || object.kind === 'fixture' ? [object.center] : []
    })
  const before = placesOf()
  expect(before).toHaveLength(4)
  b.session.setState({ selection: { kind: 'object', id: 'volume-1' } })
  b.press(0, 0)
  b.move(300, 0)
  b.move(900, 0)
  b.release(900, 0)
  const house = b.documents.house['volume-1']
  expect(house?.kind === 'volume' && house.outline).toEqual([
    [488, -4],
    [500, -4],
    [500, 4],
    [488, 4],
  ])
  expect(placesOf()).toEqual(before.map((p) => [expect.closeTo((p?.[0] ?? 0) + 494, 3) as number, p?.[1]]))
})
