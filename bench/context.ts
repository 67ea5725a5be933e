'use client'

import { createContext, useContext } from 'react'
import { useStore } from 'zustand'
import { type Catalogue } from '@/core/electrical/catalogue'
import { theOne, type Objects } from '@/core/model/document'
import { siteId, type Site } from '@/core/model/kinds/site'
import { LiveNumbers, type OptionNumbers } from './live/live-numbers'
import { type WeatherDesk } from './weather/weather-desk'
import { type StationChoice } from './weather/station-choice'
import { type StationList } from './weather/station-list'
import { type DocumentStore } from './store/documents'
import { optionsOf } from './store/documents'
import { type Outbox } from './store/outbox'
import { type Session, type SessionStore } from './store/session'
import { type StageScene } from './stage/scene'
import { type ToolBox } from './tools/tool-box'

/** Everything one open job works with. */
export interface BenchParts {
  readonly jobId: string
  readonly documents: DocumentStore
  readonly session: SessionStore
  readonly live: LiveNumbers
  readonly stations: StationList
  readonly desk: WeatherDesk
  readonly outbox: Outbox
  readonly tools: ToolBox
  readonly catalogue: Catalogue
  readonly scene: () => StageScene
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

/** The option's numbers, and whether they belong to what is on the screen. */
export function useNumbers(): { numbers: OptionNumbers | undefined; fresh: boolean } {
  const id = useSession((s) => s.optionId)
  const house = useHouse()
  const objects = useOption()
  const numbers = useStore(useBench().live.store, (s) => s.byOption[id])
  const stationKey = useStore(useBench().live.store, (s) => s.stationKey)
  return { numbers, fresh: LiveNumbers.fits(numbers, house, objects, stationKey) }
}
