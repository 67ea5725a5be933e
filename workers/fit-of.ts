import { fromArrayBuffer } from 'geotiff'
import { fitAround, type FoundAround } from '@/core/fit/around'
import { heightFile } from '@/core/heights/geotiff'
import { Fault } from '@/core/model/fault'
import { type FitRequest } from './fit-messages'

/** The buildings in a height raster. Fetched when one is first asked for. */
export async function fitOf(
  { heights, file, site, outlines }: FitRequest,
  tell: (share: number) => void,
): Promise<FoundAround> {
  const tiff = await fromArrayBuffer(heights).catch(() => {
    throw new Fault('bad-raster', { file }, file)
  })
  return fitAround(await heightFile(tiff, file), site, outlines, tell)
}
