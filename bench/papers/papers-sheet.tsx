'use client'

import { useState } from 'react'
import { type PaperDrawing } from '@/core/drawing/paper'
import { paperDxf } from '@/core/drawing/paper-dxf'
import { paperPdf } from '@/core/drawing/paper-pdf'
import { paperSvg } from '@/core/drawing/paper-svg'
import { handOverSet, permitSet } from '@/core/papers/sets'
import { later } from '@/words/en/later'
import { handOverText } from '@/words/papers/hand-over-text'
import { permitText } from '@/words/papers/permit-text'
import { useBench, useSayer } from '../context'
import { saveFile } from '../save-file'
import { Sheet } from '../sheet'
import { SendMonitoring } from './send-monitoring'
import { PermitList } from './permit-list'
import { useAround, usePapers, usePhotographs } from './use-papers'

const words = later.papers

/** What the permit office asks for, drawn from the design as it is. */
export function PermitSheet() {
  const found = usePapers()
  const around = useAround()
  const sayer = useSayer()
  const notes = around.state === 'failed' ? [words.aroundFailed] : []
  return (
    <SetSheet title={words.permitTitle}>
      {found && (
        <div className={found.fresh ? '' : 'opacity-60'}>
          <PermitList facts={found.facts} />
          <SetPages
            title={words.permitTitle}
            fileName="permit-set"
            sheets={permitSet({ ...found.from, around: around.got }, permitText(sayer, found.facts))}
            waits={around.state === 'fetching' || !found.fresh}
            notes={notes}
          />
        </div>
      )}
    </SetSheet>
  )
}

/** What the installer takes along, drawn from the design as it is. */
export function HandOverSheet() {
  const found = usePapers()
  const photos = usePhotographs(true)
  const sayer = useSayer()
  const notes = photos.failed > 0 ? [sayer.say(words.photosFailed, { count: photos.failed })] : []
  return (
    <SetSheet title={words.handOverTitle}>
      {found && (
        <div className={found.fresh ? '' : 'opacity-60'}>
          <SetPages
            title={words.handOverTitle}
            fileName="hand-over"
            sheets={handOverSet({ ...found.from, around: [] }, handOverText(sayer, found.facts, photos.got))}
            waits={photos.state === 'fetching' || !found.fresh}
            notes={notes}
          />
          <SendMonitoring facts={found.facts} fresh={found.fresh} />
        </div>
      )}
    </SetSheet>
  )
}

function SetSheet({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  const { session } = useBench()
  return (
    <Sheet title={title} onClose={() => session.setState({ dialog: null })}>
      {children ?? <p>{words.none}</p>}
    </Sheet>
  )
}

/** A set as it will be printed, sheet by sheet, and the ways to keep it. */
function SetPages({
  title,
  fileName,
  sheets,
  waits,
  notes,
}: {
  readonly title: string
  readonly fileName: string
  readonly sheets: readonly PaperDrawing[]
  readonly waits: boolean
  readonly notes: readonly string[]
}) {
  const [wanted, setAt] = useState(0)
  const sayer = useSayer()
  const at = Math.min(wanted, sheets.length - 1)
  const shown = sheets[at]
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <button
          type="button"
          className="button"
          aria-label={words.previous}
          disabled={at === 0}
          onClick={() => setAt(at - 1)}
        >
          ‹
        </button>
        <div className="w-60">
          <select
            className="field"
            aria-label={words.sheetChoice}
            value={at}
            onChange={(event) => setAt(Number(event.target.value))}
          >
            {sheets.map((sheet, i) => (
              <option key={i} value={i}>
                {`${i + 1} / ${sheets.length}  ${sheet.title}`}
              </option>
            ))}
          </select>
        </div>
        <button
          type="button"
          className="button"
          aria-label={words.next}
          disabled={at >= sheets.length - 1}
          onClick={() => setAt(at + 1)}
        >
          ›
        </button>
        <span role="status" className="quiet flex-1">
          {waits ? words.preparing : sayer.say(words.sheets, { count: sheets.length })}
        </span>
        <button
          type="button"
          className="button"
          disabled={waits}
          onClick={() => saveFile(paperPdf(sheets, title), `${fileName}.pdf`, 'application/pdf')}
        >
          {words.asPdf}
        </button>
        <button
          type="button"
          className="button"
          disabled={waits}
          onClick={() => saveFile(paperDxf(sheets), `${fileName}.dxf`, 'image/vnd.dxf')}
        >
          {words.asDxf}
        </button>
      </div>
      {shown && (
        // eslint-disable-next-line @next/next/no-img-element -- drawn here; nothing to optimise
        <img
          src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(paperSvg(shown))}`}
          alt={shown.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : [])).join('. ')}
          className="w-full rounded-md border border-line"
        />
      )}
      {notes.map((note) => (
        <p key={note} className="mt-1 text-[12px] text-clay">
          {note}
        </p>
      ))}
    </>
  )
}
