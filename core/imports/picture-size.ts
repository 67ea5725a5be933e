import { Fault } from '../model/fault'

/** What a picture file says of itself. */
export interface PictureSize {
  readonly mediaType: 'image/png' | 'image/jpeg'
  readonly widthPx: number
  readonly heightPx: number
}

/** What a picture may have at most: a browser unpacks four bytes a pixel. */
export const largestPictureBytes = 8_000_000
export const mostPixels = 40_000_000

const pngMark = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]

/**
 * Sort and size of a picture by its first bytes, whatever its name says.
 * @throws Fault `not-a-picture`, `broken-picture`, `too-many-pixels`
 */
export function pictureSize(bytes: Uint8Array): PictureSize {
  const size = pngMark.every((byte, i) => bytes[i] === byte)
    ? pngSize(bytes)
    : bytes[0] === 0xff && bytes[1] === 0xd8
      ? jpegSize(bytes)
      : null
  if (!size) throw new Fault('not-a-picture')
  if (size.widthPx * size.heightPx > mostPixels) throw new Fault('too-many-pixels', { limit: mostPixels })
  return size
}

const broken = () => new Fault('broken-picture')

/** The header chunk comes first and has thirteen bytes (ISO/IEC 15948:2004, 11.2.2). */
function pngSize(bytes: Uint8Array): PictureSize {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if (bytes.length < 33 || view.getUint32(8) !== 13 || view.getUint32(12) !== 0x49484452) throw broken()
  return sized('image/png', view.getUint32(16), view.getUint32(20))
}

/** The frame header says the size; segments before it are stepped over (ITU-T T.81 1992, B.2.2). */
function jpegSize(bytes: Uint8Array): PictureSize {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let at = 2
  while (at + 9 < bytes.length) {
    if (bytes[at] !== 0xff) throw broken()
    const marker = bytes[at + 1] ?? 0
    if (marker === 0xff) {
      // A fill byte.
      at += 1
      continue
    }
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
    if (isFrame) return sized('image/jpeg', view.getUint16(at + 7), view.getUint16(at + 5))
    // The picture's data begin, or it ends, without a frame header.
    if (marker === 0xda || marker === 0xd9) throw broken()
    at += 2 + view.getUint16(at + 2)
  }
  throw broken()
}

function sized(mediaType: PictureSize['mediaType'], widthPx: number, heightPx: number): PictureSize {
  if (widthPx < 1 || heightPx < 1) throw broken()
  return { mediaType, widthPx, heightPx }
}
