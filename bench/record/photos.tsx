'use client'

import { useState } from 'react'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { type AnyObject, kindOf } from '@/core/kinds/index'
import { type Photo } from '@/core/kinds/photo/photo'
import { Fault } from '@/core/model/fault'
import { newId } from '@/core/model/new-id'
import { later } from '@/words/en/later'
import { useHouse, useSayer } from '../context'
import { ChoiceField } from '../fields/fields'
import { DayField } from '../fields/day-field'
import { FileButton } from '../fields/file-button'
import { TextField } from '../fields/text-field'
import { keepPhoto } from './keep-photo'
import { RecordPart } from './record-part'
import { useRecord } from './use-record'

/** Photos of the place and its parts, each kept smaller than a camera gives it. */
export function Photos() {
  const { add } = useRecord()
  const sayer = useSayer()
  const words = later.record
  const house = useHouse()
  const photos = ofKind(house, 'photo')
  const [busy, setBusy] = useState<{ readonly done: number; readonly all: number } | null>(null)
  const [wrong, setWrong] = useState<readonly string[]>([])

  /** What can be kept is; of each of the others it is said why not. */
  const take = async (files: readonly File[]) => {
    setWrong([])
    const kept: Photo[] = []
    for (const [done, file] of files.entries()) {
      setBusy({ done, all: files.length })
      try {
        kept.push({ ...(await keepPhoto(file)), id: newId('photo', Math.random), kind: 'photo' })
      } catch (error) {
        if (!(error instanceof Fault)) throw error
        setWrong((before) => [
          ...before,
          sayer.say(words.refused, { name: file.name, why: sayer.fault(error) }),
        ])
      }
    }
    setBusy(null)
    const fault = kept.length > 0 ? add(words.addPhotos, kept) : null
    if (fault) setWrong((before) => [...before, sayer.fault(fault)])
  }
  return (
    <RecordPart
      title={words.photos}
      empty={photos.length === 0 ? words.noPhoto : null}
      action={
        <>
          <span role="status" className="quiet">
            {busy && sayer.say(words.adding, { done: busy.done + 1, all: busy.all })}
          </span>
          <FileButton
            label={words.addPhotos}
            accept="image/*"
            className="button"
            multiple
            disabled={busy !== null}
            onTake={(files) => void take(files)}
          />
        </>
      }
    >
      <ul className="mt-2 grid grid-cols-1 gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {photos.map((photo) => (
          <PhotoEntry key={photo.id} photo={photo} house={house} />
        ))}
      </ul>
      {wrong.map((text) => (
        <p key={text} role="alert" className="mt-1 rounded-md bg-clay-soft p-2 text-[12px] text-clay">
          {text}
        </p>
      ))}
    </RecordPart>
  )
}

/** What a photo may show: all that stands at the house. */
const shown = (house: Objects): readonly AnyObject[] =>
  Object.values(house).filter(
    (object) =>
      kindOf(object).standing !== null &&
      object.kind !== 'underlay' &&
      object.kind !== 'dimension' &&
      object.kind !== 'lot',
  )

const wholePlace = ''

function PhotoEntry({ photo, house }: { readonly photo: Photo; readonly house: Objects }) {
  const { set, remove } = useRecord()
  const sayer = useSayer()
  const words = later.record
  const fields = later.fields.photo
  const { id, caption, fileId, takenOn, about } = photo
  const name = caption || words.untitled
  const things = shown(house)
  return (
    <li className="rounded-md border border-line p-2">
      <a
        href={`/api/files/${fileId}`}
        target="_blank"
        rel="noreferrer"
        aria-label={sayer.say(words.openOne, { caption: name })}
      >
        {/* eslint-disable-next-line @next/next/no-img-element -- it is the team's own and private: no server of images may keep it */}
        <img
          src={`/api/files/${fileId}`}
          alt={name}
          loading="lazy"
          className="aspect-[4/3] w-full rounded bg-fold object-cover"
        />
      </a>
      <TextField
        label={fields.caption}
        shown={caption}
        width="name"
        onType={(text) => set(fields.caption, id, { caption: text.trim() })}
      />
      <DayField
        label={fields.takenOn}
        value={takenOn}
        onSet={(day) => set(fields.takenOn, id, { takenOn: day })}
      />
      <ChoiceField
        wide
        label={fields.about}
        value={about ?? wholePlace}
        choices={[
          { value: wholePlace, label: words.whole },
          ...things.map((object) => ({
            value: object.id,
            label: sayer.name(object.id),
          })),
          ...(about !== null && !things.some((object) => object.id === about)
            ? [{ value: about, label: words.gone }]
            : []),
        ]}
        onChoose={(chosen) => set(fields.about, id, { about: chosen === wholePlace ? null : chosen })}
      />
      <button type="button" className="button mt-1" onClick={() => remove(photo, name)}>
        {words.remove}
      </button>
    </li>
  )
}
