'use client'

import { useEffect, useMemo, useState } from 'react'
import { type StageView } from '@/stage/stage-view'
import { useSite } from '../context'
import { momentOf, pictureShown, usePictures } from './use-pictures'

/** Says when the aerial picture was taken, and that it is still coming. */
export function SheetNote({ view, muted }: { readonly view: StageView; readonly muted: boolean }) {
  const { locale, sheetStrength, sheetPicture } = useSite()
  const picture = pictureShown(usePictures(), sheetPicture)
  const [waiting, setWaiting] = useState(0)
  useEffect(() => view.sheet.onWaiting(setWaiting), [view])
  const when = useMemo(() => (picture ? momentOf(picture, locale) : ''), [picture, locale])
  // A picture of which nothing is known carries no note.
  if (sheetStrength < 0.01 || (!picture && waiting === 0)) return null
  return (
    <p
      role="status"
      className="quiet rounded-md bg-card/85 px-2.5 py-1"
      data-sheet={waiting > 0 ? 'coming' : 'there'}
    >
      {waiting > 0
        ? 'The aerial picture is coming …'
        : `Aerial picture of ${when}${muted ? ', its shadows muted' : ''}`}
    </p>
  )
}
