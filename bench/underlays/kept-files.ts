import { createStore } from 'zustand/vanilla'
import { type LineDrawing } from '@/core/imports/line-drawing'
import { type Underlay } from '@/core/kinds/underlay/underlay'
import { Fault } from '@/core/model/fault'
import { readDrawing } from './read-drawing'

/** A kept file as the stage needs it. */
export type KeptFile =
  | { readonly is: 'waiting' }
  | { readonly is: 'picture'; readonly image: ImageBitmap }
  | { readonly is: 'drawing'; readonly drawing: LineDrawing }
  | { readonly is: 'missing'; readonly fault: Fault }

/** Pictures are shown with at most so many pixels to a side. */
export const mostTexturePx = 4096

/** Files by their digests: what has one digest never changes. */
export const keptFiles = createStore<Readonly<Record<string, KeptFile>>>(() => ({}))

/** What could not be fetched may be asked for again. */
export function forgetMissing(): void {
  keptFiles.setState(
    (files) => Object.fromEntries(Object.entries(files).filter(([, file]) => file.is !== 'missing')),
    true,
  )
}

/** Fetches what has not been asked for yet. */
export function fetchFiles(underlays: readonly Underlay[]): void {
  for (const { fileId, content } of underlays) {
    if (keptFiles.getState()[fileId]) continue
    keptFiles.setState({ [fileId]: { is: 'waiting' } })
    fetchFile(fileId, content).then(
      (file) => keptFiles.setState({ [fileId]: file }),
      (error: unknown) =>
        keptFiles.setState({
          [fileId]: { is: 'missing', fault: error instanceof Fault ? error : new Fault('file-away') },
        }),
    )
  }
}

async function fetchFile(fileId: string, content: Underlay['content']): Promise<KeptFile> {
  const answer = await fetch(`/api/files/${fileId}`)
  if (!answer.ok) throw new Fault(answer.status === 404 ? 'no-such-file' : 'file-away')
  if (content === 'drawing') return { is: 'drawing', drawing: await readDrawing(await answer.arrayBuffer()) }
  return { is: 'picture', image: await pictureOf(await answer.blob()) }
}

/** Turned over, as textures are kept, and no larger than they may be. */
async function pictureOf(blob: Blob): Promise<ImageBitmap> {
  try {
    const whole = await createImageBitmap(blob, { imageOrientation: 'flipY' })
    const share = mostTexturePx / Math.max(whole.width, whole.height)
    if (share >= 1) return whole
    const small = await createImageBitmap(whole, {
      resizeWidth: Math.max(1, Math.round(whole.width * share)),
      resizeHeight: Math.max(1, Math.round(whole.height * share)),
      resizeQuality: 'high',
    })
    whole.close()
    return small
  } catch (error) {
    // What a browser can't decode.
    if (error instanceof DOMException) throw new Fault('broken-picture')
    throw error
  }
}
