'use client'

import { useState, type FormEvent } from 'react'
import { useStore } from 'zustand'
import { type Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../context'
import { nameMoment, unnameMoment } from './history-requests'
import { type Reel, type Version } from './reel'

/** Moments with a name, and a name for the one on the screen. */
export function Moments({ reel, onGo }: { readonly reel: Reel; readonly onGo: (back: number) => void }) {
  const words = later.history
  const sayer = useSayer()
  const { jobId } = useBench()
  // What is shown hangs on all of it: edits come in, and the film moves.
  const { versions, back } = useStore(reel.store)
  const [name, setName] = useState('')
  const [fault, setFault] = useState<Fault | null>(null)
  const revision = reel.revisionShown()
  const keep = async (event: FormEvent) => {
    event.preventDefault()
    const trimmed = name.trim()
    if (trimmed === '' || revision === null) return
    const version = { id: crypto.randomUUID(), name: trimmed, revision }
    const answer = await nameMoment(jobId, version)
    if ('fault' in answer) {
      setFault(answer.fault)
      return
    }
    setFault(null)
    setName('')
    await reel.readVersions()
  }
  const takeAway = async (version: Version) => {
    const answer = await unnameMoment(jobId, version.id)
    setFault('fault' in answer ? answer.fault : null)
    await reel.readVersions()
  }
  return (
    <div className="flex min-w-0 items-center gap-2">
      <ul aria-label={words.versions} className="flex min-w-0 flex-1 gap-1.5 overflow-x-auto">
        {versions.length === 0 && <li className="quiet">{words.noVersions}</li>}
        {versions.map((version) => (
          <li key={version.id} className="flex shrink-0 items-center rounded-full border border-line">
            <button
              type="button"
              className="cursor-pointer rounded-l-full py-0.5 pr-1 pl-2.5 hover:bg-fold disabled:opacity-50"
              aria-pressed={back === reel.backOf(version)}
              disabled={!reel.reaches(version)}
              title={sayer.say(words.isNamed, { name: version.name, by: version.by })}
              onClick={() => onGo(reel.backOf(version))}
            >
              {version.name}
            </button>
            <button
              type="button"
              className="cursor-pointer rounded-r-full py-0.5 pr-2 pl-1 text-pencil hover:bg-fold"
              aria-label={sayer.say(words.unname, { name: version.name })}
              onClick={() => void takeAway(version)}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      {fault && (
        <span role="alert" className="shrink-0 text-[12px] text-clay">
          {sayer.fault(fault)}
        </span>
      )}
      {revision === null ? (
        <span className="quiet shrink-0">{words.within}</span>
      ) : (
        <form className="flex shrink-0 gap-1.5" onSubmit={(event) => void keep(event)}>
          <input
            className="field w-56"
            aria-label={words.name}
            placeholder={words.nameHint}
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <button type="submit" className="button h-7" disabled={name.trim() === ''}>
            {words.keepName}
          </button>
        </form>
      )}
    </div>
  )
}
