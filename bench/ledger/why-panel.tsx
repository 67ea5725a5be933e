'use client'

import { useEffect, useRef } from 'react'
import { type ShownLine } from '@/core/readers/books'
import { explained } from '@/words/explained'
import { later } from '@/words/en/later'
import { CommentsOn } from '../comments/comments-on'
import { aboutLine } from '../comments/use-comments'
import { useBench, useSayer } from '../context'

/** Inputs, formula, source and assumptions of a line, from the stages that made it. */
export function WhyPanel({ line, onClose }: { readonly line: ShownLine; readonly onClose: () => void }) {
  const { session } = useBench()
  const sayer = useSayer()
  const shown = sayer.figure(line.shown, line.unit, line.absent)
  const { formula, inputs, source, assumptions } = explained(sayer, line)
  const label = sayer.line(line.id)
  const close = useRef<HTMLButtonElement>(null)
  useEffect(() => close.current?.focus({ preventScroll: true }), [line.id])
  return (
    <aside
      aria-label={`Why: ${label}`}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
      className="fixed right-[268px] bottom-[130px] z-30 max-h-[60vh] w-80 overflow-y-auto rounded-lg border border-line bg-card p-3.5 shadow-lg"
    >
      <div className="mb-2 flex items-baseline gap-2">
        <h3 className="flex-1 font-semibold">{label}</h3>
        <span className="font-semibold">
          {shown.figure} <span className="text-[12px] font-normal text-pencil">{shown.unit}</span>
        </span>
        <button ref={close} type="button" className="button h-6 px-1.5" aria-label="Close" onClick={onClose}>
          ×
        </button>
      </div>
      <p className="mb-2 rounded bg-fold px-2 py-1.5">{formula}</p>
      {inputs.length > 0 && (
        <dl className="mb-2">
          {inputs.map((input, i) => (
            <div key={i} className="flex items-baseline gap-2 py-0.5">
              <dt className="flex-1 text-pencil">{input.label}</dt>
              <dd className="text-right">
                {input.figure} <span className="text-[12px] text-pencil">{input.unit}</span>
              </dd>
            </div>
          ))}
        </dl>
      )}
      {line.id === 'shade' && (
        <button
          type="button"
          className="mb-2 cursor-pointer text-verdigris hover:underline"
          onClick={() => session.setState({ dialog: 'shade' })}
        >
          {later.shade.more}
        </button>
      )}
      <p className="quiet">Source: {source}</p>
      {assumptions.map((assumption) => (
        <p key={assumption} className="quiet mt-1">
          Assumption: {assumption}
        </p>
      ))}
      <CommentsOn key={line.id} about={aboutLine(line.id)} name={label} />
    </aside>
  )
}
