'use client'

import { useState } from 'react'
import { useStore } from 'zustand'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../context'
import { Sheet } from '../sheet'
import { SayForm, ThreadView } from './comments-on'
import { byAbout, type Thread } from './comment-desk'
import { useAbout, useDesk } from './use-comments'

/** All that was said of the job, by what it is about. */
export function CommentsSheet() {
  const words = later.comments
  const { session } = useBench()
  const sayer = useSayer()
  const { desk, threads } = useDesk()
  const fault = useStore(desk.store, (s) => s.fault)
  const [withSettled, setWithSettled] = useState(false)
  const settled = (threads ?? []).filter(({ resolved }) => resolved).length
  const shown = (threads ?? []).filter(({ resolved }) => withSettled || !resolved)
  const groups = byAbout(shown)
  const onJob = sayer.say(words.sayOn, { what: words.wholeJob.toLowerCase() })
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      {fault && (
        <p role="alert" className="text-clay">
          {sayer.fault(fault)}
        </p>
      )}
      {!threads && !fault && <p className="quiet">{words.loading}</p>}
      {threads && shown.length === 0 && (
        <p className="quiet">{threads.length === 0 ? words.none : words.noneOpen}</p>
      )}
      {groups.map(([about, list]) => (
        <Group key={about} about={about} threads={list} />
      ))}
      {settled > 0 && (
        <label className="mt-3 flex items-center gap-2">
          <input
            type="checkbox"
            checked={withSettled}
            onChange={(event) => setWithSettled(event.target.checked)}
          />
          {sayer.say(words.withSettled, { count: settled })}
        </label>
      )}
      <div className="mt-3 border-t border-line pt-3">
        <h3 className="font-semibold">{onJob}</h3>
        <SayForm label={onJob} onSay={(text) => desk.say('', text)} />
      </div>
    </Sheet>
  )
}

function Group({ about, threads }: { readonly about: string; readonly threads: readonly Thread[] }) {
  const { name, show } = useAbout()(about)
  return (
    <section aria-label={name} className="mb-4">
      <h3 className="mb-1 flex items-baseline gap-3 font-semibold">
        {name}
        {show && (
          <button type="button" className="button h-6 px-2 font-normal" onClick={show}>
            {later.comments.show}
          </button>
        )}
      </h3>
      <ul className="flex flex-col gap-3">
        {threads.map((thread) => (
          <ThreadView key={thread.id} thread={thread} />
        ))}
      </ul>
    </section>
  )
}
