'use client'

import { ofKind } from '@/core/kinds/documents'
import { later } from '@/words/en/later'
import { useHouse, useSayer } from '../context'

/** The photos that show an object, small; each opens whole. */
export function PhotoStrip({ id }: { readonly id: string }) {
  const photos = ofKind(useHouse(), 'photo').filter(({ about }) => about === id)
  const sayer = useSayer()
  const words = later.record
  if (photos.length === 0) return null
  return (
    <ul className="mt-1 flex flex-wrap gap-1">
      {photos.map(({ id: photoId, caption, fileId }) => (
        <li key={photoId}>
          <a
            href={`/api/files/${fileId}`}
            target="_blank"
            rel="noreferrer"
            title={caption || words.untitled}
            aria-label={sayer.say(words.openOne, { caption: caption || words.untitled })}
          >
            {/* eslint-disable-next-line @next/next/no-img-element -- the team's own and private: no server of images may keep it */}
            <img
              src={`/api/files/${fileId}`}
              alt=""
              loading="lazy"
              className="h-10 w-13 rounded border border-line object-cover"
            />
          </a>
        </li>
      ))}
    </ul>
  )
}
