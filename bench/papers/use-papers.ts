import { useEffect, useState } from 'react'
import { type Vec2 } from '@/core/geometry/vector'
import { ofKind } from '@/core/kinds/documents'
import { type Photograph } from '@/core/papers/photos'
import { type Papered } from '@/core/papers/sets'
import { Fault } from '@/core/model/fault'
import { type PaperFacts } from '@/core/readers/papered'
import { overHttp } from '@/services/ask'
import { buildingsAround } from '@/services/survey'
import { paperOf } from '@/words/format'
import { papers as words } from '@/words/en/papers'
import {
  useBench,
  useHouse,
  useNumbers,
  useOption,
  useSayer,
  useShade,
  useSite,
  useStations,
} from '../context'
import { chosenStation } from '../stations/station-choice'
import { useBuilt } from '../wire/use-built'
import { photographs } from './photographs'

const world = overHttp('/world')

/** What the sets are drawn from, of the design as it is; null while there is nothing to draw. */
export function usePapers(): { facts: PaperFacts; from: Omit<Papered, 'around'>; fresh: boolean } | null {
  const { catalogue, contractor } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const { numbers } = useNumbers()
  const site = useSite()
  const sayer = useSayer()
  const stations = useStations()
  const heights = useShade()?.heights ?? []
  const found = useBuilt()
  if (!found || !numbers || found.built.strings.length === 0) return null
  const { built, volts, fresh } = found
  const { checks, monthly } = numbers.summary
  return {
    facts: {
      house,
      option,
      catalogue,
      built,
      volts,
      checks,
      yieldKwh: monthly.yieldKwh.reduce((sum, kwh) => sum + kwh, 0),
      station: chosenStation(stations, site.stationId)?.station ?? null,
      heights,
      contractor,
    },
    from: {
      built,
      volts,
      as: site,
      paper: paperOf(site.locale),
      lots: ofKind(house, 'lot').map(({ outline }) => outline),
      drawn: { site: built.site, place: site, holdings: built.holdings, nameOf: (id) => sayer.name(id) },
    },
    fresh,
  }
}

/** Something fetched for the sheets, and how it went. */
export interface Fetched<T> {
  readonly got: T
  readonly state: 'fetching' | 'there' | 'failed'
}

/** Outlines of the buildings around the house, once for a place. */
export function useAround(): Fetched<readonly (readonly Vec2[])[]> {
  const { latitudeDeg, longitudeDeg } = useSite()
  const [fetched, setFetched] = useState<Fetched<readonly (readonly Vec2[])[]>>({
    got: [],
    state: 'fetching',
  })
  useEffect(() => {
    const gone = new AbortController()
    buildingsAround(world, { latitudeDeg, longitudeDeg }, gone.signal).then(
      (got) => {
        if (!gone.signal.aborted) setFetched({ got, state: 'there' })
      },
      (error: unknown) => {
        if (gone.signal.aborted) return
        if (!(error instanceof Fault)) throw error
        setFetched({ got: [], state: 'failed' })
      },
    )
    return () => gone.abort()
  }, [latitudeDeg, longitudeDeg])
  return fetched
}

/** The job's photos as they are printed, and how many could not be read. */
export function usePhotographs(
  wanted: boolean,
): Fetched<readonly Photograph[]> & { readonly failed: number } {
  const house = useHouse()
  const sayer = useSayer()
  const photos = ofKind(house, 'photo')
  const ids = photos.map(({ fileId }) => fileId).join(' ')
  const [read, setRead] = useState<{
    readonly of: string
    readonly pictures: Awaited<ReturnType<typeof photographs>>
  } | null>(null)
  useEffect(() => {
    const gone = new AbortController()
    if (wanted && ids !== '')
      void photographs(ids.split(' '), gone.signal).then((pictures) => {
        if (!gone.signal.aborted) setRead({ of: ids, pictures })
      })
    return () => gone.abort()
  }, [ids, wanted])
  if (!wanted || ids === '') return { got: [], state: 'there', failed: 0 }
  if (read?.of !== ids) return { got: [], state: 'fetching', failed: 0 }
  const got = photos.flatMap(({ fileId, caption, about }): Photograph[] => {
    const jpeg = read.pictures.get(fileId)
    if (!jpeg) return []
    const said = caption || words.untitled
    return [
      {
        jpeg,
        caption:
          about === null ? said : sayer.say(words.photoOf, { about: sayer.name(about), caption: said }),
      },
    ]
  })
  return { got, state: 'there', failed: photos.length - got.length }
}
