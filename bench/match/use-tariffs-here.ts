import { useEffect, useState } from 'react'
import { type TariffForm } from '@/core/kinds/tariff/form'
import { Fault } from '@/core/model/fault'
import { overHttp } from '@/services/ask'
import { tariffsAt } from '@/services/world'
import { useSite } from '../context'

/** What utilities offer at the place; null until it is known. */
export function useTariffsHere(): readonly TariffForm[] | null {
  const { latitudeDeg, longitudeDeg } = useSite()
  const [known, setKnown] = useState<readonly TariffForm[] | null>(null)
  useEffect(() => {
    const controller = new AbortController()
    tariffsAt(overHttp('/world'), { latitudeDeg, longitudeDeg }, controller.signal).then(
      setKnown,
      (error: unknown) => {
        if (error instanceof Fault) setKnown([])
        else if (!controller.signal.aborted) throw error
      },
    )
    return () => controller.abort()
  }, [latitudeDeg, longitudeDeg])
  return known
}
