import { seededRandom } from './random'
import { packed, unpacked } from './sixteen-bits'

test('whole numbers come back as they were, the smallest and the greatest too', () => {
  expect(packed([0, 1, 256, 65_535])).toBe('AAABAAAB//8=')
  const random = seededRandom(4)
  const values = Uint16Array.from({ length: 9001 }, () => Math.floor(random() * 65_536))
  expect(unpacked(packed(values))).toEqual(values)
  expect(unpacked('')).toHaveLength(0)
})

test('half a number at the end is none', () => {
  expect([...unpacked(btoa('\u0001\u0002\u0003'))]).toEqual([0x0201])
})
