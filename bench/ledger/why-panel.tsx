'use client'

import { useEffect, useRef } from 'react'
import { type LedgerLine } from '@/core/pipeline/explanation'
import { useSite } from '../context'
import { figure, number } from '../format'

/** Inputs, formula, source and assumptions of a line, from the stage that made it. */
export function WhyPanel({ line, onClose }: { readonly line: LedgerLine; readonly onClose: () => void }) {
  const site = useSite()
  const shown = figure(line.value, line.unit, site, line.absent)
  const close = useRef<HTMLButtonElement>(null)
  useEffect(() => close.current?.focus({ preventScroll: true }), [line.id])
  return (
    <aside
      aria-label={`Why: ${line.label}`}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
      className="fixed right-[268px] bottom-[130px] z-30 max-h-[60vh] w-80 overflow-y-auto rounded-lg border border-line bg-card p-3.5 shadow-lg"
    >
      <div className="mb-2 flex items-baseline gap-2">
        <h3 className="flex-1 font-semibold">{line.label}</h3>
        <span className="font-semibold">
          {shown.figure} <span className="text-[12px] font-normal text-pencil">{shown.unit}</span>
        </span>
        <button ref={close} type="button" className="button h-6 px-1.5" aria-label="Close" onClick={onClose}>
          ×
        </button>
      </div>
      <p className="mb-2 rounded bg-fold px-2 py-1.5">{line.explanation.formula}</p>
      {line.explanation.inputs.length > 0 && (
        <dl className="mb-2">
          {line.explanation.inputs.map((input, i) => (
            <div key={i} className="flex items-baseline gap-2 py-0.5">
              <dt className="flex-1 text-pencil">{input.label}</dt>
              <dd>
                {typeof input.value === 'number'
                  ? number(input.value, site, digitsOf(input.value))
                  : input.value}{' '}
                <span className="text-[12px] text-pencil">{input.unit}</span>
              </dd>
            </div>
          ))}
        </dl>
      )}
      <p className="quiet">Source: {line.explanation.source}</p>
      {line.explanation.assumptions.map((assumption) => (
        <p key={assumption} className="quiet mt-1">
          Assumed: {assumption}
        </p>
      ))}
    </aside>
  )
}

const digitsOf = (value: number) =>
  Number.isInteger(value) ? 0 : Math.min(2, (String(value).split('.')[1] ?? '').length)
