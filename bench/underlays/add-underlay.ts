import { largestDrawingBytes } from '@/core/imports/dxf-lines'
import { type LineDrawing } from '@/core/imports/line-drawing'
import { largestPictureBytes, mostPixels, pictureSize } from '@/core/imports/picture-size'
import { mostHiddenLayers, type Underlay } from '@/core/kinds/underlay/underlay'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { nameOfFile } from '../fields/file-name'
import { keepFile } from '../requests'
import { keptFiles, mostTexturePx } from './kept-files'
import { readDrawing } from './read-drawing'

/** A file that may be laid under the model, as far as it is known yet. */
export interface ReadSheet {
  readonly name: string
  readonly bytes: Uint8Array<ArrayBuffer>
  readonly content: Underlay['content']
  readonly width: number
  readonly height: number
  /** Null where the file does not say. */
  readonly metresPerUnit: number | null
  readonly drawing: LineDrawing | null
}

/** A picture begins so wide on the ground, m: about a house and its garden. */
const firstWidthM = 40

const isDrawing = (name: string) => /\.dxf$/i.test(name)

/**
 * Reads what a file holds, before anything is kept of it. Pictures with more pixels than are shown are drawn smaller.
 * @throws Fault `too-large`, and those of `pictureSize` and `readDrawing`
 */
export async function readSheet(file: File): Promise<ReadSheet> {
  const limit = isDrawing(file.name) ? largestDrawingBytes : 4 * largestPictureBytes
  checkFileSize(file.size, limit)
  const name = nameOfFile(file)
  const bytes = new Uint8Array(await file.arrayBuffer())
  if (isDrawing(file.name)) {
    const drawing = await readDrawing(bytes.slice().buffer)
    const { width, height, metresPerUnit } = drawing
    return { name, bytes, content: 'drawing', width, height, metresPerUnit, drawing }
  }
  const { widthPx, heightPx } = pictureSize(bytes)
  const fits = bytes.length <= largestPictureBytes && Math.max(widthPx, heightPx) <= mostTexturePx
  const picture = fits ? { bytes, widthPx, heightPx } : await drawnSmaller(file, mostTexturePx)
  return {
    name,
    bytes: picture.bytes,
    content: 'picture',
    width: picture.widthPx,
    height: picture.heightPx,
    metresPerUnit: firstWidthM / picture.widthPx,
    drawing: null,
  }
}

const quality = 0.9

/**
 * A picture as JPEG, with at most so many pixels to a side and in all.
 * @throws Fault `broken-picture`
 */
export async function drawnSmaller(file: Blob, longestSidePx: number) {
  const whole = await createImageBitmap(file).catch(() => {
    throw new Fault('broken-picture')
  })
  const share = Math.min(
    1,
    longestSidePx / Math.max(whole.width, whole.height),
    Math.sqrt(mostPixels / (whole.width * whole.height)),
  )
  const [widthPx, heightPx] = [Math.round(whole.width * share), Math.round(whole.height * share)]
  const canvas = new OffscreenCanvas(widthPx, heightPx)
  canvas.getContext('2d')?.drawImage(whole, 0, 0, widthPx, heightPx)
  whole.close()
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality })
  return { bytes: new Uint8Array(await blob.arrayBuffer()), widthPx, heightPx }
}

/**
 * Keeps a file with the team and says how it lies at first: its middle at the site, north up.
 * @param metresPerUnit what was chosen where the file does not say
 * @throws Fault `file-not-kept`, and what the server says
 */
export async function laidSheet(
  sheet: ReadSheet,
  {
    id,
    order,
    metresPerUnit,
  }: { readonly id: string; readonly order: number; readonly metresPerUnit: number },
): Promise<Underlay> {
  const { fileId } = await keepFile(sheet.bytes)
  const { drawing } = sheet
  if (drawing) keptFiles.setState({ [fileId]: { is: 'drawing', drawing } })
  return {
    id,
    kind: 'underlay',
    name: sheet.name,
    fileId,
    content: sheet.content,
    width: sheet.width,
    height: sheet.height,
    metresPerUnit,
    center: [0, 0],
    rotationDeg: 0,
    strength: 1,
    order,
    season: 'unknown',
    hiddenLayers: (drawing?.layers ?? [])
      .flatMap(({ name, on }) => (on ? [] : [name]))
      .slice(0, mostHiddenLayers),
  }
}
