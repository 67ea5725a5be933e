'use client'

import { useEffect, useEffectEvent, useRef, useState } from 'react'
import { largestModelBytes, type ReadModel } from '@/core/imports/model/mesh'
import { bodyFrom } from '@/core/kinds/body/body-from'
import { extentOf } from '@/core/kinds/body/stood'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { newId } from '@/core/model/new-id'
import { formatLength } from '@/core/model/units'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { fileUnits, roughSize } from '../fields/file-units'
import { intoView } from '../fields/into-view'
import { readModelFile } from '../requests'
import { houseId } from '../store/documents'
import { toast } from '../store/session'

/** @throws Fault `too-large`, and those of `readModelFile` */
async function readWithin(file: File, signal: AbortSignal): Promise<ReadModel> {
  checkFileSize(file.size, largestModelBytes)
  return readModelFile(file, signal)
}

interface Asked {
  readonly model: ReadModel
  readonly name: string
}

/** Reads a file of a 3D model and stands it at the site; asks for its unit and its upward axis where it does not say them. */
export function AddModelPanel({ file, onDone }: { readonly file: File; readonly onDone: () => void }) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const words = later.models
  const [wrong, setWrong] = useState<string | null>(null)
  const [asked, setAsked] = useState<Asked | null>(null)
  const [up, setUp] = useState<'y' | 'z'>('z')
  const reading = useRef<AbortController>(undefined)

  const stand = ({ model, name }: Asked, metresPerUnit: number, axis: 'y' | 'z') => {
    const body = bodyFrom(model, { id: newId('body', Math.random), name, metresPerUnit, up: axis })
    const { fault, step } = documents.edit(words.label, houseId, (before) => ({ ...before, [body.id]: body }))
    if (fault) throw fault
    session.setState({ selection: { kind: 'object', id: body.id } })
    const triangles = body.triangles.length
    toast(
      session,
      sayer.say(words.added, {
        name,
        triangles,
        simplified: triangles < model.fileTriangles && model.offBy > 0 ? 'yes' : 'no',
        all: model.fileTriangles,
        off: formatLength(model.offBy * metresPerUnit, site.units, site.locale),
      }),
      step,
    )
    onDone()
  }
  const said = (error: unknown) => {
    if (!(error instanceof Fault)) throw error
    setWrong(sayer.fault(error))
  }
  const arrived = useEffectEvent((model: ReadModel) => {
    const name =
      file.name
        .replace(/\.[^.]*$/, '')
        .trim()
        .slice(0, 80) || words.label
    if (model.metresPerUnit === null || model.up === null) setAsked({ model, name })
    else stand({ model, name }, model.metresPerUnit, model.up)
  })
  const failed = useEffectEvent(said)
  useEffect(() => {
    const stop = new AbortController()
    reading.current = stop
    readWithin(file, stop.signal)
      .then((model) => arrived(model))
      .catch((error: unknown) => {
        if (!stop.signal.aborted) failed(error)
      })
    return () => stop.abort()
  }, [file])

  if (wrong !== null)
    return (
      <p ref={intoView} role="alert" className="mt-1 rounded-md bg-clay-soft p-2 text-[12px] text-clay">
        {wrong}
      </p>
    )
  if (!asked)
    return (
      <p role="status" className="mt-1 flex items-center gap-2 text-[12px] text-pencil">
        <span className="flex-1">{words.reading}</span>
        <button
          type="button"
          className="button"
          onClick={() => {
            reading.current?.abort()
            onDone()
          }}
        >
          {words.stop}
        </button>
      </p>
    )
  const choose = (metres: number) => {
    try {
      stand(asked, metres, up)
    } catch (error) {
      said(error)
    }
  }
  return (
    <fieldset ref={intoView} className="mt-1 rounded-md border border-line p-2">
      <legend className="sr-only">{words.title}</legend>
      <p className="text-[12px]">{sayer.say(words.whichSize, { name: asked.name })}</p>
      <ChoiceField
        label={words.up}
        value={up}
        choices={(['z', 'y'] as const).map((value) => ({ value, label: words.ups[value] }))}
        onChoose={setUp}
      />
      {fileUnits.map(([unit, metres]) => (
        <button
          key={unit}
          type="button"
          className="block w-full cursor-pointer rounded px-1 py-0.5 text-left text-[12px] hover:bg-fold"
          onClick={() => choose(metres)}
        >
          {later.fileUnits[unit]}
          <span className="block text-right text-pencil">
            {roughSize(extentOf(asked.model, metres, up), site)}
          </span>
        </button>
      ))}
      <button type="button" className="button mt-1" onClick={onDone}>
        {words.cancel}
      </button>
    </fieldset>
  )
}
