import { fitAround, type FoundAround } from '@/core/fit/around'
import { openHeights } from '@/core/heights/open-heights'
import { type FitRequest } from './fit-messages'

/** The buildings in a height raster. Fetched when one is first asked for. */
export async function fitOf(
  { heights, file, second, site, shiftM, ...outlines }: FitRequest,
  tell: (share: number) => void,
): Promise<FoundAround> {
  return fitAround(await openHeights(heights, file), site, outlines, tell, {
    shiftM,
    second: second && (await openHeights(second.heights, second.file)),
  })
}
