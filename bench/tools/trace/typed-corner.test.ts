import { faultIn } from '@/core/model/fault-in'
import { typedCorner } from './typed-corner'

const metric = { last: [2, 1], pointer: [2, 9], units: 'metric', locale: 'en-AU' } as const
const imperial = { ...metric, units: 'imperial', locale: 'en-US' } as const
const spanish = { ...metric, locale: 'es-ES' } as const

test.each([
  ['4.5', metric, [2, 5.5]],
  ['4.5 90°', metric, [6.5, 1]],
  ['4.5 90 deg', metric, [6.5, 1]],
  ['2 -90°', metric, [0, 1]],
  ['4.5; -3', metric, [6.5, -2]],
  ['-1.5;2', metric, [0.5, 3]],
  ['4.5, 3', metric, [6.5, 4]],
  ['0; 3', metric, [2, 4]],
  ['4,5; 3,25', spanish, [6.5, 4.25]],
  ['4,5', spanish, [2, 5.5]],
  // Either mark is a decimal where it can be nothing else.
  ['4,5', metric, [2, 5.5]],
  ['10; 0', imperial, [2 + 3.048, 1]],
  [`11' 6"; -1'`, imperial, [2 + 11.5 * 0.3048, 1 - 0.3048]],
] as const)('%s', (text, from, [x, y]) => {
  const corner = typedCorner(text, from)
  expect(corner[0]).toBeCloseTo(x, 9)
  expect(corner[1]).toBeCloseTo(y, 9)
})

test.each([
  ['1; 2; 3', 'bad-length'],
  ['1;', 'bad-length'],
  ['; 2', 'bad-length'],
  ['a; b', 'bad-length'],
  ['0; 0', 'zero-length'],
  ['0', 'zero-length'],
  ['-2', 'zero-length'],
  ['north', 'bad-length'],
] as const)('“%s” is refused', (text, code) => {
  expect(faultIn(() => typedCorner(text, metric))?.code).toBe(code)
})

test('a length alone wants a direction', () => {
  expect(faultIn(() => typedCorner('3', { ...metric, pointer: metric.last }))?.code).toBe('no-direction')
})
