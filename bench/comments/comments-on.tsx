'use client'

import { useState, type FormEvent } from 'react'
import { type Fault } from '@/core/model/fault'
import { momentName } from '@/words/format'
import { later } from '@/words/en/later'
import { useSayer, useSite } from '../context'
import { type Thread } from './comment-desk'
import { type Comment } from './comment-requests'
import { useDesk } from './use-comments'

/** The open comments on one thing, and a field for the next; on its card, or under its line. */
export function CommentsOn({ about, name }: { readonly about: string; readonly name: string }) {
  const words = later.comments
  const sayer = useSayer()
  const { desk, threads } = useDesk()
  const [writes, setWrites] = useState(false)
  const open = (threads ?? []).filter((thread) => thread.about === about && !thread.resolved)
  return (
    <section aria-label={words.title} className="mt-2 border-t border-line pt-2">
      <ul className="flex flex-col gap-2">
        {open.map((thread) => (
          <ThreadView key={thread.id} thread={thread} />
        ))}
      </ul>
      {writes ? (
        <SayForm
          label={sayer.say(words.sayOn, { what: name })}
          onSay={(text) => desk.say(about, text)}
          onDone={() => setWrites(false)}
        />
      ) : (
        <button
          type="button"
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => setWrites(true)}
        >
          {words.say}
        </button>
      )}
    </section>
  )
}

/** A comment with its answers, and what can be done about it. */
export function ThreadView({ thread }: { readonly thread: Thread }) {
  const words = later.comments
  const sayer = useSayer()
  const { locale } = useSite()
  const { desk } = useDesk()
  const [answers, setAnswers] = useState(false)
  const [fault, setFault] = useState<Fault | null>(null)
  const settled = thread.resolved
  return (
    <li>
      <Said comment={thread} isKept={thread.replies.some(({ mine }) => !mine)} />
      {thread.replies.map((reply) => (
        <div key={reply.id} className="mt-1 border-l-2 border-line pl-2">
          <Said comment={reply} />
        </div>
      ))}
      {settled && (
        <p className="quiet text-[12px]">
          {sayer.say(words.settledBy, { by: settled.by, at: momentName(settled.at, locale) })}
        </p>
      )}
      {answers ? (
        <SayForm
          label={sayer.say(words.answerTo, { by: thread.by })}
          onSay={(text) => desk.say('', text, thread.id)}
          onDone={() => setAnswers(false)}
        />
      ) : (
        <div className="mt-0.5 flex gap-3 text-[12px] text-verdigris">
          <Act label={words.answer} onAct={() => setAnswers(true)} />
          <Act
            label={settled ? words.open : words.settle}
            hint={settled ? undefined : words.settleHint}
            onAct={() => void desk.settle(thread.id, !settled).then(setFault)}
          />
        </div>
      )}
      {fault && <Trouble fault={fault} />}
    </li>
  )
}

/** @param isKept whether somebody else has answered: then it is not taken back any more */
function Said({ comment, isKept = false }: { readonly comment: Comment; readonly isKept?: boolean }) {
  const words = later.comments
  const sayer = useSayer()
  const { locale } = useSite()
  const { desk } = useDesk()
  const [fault, setFault] = useState<Fault | null>(null)
  return (
    <>
      <p className="quiet flex items-baseline gap-2 text-[12px]">
        <span className="min-w-0 flex-1">
          {sayer.say(words.byAt, { by: comment.by, at: momentName(comment.at, locale) })}
        </span>
        {comment.mine && !isKept && (
          <Act label={words.takeBack} onAct={() => void desk.takeBack(comment.id).then(setFault)} />
        )}
      </p>
      <p className="break-words whitespace-pre-line">{comment.text}</p>
      {fault && <Trouble fault={fault} />}
    </>
  )
}

function Act({
  label,
  hint,
  onAct,
}: {
  readonly label: string
  readonly hint?: string | undefined
  readonly onAct: () => void
}) {
  return (
    <button type="button" title={hint} className="cursor-pointer hover:underline" onClick={onAct}>
      {label}
    </button>
  )
}

function Trouble({ fault }: { readonly fault: Fault }) {
  const sayer = useSayer()
  return (
    <p role="alert" className="text-[12px] text-clay">
      {sayer.fault(fault)}
    </p>
  )
}

/** A field for something to say; what could not be sent stays in it. */
export function SayForm({
  label,
  onSay,
  onDone,
}: {
  readonly label: string
  readonly onSay: (text: string) => Promise<Fault | null>
  readonly onDone?: () => void
}) {
  const words = later.comments
  const [text, setText] = useState('')
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<Fault | null>(null)
  const say = async (event: FormEvent) => {
    event.preventDefault()
    if (text.trim() === '' || busy) return
    setBusy(true)
    const wrong = await onSay(text.trim())
    setBusy(false)
    setFault(wrong)
    if (wrong) return
    setText('')
    onDone?.()
  }
  return (
    <form className="mt-1" onSubmit={(event) => void say(event)}>
      <textarea
        className="field h-auto w-full resize-y py-1 leading-snug"
        // Where one asked for it, one writes at once.
        autoFocus={onDone !== undefined}
        aria-label={label}
        placeholder={words.hint}
        rows={2}
        maxLength={2000}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Escape' || !onDone) return
          event.stopPropagation()
          onDone()
        }}
      />
      {fault && <Trouble fault={fault} />}
      <button type="submit" className="button mt-1 h-7" disabled={busy || text.trim() === ''}>
        {words.send}
      </button>
    </form>
  )
}
