import { type Jpeg, type Mark } from '../drawing/paper'
import { letters, textMm, wrapped, type Room } from './sheet'

/** A photo and what stands under it. */
export interface Photograph {
  readonly jpeg: Jpeg
  readonly caption: string
}

const [across, down] = [2, 2] as const
const apartMm = 8
const captionMm = 9

/** Four photos to a sheet, none of them cut or stretched. */
export function photoSheets(photos: readonly Photograph[], room: Room): Mark[][] {
  const width = (room.right - room.left - (across - 1) * apartMm) / across
  const height = (room.bottom - room.top - (down - 1) * apartMm) / down - captionMm
  const perSheet = across * down
  return Array.from({ length: Math.ceil(photos.length / perSheet) }, (_, sheet) =>
    photos.slice(sheet * perSheet, (sheet + 1) * perSheet).flatMap(({ jpeg, caption }, i): Mark[] => {
      const left = room.left + (i % across) * (width + apartMm)
      const top = room.top + Math.floor(i / across) * (height + captionMm + apartMm)
      const scale = Math.min(width / jpeg.widthPx, height / jpeg.heightPx)
      const [w, h] = [jpeg.widthPx * scale, jpeg.heightPx * scale]
      return [
        { layer: 'PHOTOS', is: 'picture', at: [left, top], widthMm: w, heightMm: h, jpeg },
        ...wrapped(caption, width)
          .slice(0, 2)
          .map((line, k) => letters(line, [left, top + h + textMm * (1.4 + k * 1.4)])),
      ]
    }),
  )
}
