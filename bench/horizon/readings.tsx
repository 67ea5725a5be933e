'use client'

import { useState } from 'react'
import { ofKind } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { usualReadingM } from '@/core/kinds/reading/reading'
import { shadeSources } from '@/core/kinds/site/site'
import { Fault } from '@/core/model/fault'
import { newId } from '@/core/model/new-id'
import { later } from '@/words/en/later'
import { useBench, useHouse, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { FileButton } from '../fields/file-button'
import { nameOfFile } from '../fields/file-name'
import { ObjectList } from '../outline/object-list'
import { houseId } from '../store/documents'
import { horizonFiles, horizonFrom } from './file'
import { placesForReadings } from './new-readings'

const words = later.readings

/** Horizons that were measured on site, and whether shade is taken from them. */
export function Readings() {
  const { documents, session, site: standing } = useBench()
  const house = useHouse()
  const site = useSite()
  const sayer = useSayer()
  const [wrong, setWrong] = useState<string | null>(null)
  const readings = ofKind(house, 'reading')
  const add = async (files: readonly File[]) => {
    setWrong(null)
    const fail = (file: File | null, fault: Fault) =>
      setWrong(`${file && files.length > 1 ? `${file.name}: ` : ''}${sayer.fault(fault)}`)
    const read: { readonly file: File; readonly heights: [number, number][] }[] = []
    for (const file of files)
      try {
        read.push({ file, heights: await horizonFrom(file) })
      } catch (error) {
        if (!(error instanceof Fault)) throw error
        fail(file, error)
        return
      }
    const places = placesForReadings(
      standing(),
      readings.map(({ center }) => center),
      read.length,
    )
    const made = read.map(({ file, heights }, k): AnyObject => ({
      id: newId('reading', Math.random),
      kind: 'reading',
      name: nameOfFile(file),
      center: [...(places[k] ?? [0, 0])],
      heightM: usualReadingM,
      heights,
    }))
    const { fault } = documents.edit(words.add, houseId, (before) => ({
      ...before,
      ...Object.fromEntries(made.map((reading) => [reading.id, reading])),
    }))
    const [first] = made
    if (fault) fail(null, fault)
    else if (first) session.setState({ selection: { kind: 'object', id: first.id } })
  }
  return (
    <>
      <h3 className="quiet mt-2">{words.title}</h3>
      {readings.length === 0 ? (
        <p className="text-[12px] text-pencil">{words.none}</p>
      ) : (
        <>
          <ObjectList objects={readings} />
          <ChoiceField
            wide
            label={later.fields.site.shadeFrom}
            value={site.shadeFrom}
            choices={shadeSources.map((value) => ({ value, label: words.sources[value] }))}
            onChoose={(shadeFrom) =>
              documents.set(later.fields.site.shadeFrom, houseId, site.id, { shadeFrom })
            }
          />
        </>
      )}
      <div className="my-1 grid grid-cols-2 gap-1.5">
        <FileButton
          label={words.add}
          hint={words.hint}
          accept={horizonFiles}
          className="button"
          multiple
          onTake={(files) => void add(files)}
        />
        <button
          type="button"
          className="button"
          disabled={readings.length === 0}
          onClick={() => session.setState({ dialog: 'shade', lookFrom: null })}
        >
          {words.compare}
        </button>
      </div>
      {wrong !== null && (
        <p role="alert" className="mt-0.5 text-[12px] text-clay">
          {wrong}
        </p>
      )}
    </>
  )
}
