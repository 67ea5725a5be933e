'use client'

import { useId, useState, type FormEvent } from 'react'
import { type WayToPay } from '@/core/kinds/offer/payment'
import { momentName } from '@/words/format'
import { type ProposalWords } from '@/words/proposal-words'
import { type Sayer } from '@/words/sayer'
import { type Acceptance, type OfferState, type Signature } from './answer'
import { useReady } from '@/stage/use-ready'
import { SignatureDrawing, SignaturePad } from './signature-pad'

interface Of {
  /** Of the house: server and reader write the same clock. */
  readonly timeZone: string
  readonly words: ProposalWords
  readonly sayer: Sayer
}

/** Who has accepted the offer, and when. */
export function Accepted({
  state: { accepted },
  words,
  sayer,
  timeZone,
}: Of & { readonly state: OfferState }) {
  if (!accepted) return null
  const { name, at, way, signature } = accepted
  return (
    <section className="mb-6 break-inside-avoid rounded-lg border border-verdigris px-4 py-3">
      <h2 className="font-display text-[19px]">
        {sayer.say(words.acceptedBy, { name, at: momentName(at, sayer.place.locale, timeZone) })}
      </h2>
      {way && (
        <p>
          {words.waysToPay}: {words[`way-${way}`]}
        </p>
      )}
      {signature && <SignatureDrawing strokes={signature} label={words.signature} />}
    </section>
  )
}

/** Sends something to the offer's own address. */
async function send(path: string, body: unknown): Promise<'sent' | 'failed' | 'gone'> {
  try {
    const answer = await fetch(`${window.location.pathname}/${path}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    return answer.ok ? 'sent' : answer.status === 409 || answer.status === 410 ? 'gone' : 'failed'
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    return 'failed'
  }
}

/** The customer accepts the offer, with name and hand. */
export function Accept({
  state,
  way,
  words,
  sayer,
  timeZone,
}: Of & { readonly state: OfferState; readonly way: WayToPay | null }) {
  const [name, setName] = useState('')
  const [strokes, setStrokes] = useState<Signature>([])
  const [typedCounts, setTypedCounts] = useState(false)
  const [told, setTold] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const isReady = useReady()
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (name.trim().length < 2) return setTold(words.nameMissing)
    if (!typedCounts && strokes.length === 0) return setTold(words.signatureMissing)
    setBusy(true)
    setTold(null)
    const body: Acceptance = {
      name,
      way,
      signature: strokes.length > 0 ? strokes : null,
      digest: state.digest,
    }
    const result = await send('accept', body)
    // What holds now is on the page when it is loaded again.
    if (result === 'failed') {
      setTold(words.sendFailed)
      setBusy(false)
    } else window.location.reload()
  }
  return (
    <section className="mb-6 rounded-lg border border-line px-4 py-3">
      <h2 className="mb-1 font-display text-[19px]">{words.accept}</h2>
      <p className="mb-2">
        {way ? sayer.say(words.acceptText, { way: words[`way-${way}`] }) : words.acceptPlain}
        {state.expiresAt &&
          ` ${sayer.say(words.validUntil, { at: momentName(state.expiresAt, sayer.place.locale, timeZone) })}`}
      </p>
      <form onSubmit={(event) => void submit(event)}>
        <NameField label={words.yourName} value={name} onChange={setName} isReady={isReady} />
        <SignaturePad strokes={strokes} label={words.signHere} onDraw={setStrokes} />
        <div className="mt-1 flex flex-wrap items-center gap-4">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={typedCounts}
              disabled={!isReady}
              onChange={({ target }) => setTypedCounts(target.checked)}
            />
            {words.typedCounts}
          </label>
          <button type="button" className="cursor-pointer underline" onClick={() => setStrokes([])}>
            {words.clear}
          </button>
        </div>
        <Told text={told} />
        <button type="submit" className="button button-main mt-2" disabled={busy || !isReady}>
          {words.acceptButton}
        </button>
      </form>
    </section>
  )
}

/** A question to whoever sent the offer. */
export function Ask({ words }: Pick<Of, 'words'>) {
  const [name, setName] = useState('')
  const [question, setQuestion] = useState('')
  const [told, setTold] = useState<string | null>(null)
  const isReady = useReady()
  const id = useId()
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (name.trim().length < 2) return setTold(words.nameMissing)
    if (question.trim().length < 2) return setTold(words.questionMissing)
    const result = await send('question', { name, question })
    setTold(result === 'sent' ? words.questionSent : words.sendFailed)
    if (result === 'sent') setQuestion('')
  }
  return (
    <details className="mb-6 rounded-lg border border-line px-4 py-3">
      <summary className="cursor-pointer font-display text-[19px]">{words.ask}</summary>
      <form className="mt-2" onSubmit={(event) => void submit(event)}>
        <NameField label={words.yourName} value={name} onChange={setName} isReady={isReady} />
        <label htmlFor={id} className="block">
          {words.question}
        </label>
        <textarea
          id={id}
          className="field h-24 w-full max-w-[30rem]"
          maxLength={2000}
          disabled={!isReady}
          value={question}
          onChange={({ target }) => setQuestion(target.value)}
        />
        <Told text={told} />
        <button type="submit" className="button mt-1 block" disabled={!isReady}>
          {words.sendQuestion}
        </button>
      </form>
    </details>
  )
}

function NameField({
  label,
  value,
  onChange,
  isReady,
}: {
  readonly label: string
  readonly value: string
  readonly onChange: (value: string) => void
  /** What is typed before the page answers would be lost. */
  readonly isReady: boolean
}) {
  const id = useId()
  return (
    <div className="mb-2">
      <label htmlFor={id} className="block">
        {label}
      </label>
      <input
        id={id}
        className="field w-full max-w-[30rem]"
        autoComplete="name"
        maxLength={120}
        disabled={!isReady}
        value={value}
        onChange={({ target }) => onChange(target.value)}
      />
    </div>
  )
}

function Told({ text }: { readonly text: string | null }) {
  return (
    <p role="status" className="mt-1 min-h-5 text-[13px]">
      {text}
    </p>
  )
}
