'use client'

import { useRef, useState } from 'react'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { type QuoteLine } from '@/core/readers/part-prices'
import { distributorsAt } from '@/services/world'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../context'
import { answered, send } from '../requests'
import { useOfPlace } from '../use-of-place'

const words = later.parts.mail
const sentSchema = z.object({ ok: z.boolean() })
const otherOne = 'other'

/** Asks a distributor for prices by mail: whom, and what is to be said beside the list. */
export function SendQuote({
  lines,
  onDone,
}: {
  readonly lines: () => readonly QuoteLine[]
  /** @param said what has become of it; null where it was given up */
  readonly onDone: (said: string | null) => void
}) {
  const { jobId } = useBench()
  const { currency } = useSite()
  const sayer = useSayer()
  const known = useOfPlace(distributorsAt)
  const [chosen, setChosen] = useState<string | null>(null)
  const [typed, setTyped] = useState('')
  const [note, setNote] = useState('')
  const [sending, setSending] = useState(false)
  const [wrong, setWrong] = useState<string | null>(null)
  /** What was asked last and under which id: what has changed is another request, for the one before may have gone out. */
  const last = useRef({ content: '', id: '' })
  const choice = chosen ?? known?.[0]?.mail ?? otherOne
  const to = choice === otherOne ? typed.trim() : choice
  const submit = async () => {
    setSending(true)
    setWrong(null)
    const asked = lines()
    const request = { to, note, currency, lines: asked }
    const content = JSON.stringify(request)
    if (content !== last.current.content) last.current = { content, id: crypto.randomUUID() }
    const { id } = last.current
    const done = await answered(() => send(`/api/jobs/${jobId}/quote`, { ...request, id }), sentSchema).catch(
      (error: unknown) => {
        if (!(error instanceof Fault)) throw error
        setWrong(sayer.fault(error))
        return null
      },
    )
    setSending(false)
    if (done) onDone(sayer.say(words.sent, { to, lines: asked.length, take: later.parts.takePrices }))
  }
  return (
    <form
      aria-label={words.open}
      className="w-full max-w-[34rem] rounded-md border border-line p-3"
      onSubmit={(event) => {
        event.preventDefault()
        void submit()
      }}
    >
      <label className="flex items-center gap-2 py-0.5">
        <span className="w-28 shrink-0 text-pencil">{words.distributor}</span>
        <select className="field" value={choice} onChange={({ target }) => setChosen(target.value)}>
          {(known ?? []).map(({ name, mail }) => (
            <option key={mail} value={mail}>
              {name}, {mail}
            </option>
          ))}
          <option value={otherOne}>{words.other}</option>
        </select>
      </label>
      {choice === otherOne && (
        <label className="flex items-center gap-2 py-0.5">
          <span className="w-28 shrink-0 text-pencil">{words.to}</span>
          <input
            type="email"
            required
            maxLength={254}
            className="field"
            value={typed}
            onKeyDown={(event) => event.key !== 'Escape' && event.stopPropagation()}
            onChange={({ target }) => setTyped(target.value)}
          />
        </label>
      )}
      <label className="flex items-start gap-2 py-0.5">
        <span className="w-28 shrink-0 text-pencil">{words.note}</span>
        <textarea
          rows={3}
          maxLength={2000}
          placeholder={words.noteHint}
          className="field h-auto"
          value={note}
          onKeyDown={(event) => event.key !== 'Escape' && event.stopPropagation()}
          onChange={({ target }) => setNote(target.value)}
        />
      </label>
      {wrong !== null && (
        <p role="alert" className="my-1 rounded-md bg-clay-soft p-2 text-clay">
          {wrong}
        </p>
      )}
      <div className="mt-2 flex gap-2">
        <button type="submit" className="button" disabled={sending}>
          {sending ? words.sending : words.send}
        </button>
        <button type="button" className="button" onClick={() => onDone(null)}>
          {words.cancel}
        </button>
      </div>
    </form>
  )
}
