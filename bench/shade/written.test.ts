import { seededRandom } from '@/core/model/random'
import { apart, type Written } from './written'

const word = (x: number, y: number, text = 'Oak, garden'): Written => ({ x, y, text, anchor: 'middle' })

test('a word keeps its place where nothing stands, and is moved up over what does', () => {
  expect(apart([word(200, 100)], [], 600)).toEqual([word(200, 100)])
  const [moved] = apart([word(200, 100)], [word(215, 103, 'Dec')], 600)
  expect(moved?.x).toBe(200)
  expect(moved?.y).toBeLessThan(93)
  expect(moved?.y).toBeGreaterThan(85)
  // Beside it there is room.
  expect(apart([word(200, 100)], [word(300, 100, 'Dec')], 600)).toEqual([word(200, 100)])
})

test('it is taken in from the sides, and stays where it was when there is no room above', () => {
  const [left, right] = apart([word(3, 100, 'Chimney'), word(598, 100, 'Chimney')], [], 600)
  expect(left?.x).toBeCloseTo(23.1, 9)
  expect(right?.x).toBeCloseTo(576.9, 9)
  expect(apart([word(200, 12)], [word(205, 13, 'Jun')], 600)).toEqual([word(200, 12)])
})

test('of very many words none covers another but those that found no room', () => {
  const random = seededRandom(5)
  for (let k = 0; k < 200; k++) {
    const words = Array.from({ length: 8 }, () => word(random() * 600, 150 + random() * 140))
    const placed = apart(words, [], 600)
    for (const [i, a] of placed.entries())
      for (const b of placed.slice(i + 1)) {
        const isCovered = Math.abs(a.x - b.x) < 72 && Math.abs(a.y - b.y) < 12.9
        expect(isCovered).toBe(false)
      }
  }
})
