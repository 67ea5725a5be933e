'use client'

import { type ReactNode } from 'react'
import { type Chapter } from '@/core/pipeline/explanation'
import { theOne } from '@/core/model/document'
import { loadId } from '@/core/model/kinds/load'
import { offerId } from '@/core/model/kinds/offer'
import { electricalId } from '@/core/model/kinds/electrical'
import { storageId } from '@/core/model/kinds/storage'
import { useBench, useHouse, useNumbers, useOption, useSession, useSite } from '../context'
import { number } from '../format'
import { CoverChapter } from './chapters/cover'
import { MatchChapter } from './chapters/match'
import { OfferChapter } from './chapters/offer'
import { ShapeChapter } from './chapters/shape'
import { SiteChapter } from './chapters/site'
import { StoreChapter } from './chapters/store'
import { WireChapter } from './chapters/wire'

const chapters: readonly { id: Chapter; name: string; body: () => ReactNode }[] = [
  { id: 'site', name: 'Site', body: () => <SiteChapter /> },
  { id: 'shape', name: 'Shape', body: () => <ShapeChapter /> },
  { id: 'cover', name: 'Cover', body: () => <CoverChapter /> },
  { id: 'wire', name: 'Wire', body: () => <WireChapter /> },
  { id: 'match', name: 'Match', body: () => <MatchChapter /> },
  { id: 'store', name: 'Store', body: () => <StoreChapter /> },
  { id: 'offer', name: 'Offer', body: () => <OfferChapter /> },
]

/** The seven chapters: places, never gates. One is open; each shows what it holds and whether a check fails there. */
export function Outline() {
  const { session } = useBench()
  const open = useSession((s) => s.chapter)
  const { numbers } = useNumbers()
  const notes = useNotes()
  return (
    <nav aria-label="Outline" className="h-full overflow-y-auto">
      {chapters.map(({ id, name, body }) => {
        const worst =
          numbers?.summary.checks.filter((check) => check.chapter === id && check.severity !== 'note') ?? []
        const broken = worst.some((check) => check.severity === 'broken')
        return (
          <section key={id} className="border-b border-line">
            <h2>
              <button
                type="button"
                aria-expanded={open === id}
                onClick={() => session.setState({ chapter: id, sketch: null })}
                className={`flex w-full cursor-pointer items-baseline gap-2 px-3.5 py-2 text-left hover:bg-fold ${open === id ? 'bg-fold' : ''}`}
              >
                <span className="text-[14px] font-semibold">{name}</span>
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
            {open === id && <div className="px-3.5 pt-1 pb-3">{body()}</div>}
          </section>
        )
      })}
    </nav>
  )
}

/** What each chapter holds, in a word or two. */
function useNotes(): Readonly<Record<Chapter, string>> {
  const { catalogue } = useBench()
  const house = useHouse()
  const option = useOption()
  const site = useSite()
  const { numbers } = useNumbers()
  const battery = catalogue.batteries.find((b) => b.id === theOne(option, 'storage', storageId).batteryId)
  const planes = Object.values(house).filter((object) => object.kind === 'volume').length
  return {
    site: site.town,
    shape: planes === 0 ? 'nothing drawn' : planes === 1 ? '1 building' : `${planes} buildings`,
    cover: numbers ? `${numbers.summary.count} modules` : '',
    wire:
      catalogue.inverters.find((i) => i.id === theOne(option, 'electrical', electricalId).inverterId)?.name ??
      '',
    match: `${number(theOne(house, 'load', loadId).annualKwh, site)} kWh`,
    store: battery?.name ?? 'none',
    offer: theOne(option, 'offer', offerId).name,
  }
}
