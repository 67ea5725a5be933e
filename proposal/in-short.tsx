'use client'

import { useEffect, useState, useSyncExternalStore } from 'react'
import { type Language } from '@/words/language'
import { type ProposalWords } from '@/words/proposal-words'

const never = () => () => undefined

/** The offer in a few sentences; the browser reads them aloud where it can. */
export function InShort({
  sentences,
  language,
  print,
  words,
}: {
  readonly sentences: readonly string[]
  readonly language: Language
  readonly print: boolean
  readonly words: ProposalWords
}) {
  const canSpeak = useSyncExternalStore(
    never,
    () => 'speechSynthesis' in window,
    () => false,
  )
  const [isSpeaking, setSpeaking] = useState(false)
  // Whoever leaves the page is not talked after.
  useEffect(() => () => void (canSpeak && window.speechSynthesis.cancel()), [canSpeak])
  const toggle = () => {
    window.speechSynthesis.cancel()
    setSpeaking(!isSpeaking)
    if (isSpeaking) return
    const speech = new SpeechSynthesisUtterance(sentences.join(' '))
    speech.lang = language
    speech.onend = speech.onerror = () => setSpeaking(false)
    window.speechSynthesis.speak(speech)
  }
  return (
    <section className="my-5 break-inside-avoid">
      <h2 className="mb-2 flex items-center gap-3 font-display text-[19px]">
        {words.inShort}
        {canSpeak && !print && (
          <button type="button" className="button font-sans text-[13px]" onClick={toggle}>
            {isSpeaking ? words.stopListening : words.listen}
          </button>
        )}
      </h2>
      <p>{sentences.join(' ')}</p>
    </section>
  )
}
