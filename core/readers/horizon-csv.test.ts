import fc from 'fast-check'
import { Fault } from '../model/fault'
import { fromSouth, readHorizon } from './horizon-csv'

const wrong = (text: string): unknown => {
  try {
    return readHorizon(text)
  } catch (error) {
    return error instanceof Fault ? error.data : error
  }
}

test('a horizon is read with and without a heading, whatever parts its columns, with points or commas', () => {
  const expected = [
    [0, 2],
    [90, 12.5],
    [270, 0],
  ]
  for (const text of [
    'azimuth,elevation\n90,12.5\n0,2\n-90,0',
    '90,12.5\n0,2\n270,-3',
    '# of the valley\n90;12,5\r\n\r\n0;2\r\n270;0\r\n',
    '90\t12.5\n0\t2\n270\t0',
    '  90   12.5\n0 2\n 270 0\n',
    'Elevation (deg);Azimuth (deg)\n12,5;90\n2;0\n0;270',
    '\uFEFFaz°imuth,height\n90°,12.5°\n0,2\n270,0'.replace('az°imuth', 'azimuth'),
  ])
    expect(readHorizon(text)).toEqual(expected)
})

test('what is no horizon is refused with its line', () => {
  expect(wrong('')).toMatchObject({ reason: 'nothing' })
  expect(wrong('# nothing else')).toMatchObject({ reason: 'nothing' })
  expect(wrong('azimuth,elevation\n10,5')).toMatchObject({ reason: 'nothing' })
  expect(wrong('azimuth,elevation\n10,5\n20,high')).toMatchObject({ reason: 'number', line: 3, text: 'high' })
  expect(wrong('10,5\n20')).toMatchObject({ reason: 'number', line: 2, text: '' })
  expect(wrong('10,5\n400,5')).toMatchObject({ reason: 'azimuth', line: 2, text: '400' })
  expect(wrong('10,5\n# a peak\n20,88')).toMatchObject({ reason: 'elevation', line: 3, text: '88' })
  expect(wrong('PK\u0003\u0004\n')).toMatchObject({ reason: 'nothing' })
})

test('a table that counts from south is turned, and twice is as before', () => {
  expect(
    fromSouth([
      [0, 5],
      [90, 8],
      [180, 1],
    ]),
  ).toEqual([
    [0, 1],
    [180, 5],
    [270, 8],
  ])
  const points = readHorizon('0,5\n90,8\n180,1')
  expect(fromSouth(fromSouth(points))).toEqual(points)
})

test('of a fine table the highest points stay, and as many as a site may have', () => {
  fc.assert(
    fc.property(fc.integer({ min: 721, max: 4000 }), fc.integer(), (count, seed) => {
      const elevation = (i: number) => Math.abs((Math.sin(i * 12.9898 + seed) * 43758.5453) % 1) * 30
      const text = Array.from({ length: count }, (_, i) => `${(360 * i) / count},${elevation(i)}`).join('\n')
      const points = readHorizon(text)
      expect(points.length).toBeLessThanOrEqual(720)
      const highest = Math.max(...Array.from({ length: count }, (_, i) => elevation(i)))
      expect(Math.max(...points.map(([, high]) => high))).toBeCloseTo(highest, 9)
    }),
    { numRuns: 30, seed: 5 },
  )
})
