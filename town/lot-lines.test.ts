import { containsPoint, nearestOnSegment } from '@/core/geometry/polygon'
import { Fault } from '@/core/model/fault'
import { lotAround } from '@/services/survey'
import { paintedLots } from './aerial/scene'
import { shippedHouses } from './shipped-houses'
import { askTown } from './ask'
import { lotLinesOf } from './lot-lines'
import { townMap } from './town-map'
import { towns } from './towns'

test.each(towns)(
  '$name: every house stands on its own lot, no lot on another, fences within reach of a line',
  (town) => {
    const map = townMap(town)
    const lines = map.lots.map((lot) => lotLinesOf(map, lot))
    map.lots.forEach((lot, i) => {
      const outline = lines[i] ?? []
      for (const { outline: walls } of lot.volumes)
        for (const p of walls) expect(containsPoint(outline, p)).toBe(true)
      for (const p of lot.drive.slice(2)) expect(containsPoint(outline, p)).toBe(true)
      expect(lines.filter((other) => containsPoint(other, lot.center))).toHaveLength(1)
    })
    // The fence that is a lot's own runs along its line from end to end.
    paintedLots(map).forEach(({ fences: [side] }, i) => {
      const outline = lines[i] ?? []
      for (const p of side ?? [])
        expect(
          Math.min(...outline.map((a, k) => nearestOnSegment(a, outline[(k + 1) % 4] ?? a, p).distanceM)),
        ).toBeLessThan(1e-6)
    })
  },
)

test('a survey has most lots, those of the shipped houses among them, and says so where it has none', async () => {
  for (const town of towns) {
    const { lots } = townMap(town)
    const missing = []
    for (const lot of lots) {
      const found = await lotAround(askTown, lot.place)
      if (!found) missing.push(lot)
      else expect(containsPoint(found, [0, 0])).toBe(true)
    }
    expect(missing.length).toBeGreaterThan(0)
    expect(missing.length).toBeLessThan(lots.length / 6)
    expect(missing.some(({ address }) => address in shippedHouses)).toBe(false)
  }
  await expect(lotAround(askTown, { latitudeDeg: 0, longitudeDeg: 0 })).rejects.toThrow(Fault)
})
