'use client'

import { useState } from 'react'
import { singleLine } from '@/core/diagram/single-line'
import { paperDxf } from '@/core/drawing/paper-dxf'
import { paperPdf } from '@/core/drawing/paper-pdf'
import { paperSvg } from '@/core/drawing/paper-svg'
import { theOne } from '@/core/kinds/documents'
import { offerId } from '@/core/kinds/offer/offer'
import { diagramWords } from '@/words/diagram-words'
import { later } from '@/words/en/later'
import { useBench, useOption, useSayer, useSite } from '../context'
import { saveFile } from '../save-file'
import { Sheet } from '../sheet'
import { useBuilt } from './use-built'

const words = later.diagram
const forms = [
  { label: words.asPdf, write: paperPdf, end: 'pdf', type: 'application/pdf' },
  { label: words.asSvg, write: paperSvg, end: 'svg', type: 'image/svg+xml' },
  { label: words.asDxf, write: paperDxf, end: 'dxf', type: 'image/vnd.dxf' },
] as const
const zooms = [100, 150, 200, 300] as const

/** How all is connected, from the modules to the grid, drawn from the design as it is. */
export function DiagramSheet() {
  const { session } = useBench()
  const found = useBuilt()
  const site = useSite()
  const option = useOption()
  const sayer = useSayer()
  const [zoom, setZoom] = useState(0)
  const drawing =
    found && found.built.strings.length > 0
      ? singleLine(
          found.built,
          found.volts,
          diagramWords(sayer, found.built, {
            address: site.address,
            units: site.units,
            option: theOne(option, 'offer', offerId).name,
          }),
        )
      : null
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      {drawing ? (
        <>
          <div className="mb-2 flex flex-wrap items-center gap-2">
            <button type="button" className="button" onClick={() => setZoom((zoom + 1) % zooms.length)}>
              {words.zoom} {zooms[zoom]} %
            </button>
            {forms.map(({ label, write, end, type }) => (
              <button
                key={end}
                type="button"
                className="button"
                onClick={() => saveFile(write(drawing), `single-line-diagram.${end}`, type)}
              >
                {label}
              </button>
            ))}
          </div>
          <div
            role="region"
            aria-label={words.title}
            // Scrolled by the keyboard too.
            tabIndex={0}
            className={`overflow-auto rounded-md border border-line ${found?.fresh ? '' : 'opacity-60'}`}
          >
            {/* eslint-disable-next-line @next/next/no-img-element -- drawn here; nothing to optimise */}
            <img
              src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(paperSvg(drawing))}`}
              alt={drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : [])).join('. ')}
              style={{ width: `${zooms[zoom]}%`, maxWidth: 'none' }}
            />
          </div>
        </>
      ) : (
        <p>{words.none}</p>
      )}
    </Sheet>
  )
}
