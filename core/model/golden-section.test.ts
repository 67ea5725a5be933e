import { seededRandom } from './random'
import { goldenSection } from './golden-section'

test('the top of a parabola anywhere in the span, with one question a step', () => {
  const random = seededRandom(3)
  for (let k = 0; k < 200; k++) {
    const [low, high] = [random() * 100, 100 + random() * 400]
    const top = low + random() * (high - low)
    let asked = 0
    const found = goldenSection(
      (at) => {
        asked++
        return -((at - top) ** 2)
      },
      low,
      high,
      (_low, _high, step) => step === 30,
    )
    expect(Math.abs(found - top)).toBeLessThan((high - low) * 1e-6)
    expect(asked).toBe(32)
  }
})
