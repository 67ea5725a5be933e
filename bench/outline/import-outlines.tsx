'use client'

import { useState } from 'react'
import { Fault } from '@/core/model/fault'
import { useBench, useSayer, useSite } from '../context'
import { FileButton, lineButton } from '../fields/file-button'
import { fetchLaterParts } from '../lazy-parts'

/** Takes buildings from a file of outlines, the one at the site as the house and the others as neighbours. */
export function ImportOutlines() {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const [wrong, setWrong] = useState<string | null>(null)
  const take = async (file: File) => {
    setWrong(null)
    try {
      // Read when it is asked for: the bench opens without it.
      const { takeOutlines } = await fetchLaterParts()
      await takeOutlines(file, site, { documents, session, sayer })
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(sayer.fault(error))
    }
  }
  return (
    <div className="mt-2 px-2">
      <button type="button" className={lineButton} onClick={() => session.setState({ dialog: 'fit' })}>
        {sayer.words.outlines.heights}
      </button>
      <FileButton
        label={sayer.words.outlines.button}
        accept=".geojson,.json,application/geo+json,application/json"
        className={lineButton}
        onTake={([file]) => file && void take(file)}
      />
      {wrong !== null && (
        <p role="alert" className="mt-1 rounded-md bg-clay-soft p-2 text-[12px] text-clay">
          {wrong}
        </p>
      )}
    </div>
  )
}
