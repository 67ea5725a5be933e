import { contrastWithWhite } from './colour'

test('contrast with white: the ends, and three worked by hand', () => {
  expect(contrastWithWhite('#ffffff')).toBeCloseTo(1, 12)
  expect(contrastWithWhite('#000000')).toBeCloseTo(21, 12)
  // 0x77 = 119: ((119/255 + 0.055) / 1.055)^2.4 = 0.18448; 1.05 / 0.23448.
  expect(contrastWithWhite('#777777')).toBeCloseTo(4.478, 3)
  expect(contrastWithWhite('#767676')).toBeCloseTo(4.542, 3)
  // Pure red: 1.05 / (0.2126 + 0.05).
  expect(contrastWithWhite('#FF0000')).toBeCloseTo(1.05 / 0.2626, 12)
})
