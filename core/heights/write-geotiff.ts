import { writeArrayBuffer } from 'geotiff'
import { type Vec2 } from '../geometry/vector'

/** Where nothing was measured, in files that are written here. */
const noData = -9999

/**
 * Heights as a GeoTIFF of 32-bit floats in a projected reference system, GeoTIFF 1.1.
 * @param code EPSG number of the system, in metres
 * @param corner coordinates of the north-west corner of the first cell
 */
export async function heightsTiff(
  heights: Float32Array,
  columns: number,
  rows: number,
  code: number,
  corner: Vec2,
  cellM: number,
): Promise<Uint8Array> {
  const written = await writeArrayBuffer(
    heights.map((height) => (Number.isNaN(height) ? noData : height)),
    {
      width: columns,
      height: rows,
      BitsPerSample: [32],
      SampleFormat: [3],
      SamplesPerPixel: 1,
      ModelPixelScale: [cellM, cellM, 0],
      ModelTiepoint: [0, 0, 0, corner[0], corner[1], 0],
      GTModelTypeGeoKey: 1,
      GTRasterTypeGeoKey: 1,
      ProjectedCSTypeGeoKey: code,
      GDAL_NODATA: String(noData),
    },
  )
  return new Uint8Array(written)
}
