import { seededRandom } from '../../model/random'
import { faultIn } from '../../model/fault-in'
import { parseRows, writeRows } from './row-text'

test.each([
  ['9, 9, 7', [9, 9, 7], []],
  ['9 9;7', [9, 9, 7], []],
  ['3×9', [9, 9, 9], []],
  ['2x4, 3', [4, 4, 3], []],
  ['9, 4_4', [9, 9], ['1:4']],
  ['2__2', [6], ['0:2', '0:3']],
  ['_3', [4], ['0:0']],
  ['3, _', [3, 1], ['1:0']],
  ['3_', [4], ['0:3']],
] as const)('%s', (text, counts, removed) => {
  expect(parseRows(text)).toEqual({ counts, removed })
})

test.each([
  ['', 'bad-rows'],
  ['9, nine', 'bad-rows'],
  ['9,,-7', 'bad-rows'],
  ['0', 'bad-rows'],
  ['4.5', 'bad-rows'],
  ['61×2', 'most-rows'],
  ['40×2, 30×2', 'most-rows'],
  ['201', 'row-length'],
  ['150_60', 'row-length'],
] as const)('“%s” is refused', (text, code) => {
  expect(faultIn(() => parseRows(text))?.code).toBe(code)
})

test('many rows alike are written short, and what is written reads the same over 500 seeded ones', () => {
  expect(writeRows({ counts: [8, 8, 8, 8], removed: [] })).toBe('4×8')
  expect(writeRows({ counts: [8, 8], removed: ['1:3'] })).toBe('8, 3_4')
  const random = seededRandom(5)
  for (let n = 0; n < 500; n++) {
    const counts = Array.from({ length: 1 + Math.floor(random() * 6) }, () => 1 + Math.floor(random() * 12))
    const removed = counts.flatMap((count, row) =>
      Array.from({ length: count }, (_, column) => `${row}:${column}`).filter(() => random() < 0.15),
    )
    expect(parseRows(writeRows({ counts, removed }))).toEqual({ counts, removed })
  }
})
