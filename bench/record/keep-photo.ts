import { type Photo } from '@/core/kinds/photo/photo'
import { largestPictureBytes } from '@/core/imports/picture-size'
import { checkFileSize } from '@/core/model/file-size'
import { keepFile } from '../requests'
import { drawnSmaller } from '../underlays/add-underlay'
import { dayOf } from './use-record'

/** Longest side of a kept photo, px: the figures of a meter can be read, and a job with fifty can be sent. */
const longestSidePx = 2048

/**
 * Keeps a photo with the team, drawn anew: no larger than needed, upright, and without what the camera wrote into the
 * file about its owner.
 * @throws Fault `too-large`, `broken-picture`, `file-not-kept`, and what the server says
 */
export async function keepPhoto(file: File): Promise<Omit<Photo, 'id' | 'kind'>> {
  checkFileSize(file.size, 4 * largestPictureBytes)
  const { bytes } = await drawnSmaller(file, longestSidePx)
  const { fileId } = await keepFile(bytes)
  return {
    caption: captionOf(file.name),
    fileId,
    takenOn: file.lastModified > 0 ? dayOf(new Date(file.lastModified)) : null,
    about: null,
  }
}

/** A file's name as far as a person gave it; numbers of a camera say nothing. */
export function captionOf(fileName: string): string {
  const name = fileName
    .replace(/\.[^.]*$/, '')
    .replaceAll(/[_\s]+/g, ' ')
    .trim()
  return /^[a-z]{0,5}[-\s]?[\d\s-]+(?:\(\d+\))?$/i.test(name) ? '' : name.slice(0, 200)
}
