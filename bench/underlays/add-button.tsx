'use client'

import { useState } from 'react'
import { ofKind } from '@/core/kinds/documents'
import { Fault } from '@/core/model/fault'
import { newId } from '@/core/model/new-id'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../context'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { FileButton } from '../fields/file-button'
import { fileUnits, roughSize } from '../fields/file-units'
import { intoView } from '../fields/into-view'
import { laidSheet, readSheet, type ReadSheet } from './add-underlay'

/** Takes a picture or a drawing from a file; asks for a drawing's unit where the file does not say it. */
export function AddUnderlay() {
  const { documents, session, tools } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const words = later.underlays
  const [wrong, setWrong] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [asked, setAsked] = useState<ReadSheet | null>(null)

  const guarded = async (work: () => Promise<void>) => {
    setWrong(null)
    setBusy(true)
    try {
      await work()
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(sayer.fault(error))
    } finally {
      setBusy(false)
    }
  }
  const lay = async (sheet: ReadSheet, metresPerUnit: number) => {
    setAsked(null)
    const others = ofKind(documents.house, 'underlay')
    const order = Math.min(99, Math.max(-1, ...others.map((other) => other.order)) + 1)
    const underlay = await laidSheet(sheet, { id: newId('underlay', Math.random), order, metresPerUnit })
    const { fault, step } = documents.edit(words.label, houseId, (before) => ({
      ...before,
      [underlay.id]: underlay,
    }))
    if (fault) throw fault
    session.setState({ selection: { kind: 'object', id: underlay.id } })
    // A picture's scale is a guess until two of its points are told.
    if (underlay.content === 'picture') tools.take('calibrate')
    else toast(session, leftOutOf(sheet), step)
  }
  const leftOutOf = ({ drawing }: ReadSheet) => {
    const count = Object.values(drawing?.leftOut ?? {}).reduce((sum, n) => sum + n, 0)
    return sayer.say(words.laid, { count })
  }
  const take = (file: File) =>
    guarded(async () => {
      setAsked(null)
      const sheet = await readSheet(file)
      if (sheet.metresPerUnit === null) setAsked(sheet)
      else await lay(sheet, sheet.metresPerUnit)
    })
  return (
    <div className="my-1">
      <FileButton
        label={words.add}
        shown={busy ? words.reading : words.add}
        accept=".png,.jpg,.jpeg,.dxf,image/png,image/jpeg"
        className="button w-full"
        disabled={busy}
        onTake={([file]) => file && void take(file)}
      />
      {asked && (
        <fieldset ref={intoView} className="mt-1 rounded-md border border-line p-2">
          <legend className="sr-only">{words.unitTitle}</legend>
          <p className="text-[12px]">{sayer.say(words.whichUnit, { name: asked.name })}</p>
          {fileUnits.map(([unit, metres]) => (
            <button
              key={unit}
              type="button"
              className="flex w-full cursor-pointer justify-between rounded px-1 py-0.5 text-[12px] hover:bg-fold"
              onClick={() => void guarded(() => lay(asked, metres))}
            >
              <span>{later.fileUnits[unit]}</span>
              <span className="text-pencil">
                {roughSize([asked.width * metres, asked.height * metres], site)}
              </span>
            </button>
          ))}
        </fieldset>
      )}
      {wrong !== null && (
        <p ref={intoView} role="alert" className="mt-1 rounded-md bg-clay-soft p-2 text-[12px] text-clay">
          {wrong}
        </p>
      )}
    </div>
  )
}
