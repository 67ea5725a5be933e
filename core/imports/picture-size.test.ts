import { PNG } from 'pngjs'
import fc from 'fast-check'
import { Fault } from '../model/fault'
import { pictureSize } from './picture-size'

const png = (width: number, height: number) => new Uint8Array(PNG.sync.write(new PNG({ width, height })))
/** Start, a comment, a table, and the frame header of a baseline picture. */
const jpeg = (width: number, height: number) =>
  new Uint8Array([
    ...[0xff, 0xd8, 0xff, 0xfe, 0, 5, 1, 2, 3],
    ...[0xff, 0xff, 0xc4, 0, 4, 7, 7],
    ...[
      0xff,
      0xc0,
      0,
      17,
      8,
      height >> 8,
      height & 255,
      width >> 8,
      width & 255,
      3,
      1,
      0x22,
      0,
      2,
      0x11,
      1,
      3,
      0x11,
      1,
    ],
    ...[0xff, 0xd9],
  ])
const codeOf = (bytes: Uint8Array) => {
  try {
    return pictureSize(bytes).mediaType
  } catch (error) {
    if (error instanceof Fault) return error.code
    throw error
  }
}

test('a picture says its sort and its size by its first bytes', () => {
  expect(pictureSize(png(31, 7))).toEqual({ mediaType: 'image/png', widthPx: 31, heightPx: 7 })
  expect(pictureSize(jpeg(4000, 3001))).toEqual({ mediaType: 'image/jpeg', widthPx: 4000, heightPx: 3001 })
})

test('what is none, or breaks off before it says its size, is refused', () => {
  expect(codeOf(new Uint8Array())).toBe('not-a-picture')
  expect(codeOf(new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"></svg>'))).toBe(
    'not-a-picture',
  )
  expect(codeOf(png(31, 7).slice(0, 20))).toBe('broken-picture')
  expect(codeOf(jpeg(40, 30).slice(0, 20))).toBe('broken-picture')
  expect(codeOf(new Uint8Array([0xff, 0xd8, 0xff, 0xd9, ...new Array<number>(20).fill(0)]))).toBe(
    'broken-picture',
  )
  expect(codeOf(jpeg(0, 30))).toBe('broken-picture')
  const vast = png(31, 7)
  new DataView(vast.buffer).setUint32(16, 400_000)
  new DataView(vast.buffer).setUint32(20, 400_000)
  expect(codeOf(vast)).toBe('too-many-pixels')
})

test('whatever bytes come, the answer is a size or a reason', () => {
  const marks = [
    [0xff, 0xd8],
    [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
  ]
  fc.assert(
    fc.property(fc.constantFrom(...marks), fc.uint8Array({ maxLength: 80 }), (mark, rest) => {
      expect(codeOf(new Uint8Array([...mark, ...rest]))).toMatch(/picture|pixels|image/)
    }),
    { seed: 2, numRuns: 3000 },
  )
})
