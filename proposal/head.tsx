import { type CSSProperties } from 'react'
import { type LetterheadShown } from '@/core/papers/letterhead'
import { type ProposalWords } from '@/words/proposal-words'
import { type Sayer } from '@/words/sayer'

/** The letterhead’s colour, for what is below. */
export const inItsColour = (letterhead: Pick<LetterheadShown, 'colour'> | null | undefined): CSSProperties =>
  letterhead ? ({ '--own': letterhead.colour } as CSSProperties) : {}

/** Who sends the offer: logo, name, licence, and where they are found. */
export function Head({
  letterhead,
  words,
  sayer,
}: {
  readonly letterhead: LetterheadShown
  readonly words: ProposalWords
  readonly sayer: Sayer
}) {
  const { name, licence, postal, phone, mail, web, logo } = letterhead
  const found = [postal, phone, mail, web].filter((text) => text !== '')
  return (
    <div role="group" aria-label={words.sender} className="mb-5 border-b-4 border-(--own-shown) pb-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        {logo !== null && (
          // eslint-disable-next-line @next/next/no-img-element -- a data address; nothing to optimise
          <img
            src={logo}
            alt=""
            className="max-h-14 max-w-44 rounded object-contain dark:bg-white dark:p-1.5"
          />
        )}
        <div className="min-w-0 flex-1">
          <p className="text-[16px] font-semibold break-words text-(--own-shown)">{name}</p>
          {licence !== '' && <p className="quiet break-words">{sayer.say(words.licence, { licence })}</p>}
        </div>
        {found.length > 0 && (
          <address className="quiet w-full min-w-0 break-words not-italic sm:w-auto sm:max-w-72 sm:text-right print:w-auto print:text-right">
            {found.map((text, i) => (
              <span key={i} className="block">
                {text}
              </span>
            ))}
          </address>
        )}
      </div>
    </div>
  )
}
