import { useEffect, useState } from 'react'
import { Fault } from '@/core/model/fault'
import { overHttp } from '@/services/ask'
import { imageryAt, type AerialPicture } from '@/services/world'
import { useSite } from '../context'

/** The aerial pictures of the job's place, the usual one first; none while they are asked for or where nothing is known of any. */
export function usePictures(): readonly AerialPicture[] {
  const { latitudeDeg, longitudeDeg } = useSite()
  const [pictures, setPictures] = useState<readonly AerialPicture[]>([])
  useEffect(() => {
    const controller = new AbortController()
    imageryAt(overHttp('/world'), { latitudeDeg, longitudeDeg }, controller.signal).then(
      setPictures,
      (error: unknown) => {
        if (error instanceof Fault) setPictures([])
        else if (!controller.signal.aborted) throw error
      },
    )
    return () => controller.abort()
  }, [latitudeDeg, longitudeDeg])
  return pictures
}

/** The picture that a site shows; undefined where it is not among them. */
export const pictureShown = (
  pictures: readonly AerialPicture[],
  chosen: string | null,
): AerialPicture | undefined => (chosen === null ? pictures[0] : pictures.find(({ id }) => id === chosen))

/** "14 May, 10:40" as it is written in a locale. */
export function momentOf({ takenAt }: AerialPicture, locale: string): string {
  const at = new Date(`${takenAt}Z`)
  const day = at.toLocaleDateString(locale, { day: 'numeric', month: 'long', timeZone: 'UTC' })
  return `${day}, ${takenAt.slice(11, 16)}`
}
