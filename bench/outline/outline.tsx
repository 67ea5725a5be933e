'use client'

import { type ReactNode } from 'react'
import { theOne } from '@/core/kinds/documents'
import { consumptionOf, loadId } from '@/core/kinds/load/load'
import { offerId } from '@/core/kinds/offer/offer'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { storageId } from '@/core/kinds/storage/storage'
import { chapterOf } from '../checks'
import {
  useBench,
  useCatalogue,
  useHouse,
  useNumbers,
  useOption,
  useSession,
  useSite,
  useWords,
} from '../context'
import { type Chapter } from '../store/session'
import { number } from '@/words/format'
import { lazyPart } from '../lazy-parts'
import { ShapeChapter } from './chapters/shape'

const SiteChapter = lazyPart('SiteChapter')
const CoverChapter = lazyPart('CoverChapter')
const WireChapter = lazyPart('WireChapter')
const MatchChapter = lazyPart('MatchChapter')
const StoreChapter = lazyPart('StoreChapter')
const OfferChapter = lazyPart('OfferChapter')

const bodies: Readonly<Record<Chapter, () => ReactNode>> = {
  site: () => <SiteChapter />,
  shape: () => <ShapeChapter />,
  cover: () => <CoverChapter />,
  wire: () => <WireChapter />,
  match: () => <MatchChapter />,
  store: () => <StoreChapter />,
  offer: () => <OfferChapter />,
}
const chapters = Object.keys(bodies) as Chapter[]

/** The seven chapters: places, never gates. One is open; each shows what it holds and whether a check fails there. */
export function Outline() {
  const { session } = useBench()
  const open = useSession((s) => s.chapter)
  const { numbers } = useNumbers()
  const notes = useNotes()
  const words = useWords()
  return (
    <nav aria-label="Outline" className="flex h-full flex-col overflow-y-auto">
      {chapters.map((id) => {
        const worst =
          numbers?.summary.checks.filter(
            (check) => chapterOf(check.code) === id && check.severity !== 'note',
          ) ?? []
        const broken = worst.some((check) => check.severity === 'broken')
        return (
          <section
            key={id}
            className={`border-b border-line ${open === id ? 'flex min-h-[9.5rem] flex-col' : 'shrink-0'}`}
          >
            <h2 className="shrink-0">
              <button
                type="button"
                aria-expanded={open === id}
                onClick={() => session.setState({ chapter: id, sketch: null })}
                className={`flex w-full cursor-pointer items-baseline gap-2 px-3.5 py-2 text-left hover:bg-fold [@media(max-height:760px)]:py-1 ${open === id ? 'bg-fold' : ''}`}
              >
                <span className="text-[14px] font-semibold">{words.chapters[id]}</span>
                {worst.length > 0 && (
                  <span
                    role="img"
                    className={`self-center text-[12px] ${broken ? 'text-clay' : 'text-pencil'}`}
                    aria-label={`${worst.length} ${worst.length === 1 ? 'check fails' : 'checks fail'}`}
                  >
                    {broken ? '▲' : '△'}
                  </span>
                )}
                <span className="quiet min-w-0 flex-1 truncate text-right">{notes[id]}</span>
              </button>
            </h2>
            {open === id && (
              <div className="min-h-0 flex-1 overflow-y-auto px-3.5 pt-1 pb-3">{bodies[id]()}</div>
            )}
          </section>
        )
      })}
    </nav>
  )
}

/** What each chapter holds, in a word or two. */
function useNotes(): Readonly<Record<Chapter, string>> {
  const catalogue = useCatalogue()
  const house = useHouse()
  const option = useOption()
  const site = useSite()
  const { numbers } = useNumbers()
  const { inverterId, inverterCount: count } = theOne(option, 'electrical', electricalId)
  const inverter = catalogue.inverters.find((i) => i.id === inverterId)
  const battery = catalogue.batteries.find((b) => b.id === theOne(option, 'storage', storageId).batteryId)
  const planes = Object.values(house).filter((object) => object.kind === 'volume').length
  return {
    site: site.town,
    shape: planes === 0 ? 'nothing drawn' : planes === 1 ? '1 building' : `${planes} buildings`,
    cover: numbers ? `${numbers.summary.count} modules` : '',
    wire: !inverter ? '' : inverter.micro || count === 1 ? inverter.name : `${count} × ${inverter.name}`,
    match: `${number(consumptionOf(theOne(house, 'load', loadId)), site)} kWh`,
    store: battery?.name ?? 'none',
    offer: theOne(option, 'offer', offerId).name,
  }
}
