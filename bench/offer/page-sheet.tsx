'use client'

import {
  pageLanguages,
  pageSections,
  writtenSections,
  type PageSection,
  type WrittenSection,
} from '@/core/kinds/offer/page'
import { later } from '@/words/en/later'
import { languageOf } from '@/words/language'
import { useBench, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { NotesField } from '../fields/notes-field'
import { Sheet } from '../sheet'
import { Co2Fields } from './co2-fields'
import { PictureView } from './picture-view'
import { useOffer } from './use-offer'

const words = later.page
const byAddress = 'by-address'
const isWritten = (section: PageSection): section is WrittenSection =>
  writtenSections.some((one) => one === section)

/** What the customer's page shows, in which order, and what is written on it. */
export function PageSheet() {
  const { session } = useBench()
  const [sayer, site] = [useSayer(), useSite()]
  const { offer, set } = useOffer()
  const { page } = offer
  const { sections } = page
  const hidden = pageSections.filter((section) => !sections.includes(section))
  const setSections = (next: readonly PageSection[]) =>
    set(words.title, { page: { ...page, sections: [...next] } })
  const moved = (from: number, by: number) => {
    const rest = sections.filter((_, i) => i !== from)
    const one = sections[from]
    return one ? [...rest.slice(0, from + by), one, ...rest.slice(from + by)] : rest
  }
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2">{words.note}</p>
      <div className="mb-2 max-w-64">
        <ChoiceField
          label={words.language}
          value={page.language ?? byAddress}
          wide
          choices={[
            {
              value: byAddress,
              label: sayer.say(words.byAddress, { language: words.languages[languageOf(site.locale)] }),
            },
            ...pageLanguages.map((one) => ({ value: one, label: words.languages[one] })),
          ]}
          onChoose={(chosen) =>
            set(words.language, { page: { ...page, language: chosen === byAddress ? null : chosen } })
          }
        />
      </div>
      <ol>
        {sections.map((section, k) => (
          <li key={section} className="border-b border-line py-1.5">
            <Line
              section={section}
              shown
              onShow={() => setSections(sections.filter((one) => one !== section))}
              onMove={(by) => setSections(moved(k, by))}
              isFirst={k === 0}
              isLast={k === sections.length - 1}
            />
            {isWritten(section) && <Text section={section} />}
            {section === 'roof' && <PictureView />}
            {section === 'environment' && <Co2Fields />}
          </li>
        ))}
        {hidden.map((section) => (
          <li key={section} className="border-b border-line py-1.5 text-pencil">
            <Line section={section} shown={false} onShow={() => setSections([...sections, section])} />
          </li>
        ))}
      </ol>
    </Sheet>
  )
}

function Line({
  section,
  shown,
  onShow,
  onMove,
  isFirst = false,
  isLast = false,
}: {
  readonly section: PageSection
  readonly shown: boolean
  /** Shows or hides it. */
  readonly onShow: () => void
  readonly onMove?: (by: -1 | 1) => void
  readonly isFirst?: boolean
  readonly isLast?: boolean
}) {
  const sayer = useSayer()
  const name = words.sections[section]
  return (
    <div className="flex items-center gap-2">
      <label className="flex flex-1 items-center gap-2">
        <input type="checkbox" checked={shown} onChange={onShow} />
        {name}
      </label>
      {onMove && (
        <>
          <button
            type="button"
            className="button px-2"
            aria-label={sayer.say(words.up, { name })}
            disabled={isFirst}
            onClick={() => onMove(-1)}
          >
            ↑
          </button>
          <button
            type="button"
            className="button px-2"
            aria-label={sayer.say(words.down, { name })}
            disabled={isLast}
            onClick={() => onMove(1)}
          >
            ↓
          </button>
        </>
      )}
    </div>
  )
}

function Text({ section }: { readonly section: WrittenSection }) {
  const { offer, set } = useOffer()
  const { page } = offer
  const sayer = useSayer()
  const name = words.sections[section]
  return (
    <NotesField
      label={sayer.say(words.text, { name })}
      text={page.texts[section]}
      onType={(text) => set(name, { page: { ...page, texts: { ...page.texts, [section]: text } } })}
    />
  )
}
