'use client'

import { useRef, useState } from 'react'
import { type OutlinesRead } from '@/core/imports/geojson-outlines'
import { ofKind } from '@/core/kinds/documents'
import { defaultEaveHeightM, defaultPitchDeg } from '@/core/kinds/volume/volume'
import { Fault } from '@/core/model/fault'
import { newId } from '@/core/model/new-id'
import { useBench, useSayer, useSite } from '../context'
import { houseId } from '../store/documents'
import { toast } from '../store/session'

/** Outlines that could not be used are told one by one up to so many. */
const mostSaid = 3

/** Takes buildings from a file of outlines, the one at the site as the house and the others as neighbours. */
export function ImportOutlines() {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const input = useRef<HTMLInputElement>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const take = async (file: File) => {
    setWrong(null)
    try {
      // Read when it is asked for: the bench opens without it.
      const { largestOutlinesBytes, outlinesIn, volumesOver, withoutStanding } =
        await import('../later-parts')
      if (file.size > largestOutlinesBytes)
        throw new Fault('too-large', {
          reason: 'file',
          bytes: { value: file.size, unit: 'bytes' },
          limit: { value: largestOutlinesBytes, unit: 'bytes' },
        })
      const text = await file.text()
      const drawn = ofKind(documents.house, 'volume')
      const read = withoutStanding(
        outlinesIn(text, file.name, site),
        drawn.map(({ outline }) => outline),
      )
      if (read.found.length === 0) throw new Fault('outlines-stand', { file: file.name })
      const volumes = volumesOver(
        read,
        drawn.some(({ role }) => role === 'house'),
        { eaveHeightM: defaultEaveHeightM, pitchDeg: defaultPitchDeg },
        (i) => sayer.say(sayer.words.kinds.volume.named, { n: drawn.length + i + 1 }),
        () => newId('volume', Math.random),
      )
      const { fault, step } = documents.edit(sayer.words.outlines.label, houseId, (before) => ({
        ...before,
        ...Object.fromEntries(volumes.map((volume) => [volume.id, volume])),
      }))
      if (fault) throw fault
      toast(session, saidOf(read), step)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(sayer.fault(error))
    }
  }
  const saidOf = ({ found, left, holes }: OutlinesRead) => {
    const { taken, leftOut, more } = sayer.words.outlines
    const said = left.slice(0, mostSaid).map(({ feature, why }) => sayer.say(leftOut, { feature, why }))
    if (left.length > mostSaid) said.push(sayer.say(more, { count: left.length - mostSaid }))
    const first = sayer.say(taken, { count: found.length, left: left.length, holes })
    return said.length > 0 ? `${first} ${said.join(', ')}.` : first
  }
  return (
    <div className="mt-2 px-2">
      <button
        type="button"
        className="cursor-pointer text-[12px] text-verdigris hover:underline"
        onClick={() => input.current?.click()}
      >
        {sayer.words.outlines.button}
      </button>
      <input
        ref={input}
        type="file"
        accept=".geojson,.json,application/geo+json,application/json"
        aria-label={sayer.words.outlines.button}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0]
          event.target.value = ''
          if (file) void take(file)
        }}
      />
      {wrong !== null && (
        <p role="alert" className="mt-1 rounded-md bg-clay-soft p-2 text-[12px] text-clay">
          {wrong}
        </p>
      )}
    </div>
  )
}
