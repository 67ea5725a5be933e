'use client'

import { useState } from 'react'
import { type ChosenPart } from '@/core/parts/chosen-parts'
import { type PartLine } from '@/core/parts/parts-list'
import { theOne } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { quoteCsv, quoteJson, quoteLines, readPartPrices, withPrices } from '@/core/readers/part-prices'
import { later } from '@/words/en/later'
import { partName } from '@/words/part-name'
import { useBench, useSayer, useSession, useSite } from '../context'
import { FileButton } from '../fields/file-button'
import { saveFile } from '../save-file'
import { SendQuote } from './send-quote'

const words = later.parts
/** No answer is larger. */
const largestBytes = 1_000_000
/** Of lines that the list does not have, so many are named. */
const mostNamed = 3

/** Asks a distributor for prices of what is to be brought, and takes its answer. */
export function Quote({
  parts,
  lines,
}: {
  readonly parts: readonly ChosenPart[]
  readonly lines: readonly PartLine[]
}) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const { currency } = useSite()
  const sayer = useSayer()
  const [told, setTold] = useState<{ readonly said: string; readonly isWrong: boolean } | null>(null)
  const [mailing, setMailing] = useState(false)
  const asked = () => quoteLines(parts, (part) => partName(part, sayer))
  const take = async (file: File) => {
    try {
      checkFileSize(file.size, largestBytes)
      const { prices, unknown } = readPartPrices(await file.text(), parts, currency)
      // As it is by now: the file took its time.
      const electrical = theOne(documents.document(optionId), 'electrical', electricalId)
      const fault = documents.set(
        words.steps.prices,
        optionId,
        electricalId,
        withPrices(lines, electrical, prices),
      )
      if (fault) throw fault
      const names = `${unknown.slice(0, mostNamed).join(', ')}${unknown.length > mostNamed ? ' …' : ''}`
      setTold({
        said: sayer.say(words.pricesTaken, { count: prices.size, unknown: unknown.length, names }),
        isWrong: false,
      })
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setTold({ said: sayer.fault(error), isWrong: true })
    }
  }
  return (
    <>
      <button
        type="button"
        className="button"
        onClick={() => saveFile(quoteCsv(asked()), 'quote-request.csv', 'text/csv')}
      >
        {words.quoteCsv}
      </button>
      <button
        type="button"
        className="button"
        aria-label={words.quoteJsonLabel}
        onClick={() => saveFile(quoteJson(asked(), currency), 'quote-request.json', 'application/json')}
      >
        {words.quoteJson}
      </button>
      <button type="button" className="button" aria-expanded={mailing} onClick={() => setMailing(!mailing)}>
        {words.mail.open}
      </button>
      <FileButton
        label={words.takePrices}
        accept=".csv,.json,.txt,.tsv"
        className="button"
        onTake={([file]) => file && void take(file)}
      />
      {mailing && (
        <SendQuote
          lines={asked}
          onDone={(said) => {
            setMailing(false)
            if (said !== null) setTold({ said, isWrong: false })
          }}
        />
      )}
      {told && (
        <p
          role={told.isWrong ? 'alert' : 'status'}
          className={told.isWrong ? 'w-full rounded-md bg-clay-soft p-2 text-clay' : 'w-full'}
        >
          {told.said}
        </p>
      )}
    </>
  )
}
