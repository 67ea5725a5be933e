import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { partsAbove } from './above'
import { planeHeightM, planOf } from './plane'
import { buildRoof } from './roof'

test('a point is in a part just where a plane over it stands higher, over seeded roofs', () => {
  const random = seededRandom(19)
  let [looked, above] = [0, 0]
  for (let round = 0; round < 150; round++) {
    const ring = (far: number, corners: number): Vec2[] => {
      const [x, y] = [random() * 6 - 3, random() * 6 - 3]
      return Array.from({ length: corners }, (_, i): Vec2 => {
        const angle = ((i + 0.6 * random()) / corners) * 2 * Math.PI
        const out = far * (1 - 0.5 * random())
        return [x + out * Math.cos(angle), y + out * Math.sin(angle)]
      })
    }
    const roofOver = (outline: Vec2[], eaveHeightM: number) =>
      buildRoof({ outline, edges: outline.map(() => ({ pitchDeg: 15 + 35 * random() })), eaveHeightM })
    const own = roofOver(ring(7, 5), 3)
    const other = roofOver(ring(5, 4 + Math.floor(random() * 5)), 2 + 4 * random())
    for (const plane of own.planes) {
      const parts = partsAbove(plane, other.planes)
      for (let k = 0; k < 8; k++) {
        const p: Vec2 = [random() * 12 - 6, random() * 12 - 6]
        const over = other.planes.find(({ corners }) => containsPoint(planOf(corners), p))
        const byM = over ? planeHeightM(over, p) - planeHeightM(plane, p) : -1
        if (Math.abs(byM) < 0.01) continue
        looked++
        if (byM > 0) above++
        expect(parts.some(({ ring }) => containsPoint(ring, p))).toBe(byM > 0)
      }
    }
  }
  expect(looked).toBeGreaterThan(4000)
  expect(above).toBeGreaterThan(300)
})
