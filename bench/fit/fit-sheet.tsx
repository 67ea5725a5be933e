'use client'

import { useEffect, useRef, useState } from 'react'
import { type FoundAround } from '@/core/fit/around'
import { outlinesFor } from '@/core/fit/whose-outline'
import { outlinesIn } from '@/core/imports/geojson-outlines'
import { type Vec2 } from '@/core/geometry/vector'
import { ofKind } from '@/core/kinds/documents'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { overHttp } from '@/services/ask'
import { heightsAt, outlinesAt } from '@/services/survey'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../context'
import { FileButton } from '../fields/file-button'
import { Sheet } from '../sheet'
import { FitFound } from './fit-found'
import { readHeights } from './read-heights'
import { ShiftHeights } from './shift-heights'

const words = later.fit
const world = overHttp('/world')
const largestBytes = 60_000_000

type State =
  | { readonly at: 'fetching' }
  | { readonly at: 'stopped' }
  | { readonly at: 'reading'; readonly share: number }
  | { readonly at: 'wrong'; readonly text: string }
  | {
      readonly at: 'found'
      readonly found: FoundAround
      readonly file: string
      readonly outline: 'drawn' | 'survey' | 'found'
      readonly own: readonly File[]
      readonly shiftM: Vec2
    }

/** Reads house, neighbours and trees from heights, shows how well they lie in them, and puts in place what is accepted. */
export function FitSheet() {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const [state, setState] = useState<State>({ at: 'fetching' })
  const running = useRef<AbortController | null>(null)

  const read = async (files: readonly File[], shiftM: Vec2 = [0, 0]) => {
    const [file, ground] = files
    running.current?.abort()
    const own = new AbortController()
    running.current = own
    const show = (next: State) => {
      if (running.current === own) setState(next)
    }
    show({ at: 'fetching' })
    try {
      if (files.length > 2) throw new Fault('heights-files', { files: files.length })
      for (const { size } of files) checkFileSize(size, largestBytes)
      const [heights, second, text] = await Promise.all([
        file ? file.arrayBuffer() : heightsAt(world, site, own.signal),
        ground ? ground.arrayBuffer().then((bytes) => ({ heights: bytes, file: ground.name })) : null,
        outlinesAt(world, site, own.signal).catch((error: unknown) => {
          // Whoever brings heights of their own may be where no survey is: the house as it is drawn does.
          if (file && error instanceof Fault) return ''
          throw error
        }),
      ])
      const house = ofKind(documents.house, 'volume').find(({ role }) => role === 'house')
      const around = outlinesAround(text, site)
      const outlines = outlinesFor(house?.outline ?? null, around)
      const name = files.length > 0 ? files.map((one) => one.name).join(', ') : words.survey
      show({ at: 'reading', share: 0 })
      const found = await readHeights(
        { type: 'fit', heights, file: file?.name ?? words.survey, second, site, shiftM, ...outlines },
        (share) => show({ at: 'reading', share }),
        own.signal,
      )
      const from = house ? 'drawn' : outlines.outline ? 'survey' : 'found'
      show(found ? { at: 'found', found, file: name, outline: from, own: files, shiftM } : { at: 'stopped' })
    } catch (error) {
      if (own.signal.aborted) return show({ at: 'stopped' })
      if (!(error instanceof Fault)) throw error
      show({ at: 'wrong', text: sayer.fault(error) })
    }
  }
  useEffect(() => {
    void read([])
    return () => running.current?.abort()
    // Once, when the sheet opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])

  const close = () => session.setState({ dialog: null })
  return (
    <Sheet title={words.title} onClose={close}>
      <div className="mb-3 flex items-center gap-3">
        {state.at === 'fetching' || state.at === 'reading' ? (
          <>
            <p role="status" className="flex-1">
              {state.at === 'fetching' ? words.fetching : sayer.say(words.reading, { share: state.share })}
            </p>
            <button
              type="button"
              className="button"
              onClick={() => {
                running.current?.abort()
                setState({ at: 'stopped' })
              }}
            >
              {words.stop}
            </button>
          </>
        ) : (
          <>
            <p role="status" className="flex-1">
              {state.at === 'stopped' ? words.stopped : ''}
            </p>
            <button type="button" className="button" onClick={() => void read([])}>
              {words.again}
            </button>
            <FileButton
              label={words.own}
              accept=".tif,.tiff,.asc,.xyz,.txt,.csv,image/tiff"
              className="button"
              hint={words.ownHint}
              multiple
              onTake={(files) => void read(files)}
            />
          </>
        )}
      </div>
      {state.at === 'wrong' && (
        <p role="alert" className="rounded-md bg-clay-soft p-2 text-clay">
          {state.text}
        </p>
      )}
      {state.at === 'found' && (
        <>
          <p className="quiet mb-2">
            {sayer.say(words.source, { file: state.file, outline: state.outline })}
          </p>
          {state.found.assumedEpsg !== null && (
            <p className="mb-2">{sayer.say(words.assumed, { code: state.found.assumedEpsg })}</p>
          )}
          <ShiftHeights
            offset={state.found.offset}
            shiftM={state.shiftM}
            onShift={(shiftM) => void read(state.own, shiftM)}
          />
          <FitFound found={state.found} onDone={close} />
        </>
      )}
    </Sheet>
  )
}

/** The outlines that the survey knows, the nearest first; none where it has none here. */
function outlinesAround(text: string, site: Parameters<typeof outlinesIn>[2]) {
  try {
    return outlinesIn(text, words.survey, site).found.map(({ outline }) => outline)
  } catch (error) {
    if (error instanceof Fault) return []
    throw error
  }
}
