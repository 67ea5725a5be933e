'use client'

import { createContext, useContext } from 'react'
import { useStore } from 'zustand'
import { type Catalogue } from '@/core/electrical/catalogue'
import { type Contractor } from '@/core/papers/letterhead'
import { type KeptLine } from '@/core/readers/kept-line'
import { catalogueFor } from '@/core/stages/world'
import { theOne, type Objects } from '@/core/kinds/documents'
import { siteId, type Site } from '@/core/kinds/site/site'
import { type Site as StandingSite } from '@/core/site/site'
import { english } from '@/words/english'
import { type Sayer } from '@/words/sayer'
import { type Words } from '@/words/words'
import {
  answers,
  LiveNumbers,
  type OptionNumbers,
  type OptionShade,
  type OptionSunMap,
} from './live/live-numbers'
import { chosenStation, type StationChoice } from './stations/station-choice'
import { type StationList } from './stations/station-list'
import { type WeatherDesk } from './stations/weather-desk'
import { sayerOf } from './remembered-sayer'
import { optionsOf, type DocumentStore } from './store/documents'
import { type LiveLine } from './store/live-line'
import { type Outbox } from './store/outbox'
import { modulesOf, objectIdsOf } from './store/selection'
import { type Session, type SessionStore } from './store/session'
import { type Sync } from './store/sync'
import { type ToolContext } from './tools/chart'
import { type Tool } from './tools/tool'
import { type ToolBox } from './tools/tool-box'
import { type UnderLines } from './underlays/under-lines'

/** Everything one open job works with. */
export interface BenchParts {
  readonly jobId: string
  readonly documents: DocumentStore
  readonly session: SessionStore
  readonly live: LiveNumbers
  readonly stations: StationList
  readonly desk: WeatherDesk
  readonly outbox: Outbox
  readonly sync: Sync
  /** What others do, and who is there. */
  readonly line: LiveLine
  /** The tool in hand, and all there are. */
  readonly tools: ToolBox
  readonly allTools: readonly Tool[]
  readonly catalogue: Catalogue
  /** Who builds it. */
  readonly contractor: Contractor
  /** An option's ledger as it was computed before the job was opened. */
  readonly last: { readonly optionId: string; readonly lines: readonly KeptLine[] }
  /** Lines of the drawings under the model. */
  readonly underLines: UnderLines
  /** The house and the option on the screen as they stand in space; worked out once for each state. */
  readonly site: () => StandingSite
  /** The same with another option, and with another house where one is given. */
  readonly siteWith: (option: Objects, house?: Objects) => StandingSite
  readonly lateStates: ToolContext['lateStates']
  /** Nobody looks at it any more. */
  readonly close: () => void
}

export const BenchContext = createContext<BenchParts | null>(null)

export function useBench(): BenchParts {
  const parts = useContext(BenchContext)
  if (!parts) throw new Error('This part belongs inside a bench.')
  return parts
}

export const useSession = <T>(pick: (session: Session) => T): T => useStore(useBench().session, pick)

export function useStations(): readonly StationChoice[] {
  return useStore(useBench().stations.store, (s) => s.list)
}

export function useHouse(): Objects {
  return useStore(useBench().documents.store, (s) => s.documents['house'] ?? emptyObjects)
}

const emptyObjects: Objects = {}

/** The option on the screen. */
export function useOption(): Objects {
  const id = useSession((s) => s.optionId)
  return useStore(useBench().documents.store, (s) => s.documents[id] ?? emptyObjects)
}

export function useOptions(): { id: string; objects: Objects }[] {
  const state = useStore(useBench().documents.store)
  return optionsOf(state)
}

export function useSite(): Site {
  return theOne(useHouse(), 'site', siteId)
}

/** All that this job can be built with: its own data sheets and the catalogue's. */
export const useCatalogue = (): Catalogue =>
  catalogueFor({ house: useHouse(), catalogue: useBench().catalogue })

/** The bench speaks English; the customer's page speaks the customer's language. */
export const useWords = (): Words => english.words

/** What the core says as data, in sentences: names of the job, figures as people there write them. */
export function useSayer(): Sayer {
  const house = useHouse()
  const option = useOption()
  return sayerOf(
    useBench().catalogue,
    house,
    option,
    chosenStation(useStations(), useSite().stationId)?.station,
  )
}

/** The light on the roofs as they stand; null until it is known, and again when the house is changed. */
export function useSunMap(): OptionSunMap | null {
  const id = useSession((s) => s.optionId)
  const house = useHouse()
  const known = useStore(useBench().live.store, (s) => s.sunMaps[id])
  // What is laid changes little of it, and the new one comes in a moment.
  const span = useSession((s) => s.sunSpan)
  return known?.house === house && known.span === span ? known : null
}

/** The modules and arrays that are chosen; none where it is something else, and so the whole system. */
export function usePart(): readonly string[] {
  const { site } = useBench()
  const selection = useSession((s) => s.selection)
  const modules = modulesOf(selection)
  if (modules.length > 0) return modules.map(({ id }) => id)
  const laid = new Set(site().arrays.map(({ id }) => id))
  return objectIdsOf(selection).filter((id) => laid.has(id))
}

/** The shade of what is chosen, and whether it is the one of today; null until it is known. */
export function useShade(): (OptionShade & { readonly fresh: boolean }) | null {
  const id = useSession((s) => s.optionId)
  const house = useHouse()
  const objects = useOption()
  const part = usePart()
  const known = useStore(useBench().live.store, (s) => s.shades[id])
  const stationKey = useStore(useBench().live.store, (s) => s.stationKey)
  if (!known || !answers(known, { of: part, heights: false })) return null
  return { ...known, fresh: LiveNumbers.fits(known, house, objects, stationKey) }
}

/** The option's numbers, and whether they belong to what is on the screen. */
export function useNumbers(): { numbers: OptionNumbers | undefined; fresh: boolean } {
  const id = useSession((s) => s.optionId)
  const house = useHouse()
  const objects = useOption()
  const numbers = useStore(useBench().live.store, (s) => s.byOption[id])
  const stationKey = useStore(useBench().live.store, (s) => s.stationKey)
  return { numbers, fresh: LiveNumbers.fits(numbers, house, objects, stationKey) }
}
