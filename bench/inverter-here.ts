import { type InverterType } from '@/core/electrical/catalogue'
import { theOne } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { useCatalogue, useOption } from './context'

/** The inverter of the option that is open; nothing where it is in no catalogue. */
export function useInverterHere(): InverterType | undefined {
  const { inverters } = useCatalogue()
  const { inverterId } = theOne(useOption(), 'electrical', electricalId)
  return inverters.find(({ id }) => id === inverterId)
}
