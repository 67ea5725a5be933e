import { type Jpeg } from '@/core/drawing/paper'
import { Fault } from '@/core/model/fault'
import { drawnSmaller } from '../underlays/add-underlay'

/** Longest side of a printed photo, px: half a sheet at 200 dots to the inch. */
const longestSidePx = 1024

/** Photos by their files, each as small as it is printed; what cannot be read is left out. */
export async function photographs(
  fileIds: readonly string[],
  stopped: AbortSignal,
): Promise<ReadonlyMap<string, Jpeg>> {
  const read = new Map<string, Jpeg>()
  for (const id of new Set(fileIds)) {
    if (stopped.aborted) return read
    const jpeg = await photograph(id, stopped)
    if (jpeg) read.set(id, jpeg)
  }
  return read
}

async function photograph(fileId: string, signal: AbortSignal): Promise<Jpeg | null> {
  try {
    const answer = await fetch(`/api/files/${fileId}`, { signal })
    return answer.ok ? await drawnSmaller(await answer.blob(), longestSidePx) : null
  } catch (error) {
    // Away, stopped, or no picture: told by how many are left out.
    if (error instanceof Fault || error instanceof TypeError || signal.aborted) return null
    throw error
  }
}
