'use client'

import { useEffect, useState } from 'react'
import { useBench, useHouse, useOptions, useSession, useSite, type StationChoice } from '../context'
import { fetchStations } from '../services'

/** Asks for new numbers whenever a document, the option on the screen or the station changes. */
export function LiveLink() {
  const { live } = useBench()
  const house = useHouse()
  const options = useOptions()
  const activeId = useSession((s) => s.optionId)
  const site = useSite()
  const [stations, setStations] = useState<readonly StationChoice[]>([])
  useEffect(() => {
    const controller = new AbortController()
    let timer: ReturnType<typeof setTimeout> | undefined
    const load = () =>
      fetchStations(site.latitudeDeg, site.longitudeDeg, controller.signal).then(setStations, () => {
        // The server is away: once it is back the numbers go on.
        if (!controller.signal.aborted) timer = setTimeout(() => void load(), 2000)
      })
    void load()
    return () => {
      clearTimeout(timer)
      controller.abort()
    }
  }, [site.latitudeDeg, site.longitudeDeg])
  const station = stations.find((s) => s.id === site.stationId) ?? stations[0]
  useEffect(() => {
    if (station) live.ask({ house, options, activeId, station })
  })
  return null
}
