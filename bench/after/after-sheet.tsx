'use client'

import { useState } from 'react'
import { later } from '@/words/en/later'
import { useBench, useNumbers, useSayer } from '../context'
import { DayField } from '../fields/day-field'
import { FileButton } from '../fields/file-button'
import { Sheet } from '../sheet'
import { AfterFound } from './after-found'
import { useReport } from './use-report'

const words = later.after

/** The year after: what was promised against what was made, corrected for the weather that was. */
export function AfterSheet() {
  const { session } = useBench()
  const { numbers } = useNumbers()
  const nothing = !numbers || numbers.summary.count === 0
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      {nothing ? <p>{words.none}</p> : <Compared />}
    </Sheet>
  )
}

function Compared() {
  const sayer = useSayer()
  const [file, setFile] = useState<File | null>(null)
  const [since, setSince] = useState<string | null>(null)
  const { reading, stop } = useReport(file, since)
  return (
    <>
      {file === null && <p className="mb-3 max-w-prose">{words.intro}</p>}
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <FileButton
          label={file === null ? words.choose : words.another}
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          className="button"
          onTake={([one]) => one && setFile(one)}
        />
        <div className="w-64">
          <DayField
            label={words.since}
            value={since}
            onSet={(day) => {
              setSince(day)
              return null
            }}
          />
        </div>
        <p role="status" className="quiet flex-1">
          {reading.at === 'reading' ? words.reading : reading.at === 'stopped' ? words.stopped : ''}
        </p>
        {reading.at === 'reading' && (
          <button type="button" className="button" onClick={stop}>
            {words.stop}
          </button>
        )}
      </div>
      {reading.at === 'wrong' && (
        <p role="alert" className="rounded-md bg-clay-soft p-2 text-clay">
          {sayer.fault(reading.fault)}
        </p>
      )}
      {reading.at === 'found' && file && (
        <AfterFound report={reading.report} problems={reading.problems} fileName={file.name} />
      )}
    </>
  )
}
