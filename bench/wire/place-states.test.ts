import { theOne } from '@/core/kinds/documents'
import { defaultStorage, storageId } from '@/core/kinds/storage/storage'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { siteId } from '@/core/kinds/site/site'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { ToolChart } from '../tools/chart'
import { bench, gabledHouse } from '../tools/testing'
import { PlaceIdle } from './place-states'
import { placeMoved, placesOf, placeUnder, sideLooked, usualPlace } from './places'

/** A house with its eaves at 3 m, and the tool for devices in hand. */
function placing() {
  const b = bench({ house: gabledHouse(40) })
  let left = false
  const chart = new ToolChart('place', new PlaceIdle(b.context), () => (left = true))
  const places = () => placesOf(b.documents.house, b.documents.document('option-a'))
  /** From the south, level, onto the wall. */
  const onSouth = (x: number, z: number) => b.input([x, -4], false, [x, -30, z], [0, 1, 0])
  const click = (input: ReturnType<typeof b.input>) => {
    chart.press(input)
    chart.release(input)
  }
  const key = (name: string, shift = false) => chart.key({ key: name, shift })
  const message = () => b.session.getState().sketch?.message
  return { ...b, chart, places, onSouth, click, key, message, isLeft: () => left }
}

test('what is missing is asked for in its order: inverter, load centre, and a battery where there is one', () => {
  const b = placing()
  expect(b.message()).toBe('Click a wall for the inverter, or press Enter.')
  b.click(b.onSouth(-2, 1.3))
  expect(b.places().inverter).toEqual({ at: [-2, -4], heightM: 1.3 })
  expect(b.message()).toContain('Click a wall for the load centre, or press Enter.')
  b.click(b.onSouth(1, 1.8))
  expect(theOne(b.documents.house, 'site', siteId).loadCentreAt).toEqual({ at: [1, -4], heightM: 1.8 })
  expect(b.message()).toMatch(/^Load centre: 1.80 m up\./)
  // Nothing is missing: a click into the open puts nothing anywhere.
  const before = b.places()
  b.click(b.onSouth(4, 1))
  expect(b.places()).toEqual(before)
  b.documents.edit('Battery', 'option-a', (objects) => ({
    ...objects,
    [storageId]: { ...defaultStorage, batteryId: 'cellar-10' },
  }))
  b.chart.cancel()
  const again = new ToolChart('place', new PlaceIdle(b.context), () => undefined)
  expect(b.message()).toBe('Click a wall for the battery, or press Enter.')
  again.cancel()
})

test('microinverters need no place of their own', () => {
  const b = placing()
  b.documents.set('Inverter', 'option-a', electricalId, { inverterId: 'tarnbeck-360' })
  const chart = new ToolChart('place', new PlaceIdle(b.context), () => undefined)
  expect(b.message()).toBe('Click a wall for the load centre, or press Enter.')
  chart.cancel()
})

test('beside the house the nearest wall is meant, in the open none, and one undo takes one back', () => {
  const b = placing()
  b.click(b.input([40, 40]))
  expect(b.places().inverter).toBeNull()
  expect(b.message()).toBe('No wall there. Click a wall of the house.')
  b.click(b.input([5.8, 1]))
  expect(b.places().inverter).toEqual({ at: [5, 1], heightM: 1.5 })
  b.documents.undo()
  expect(b.places().inverter).toBeNull()
})

test('what was asked for is placed, though something else is missing or it hangs already', () => {
  const b = placing()
  b.click(b.onSouth(0, 1))
  b.session.setState({ placing: 'inverter' })
  b.click(b.onSouth(3, 1.2))
  expect(b.places().inverter).toEqual({ at: [3, -4], heightM: 1.2 })
  expect(b.session.getState().placing).toBeNull()
  b.session.setState({ placing: 'cablesDown' })
  b.click(b.onSouth(-4, 2))
  expect(b.places().cablesDown).toEqual({ at: [-4, -4], heightM: 2 })
  expect(b.places().loadCentre).toBeNull()
})

test('dragged along the wall it is one step, and let go of it is as it was', () => {
  const b = placing()
  b.click(b.onSouth(0, 1))
  b.chart.press(b.onSouth(0.05, 1.02))
  b.chart.move(b.onSouth(1, 1.4))
  b.chart.move(b.onSouth(2, 2))
  expect(b.places().inverter).toEqual({ at: [2, -4], heightM: 2 })
  b.chart.release(b.onSouth(2, 2))
  expect(b.documents.undo()?.label).toBe('Place: Inverter')
  expect(b.places().inverter).toEqual({ at: [0, -4], heightM: 1 })
  b.chart.press(b.onSouth(0, 1))
  b.chart.move(b.onSouth(3, 2))
  b.chart.cancel()
  expect(b.places().inverter).toEqual({ at: [0, -4], heightM: 1 })
  expect(b.isLeft()).toBe(false)
})

test('by keys: Enter, arrows around the corner, Delete, Esc', () => {
  const b = placing()
  expect(b.key('ArrowUp')).toBe(false)
  b.key('Enter')
  expect(b.places().inverter?.heightM).toBe(1.5)
  b.key('Enter')
  const { inverter, loadCentre } = b.places()
  if (!inverter || !loadCentre) throw new Error('both are placed')
  expect(Math.hypot(loadCentre.at[0] - inverter.at[0], loadCentre.at[1] - inverter.at[1])).toBeCloseTo(1, 6)
  b.key('ArrowUp')
  b.key('ArrowDown', true)
  expect(b.places().loadCentre?.heightM).toBeCloseTo(0.6, 9)
  b.key('Delete')
  expect(b.places().loadCentre).toBeNull()
  b.chart.cancel()
  expect(b.isLeft()).toBe(true)
})

test('to the right as one stands before the wall, and on around every corner of the house', () => {
  const b = placing()
  let place: { at: Vec2; heightM: number } = { at: [0, -4], heightM: 1 }
  const seen: number[] = []
  for (let k = 0; k < 40; k++) {
    const moved = placeMoved(b.site(), place, 1, 0)
    if (!moved) throw new Error('there are walls')
    place = moved
    seen.push(Math.round(sideLooked(b.site(), place) ?? -1))
  }
  expect(seen.filter((side, k) => side !== seen[k - 1])).toEqual([180, 90, 0, 270, 180])
  const back = placeMoved(b.site(), { at: [-4.9, -4], heightM: 1 }, -1, 0)
  expect(Math.round(sideLooked(b.site(), back ?? place) ?? -1)).toBe(270)
})

test('never over the wall, nor under the ground; without a house nowhere', () => {
  const b = placing()
  expect(placeMoved(b.site(), { at: [0, -4], heightM: 1 }, 0, 9)?.heightM).toBe(3)
  expect(placeMoved(b.site(), { at: [0, -4], heightM: 1 }, 0, -9)?.heightM).toBe(0.2)
  const empty = bench({})
  expect(usualPlace(empty.site(), [])).toBeNull()
  expect(placeUnder(empty.site(), { hit: null, at: [0, 0] })).toBeNull()
  expect(placeMoved(empty.site(), { at: [0, 0], heightM: 1 }, 1, 0)).toBeNull()
  expect(
    sideLooked(empty.site(), { at: [0, 0], heightM: 1 } satisfies { at: Vec2; heightM: number }),
  ).toBeNull()
  const from: Vec3 = [0, 0, 9]
  expect(placeUnder(empty.site(), { hit: { kind: 'object', id: 'x', point: from }, at: [0, 0] })).toBeNull()
})
