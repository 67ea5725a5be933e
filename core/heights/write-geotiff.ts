import { type Vec2 } from '../geometry/vector'

/** Where nothing was measured, in files that are written here. */
const noData = -9999

/** Types of TIFF fields, with their size in bytes. */
const types = { ascii: [2, 1], short: [3, 2], long: [4, 4], double: [12, 8] } as const

type Field = readonly [tag: number, type: keyof typeof types, values: readonly number[]]

/**
 * Heights as a GeoTIFF of 32-bit floats in one strip, in a projected reference system (TIFF 6.0; GeoTIFF 1.1, sections 7.1
 * and 7.2). The library that reads them cannot be loaded in a thread, where the made-up world writes.
 * @param code EPSG number of the system, in metres
 * @param corner coordinates of the north-west corner of the first cell
 */
export function heightsTiff(
  heights: Float32Array,
  columns: number,
  rows: number,
  code: number,
  corner: Vec2,
  cellM: number,
): Uint8Array {
  const dataBytes = heights.length * 4
  const header = 8
  const keys = [1, 1, 0, 3, 1024, 0, 1, 1, 1025, 0, 1, 1, 3072, 0, 1, code]
  const fields: readonly Field[] = [
    [256, 'long', [columns]],
    [257, 'long', [rows]],
    [258, 'short', [32]],
    // Not compressed; nought is black; one sample, a float.
    [259, 'short', [1]],
    [262, 'short', [1]],
    [273, 'long', [header]],
    [277, 'short', [1]],
    [278, 'long', [rows]],
    [279, 'long', [dataBytes]],
    [339, 'short', [3]],
    [33550, 'double', [cellM, cellM, 0]],
    [33922, 'double', [0, 0, 0, corner[0], corner[1], 0]],
    [34735, 'short', keys],
    [42113, 'ascii', [...new TextEncoder().encode(`${noData}\0`)]],
  ]
  const sizeOf = ([, type, values]: Field) => types[type][1] * values.length
  const outside = fields.filter((field) => sizeOf(field) > 4)
  const directory = header + dataBytes
  let free = directory + 2 + 12 * fields.length + 4
  const whole = new DataView(
    new ArrayBuffer(free + outside.reduce((sum, field) => sum + sizeOf(field) + (sizeOf(field) % 2), 0)),
  )
  // Little-endian.
  whole.setUint16(0, 0x4949, true)
  whole.setUint16(2, 42, true)
  whole.setUint32(4, directory, true)
  heights.forEach((height, i) =>
    whole.setFloat32(header + 4 * i, Number.isNaN(height) ? noData : height, true),
  )
  whole.setUint16(directory, fields.length, true)
  fields.forEach((field, i) => {
    const [tag, type, values] = field
    const at = directory + 2 + 12 * i
    whole.setUint16(at, tag, true)
    whole.setUint16(at + 2, types[type][0], true)
    whole.setUint32(at + 4, values.length, true)
    if (sizeOf(field) <= 4) return putAll(whole, at + 8, type, values)
    whole.setUint32(at + 8, free, true)
    putAll(whole, free, type, values)
    free += sizeOf(field) + (sizeOf(field) % 2)
  })
  return new Uint8Array(whole.buffer)
}

function putAll(whole: DataView, at: number, type: keyof typeof types, values: readonly number[]): void {
  values.forEach((value, k) => {
    const place = at + k * types[type][1]
    if (type === 'double') whole.setFloat64(place, value, true)
    else if (type === 'long') whole.setUint32(place, value, true)
    else if (type === 'short') whole.setUint16(place, value, true)
    else whole.setUint8(place, value)
  })
}
