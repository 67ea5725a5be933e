'use client'

import { useRef, useState } from 'react'
import { largestOutlinesBytes, outlinesIn } from '@/core/imports/geojson-outlines'
import { lotAroundOutlines } from '@/core/kinds/lot/begun'
import { type LotSource } from '@/core/kinds/lot/lot'
import { ofKind, theOne } from '@/core/kinds/documents'
import { inWorld } from '@/core/kinds/place'
import { siteId } from '@/core/kinds/site/site'
import { type Vec2 } from '@/core/geometry/vector'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { newId } from '@/core/model/new-id'
import { ownOutlines } from '@/core/site/own-outlines'
import { overHttp } from '@/services/ask'
import { lotAround } from '@/services/survey'
import { later } from '@/words/en/later'
import { useBench, useHouse, useSayer, useSite } from '../context'
import { FileButton } from '../fields/file-button'
import { ObjectList } from '../outline/object-list'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { isSameOutline } from './same-outline'

const words = later.lot
const world = overHttp('/world')

/** The lines of the land that the house stands on: from the survey, from a file, or by hand. */
export function LotLines() {
  const { documents, session, site: standing } = useBench()
  const lots = ofKind(useHouse(), 'lot')
  const site = useSite()
  const sayer = useSayer()
  const [wrong, setWrong] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const asked = useRef(0)

  const put = (found: readonly Vec2[], source: LotSource) => {
    // As the documents are now: the answer of a service may have taken a while.
    const there = ofKind(documents.house, 'lot')
    const outline = found.map((p): [number, number] => [...inWorld(p)])
    const same = there.find((lot) => isSameOutline(lot.outline, outline))
    const id = same?.id ?? newId('lot', Math.random)
    if (same) toast(session, words.there)
    else {
      const name = sayer.say(sayer.words.kinds.lot.named, { n: there.length + 1 })
      const { fault } = documents.edit(words.label, houseId, (before) => ({
        ...before,
        [id]: { id, kind: 'lot', name, outline, source },
      }))
      if (fault) throw fault
    }
    session.setState({ selection: { kind: 'object', id } })
  }
  const guarded = async (work: () => Promise<void>) => {
    setWrong(null)
    setBusy(true)
    asked.current++
    const own = asked.current
    try {
      await work()
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      if (own === asked.current) setWrong(sayer.fault(error))
    } finally {
      if (own === asked.current) setBusy(false)
    }
  }
  const fromSurvey = async () => {
    const { latitudeDeg, longitudeDeg } = site
    const found = await lotAround(world, { latitudeDeg, longitudeDeg })
    // The house may be somewhere else by now.
    const now = theOne(documents.house, 'site', siteId)
    if (now.latitudeDeg !== latitudeDeg || now.longitudeDeg !== longitudeDeg) return
    if (found) put(found, 'survey')
    else setWrong(words.missing)
  }
  const fromFile = async (file: File) => {
    checkFileSize(file.size, largestOutlinesBytes)
    const [first] = outlinesIn(await file.text(), file.name, site).found
    if (first) put(first.outline, 'file')
  }
  return (
    <>
      <h3 className="quiet mt-2">{words.title}</h3>
      {lots.length === 0 ? (
        <p className="text-[12px] text-pencil">{words.none}</p>
      ) : (
        <ObjectList objects={lots} />
      )}
      <div className="my-1 grid grid-cols-2 gap-1.5">
        <button
          type="button"
          className="button"
          title={words.surveyHint}
          disabled={busy}
          onClick={() => void guarded(fromSurvey)}
        >
          {busy ? words.fetching : words.survey}
        </button>
        <button
          type="button"
          className="button"
          title={words.handHint}
          onClick={() => void guarded(async () => put(lotAroundOutlines(ownOutlines(standing())), 'hand'))}
        >
          {words.hand}
        </button>
      </div>
      <FileButton
        label={words.file}
        hint={words.fileHint}
        accept=".geojson,.json,application/geo+json,application/json"
        className="button w-full"
        onTake={([file]) => file && void guarded(() => fromFile(file))}
      />
      {wrong !== null && (
        <p role="alert" className="mt-0.5 text-[12px] text-clay">
          {wrong}
        </p>
      )}
    </>
  )
}
