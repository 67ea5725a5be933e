'use client'

import { useEffect } from 'react'
import { asksHeights, looksAtShade, showsLoadPart, showsSunMap } from './store/session'
import { useBench, useHouse, useOptions, usePart, useSession, useSite, useStations } from './context'
import { chosenStation } from './stations/station-choice'

/** Asks for new numbers whenever a document, the option on the screen or the station changes. */
export function LiveLink() {
  const { live, stations } = useBench()
  const house = useHouse()
  const options = useOptions()
  const activeId = useSession((s) => s.optionId)
  const sunMap = useSession((s) => (showsSunMap(s) ? s.sunSpan : null))
  const part = usePart()
  const heights = useSession(asksHeights)
  const shade = useSession(looksAtShade) ? { of: part, heights } : null
  const ranking = useSession((s) => s.tried ?? (showsLoadPart(s) ? 'loads' : null))
  const storage = useSession((s) => s.chapter === 'store')
  const ranges = useSession((s) => s.chapter === 'offer')
  const site = useSite()
  const list = useStations()
  const { latitudeDeg, longitudeDeg } = site
  useEffect(() => stations.follow({ latitudeDeg, longitudeDeg }), [stations, latitudeDeg, longitudeDeg])
  const chosen = chosenStation(list, site.stationId)
  useEffect(() => {
    if (!chosen) return
    const { id, name, distanceM, elevationM, yearSpread } = chosen.station
    const station = { id, name, distanceM, elevationM, yearSpread, standsIn: chosen.standsIn }
    live.ask({ house, options, activeId, station, sunMap, shade, ranking, storage, ranges })
  })
  return null
}
