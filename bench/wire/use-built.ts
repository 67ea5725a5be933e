import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { storageId } from '@/core/kinds/storage/storage'
import { type StringWindow } from '@/core/electrical/stringing'
import { type Built } from '@/core/parts/parts-list'
import { holdingsIn } from '@/core/stages/structure'
import { useBench, useCatalogue, useHouse, useNumbers, useOption, useSite } from '../context'

/** Of one module. */
type Volts = Pick<StringWindow, 'coldVocV' | 'hotVmpV'>

/** What parts and diagram follow from; null until the strings are known. `fresh`: they are of the design as it is. */
export function useBuilt(): { built: Built; volts: Volts; fresh: boolean } | null {
  const { site: standing } = useBench()
  const catalogue = useCatalogue()
  const [house, option] = [useHouse(), useOption()]
  const { numbers, fresh } = useNumbers()
  const grid = useSite()
  const module = catalogue.modules.find(({ id }) => id === theOne(option, 'cover', coverId).moduleId)
  const electrical = theOne(option, 'electrical', electricalId)
  const inverter = catalogue.inverters.find(({ id }) => id === electrical.inverterId)
  const optimizer = inverter?.micro
    ? undefined
    : catalogue.optimizers.find(({ id }) => id === electrical.optimizerId)
  const { batteryId, count } = theOne(option, 'storage', storageId)
  const battery = catalogue.batteries.find(({ id }) => id === batteryId)
  if (!module || !inverter || !numbers) return null
  const site = standing()
  const [first] = numbers.summary.strings
  const modules = numbers.summary.electronics === 'none' ? Math.max(1, first?.panelIds.length ?? 0) : 1
  return {
    built: {
      site,
      holdings: holdingsIn(site, { house, option, catalogue }),
      strings: numbers.summary.strings,
      module,
      inverter,
      optimizer: optimizer ?? null,
      inverters: numbers.summary.inverters,
      devices: numbers.summary.devices,
      optimized: numbers.summary.optimized,
      battery: battery ? { type: battery, count } : null,
      grid,
      cables: numbers.summary.cables,
      dcMm2: electrical.dcMm2,
      acMm2: electrical.acMm2,
    },
    volts: { coldVocV: (first?.coldV ?? 0) / modules, hotVmpV: (first?.hotV ?? 0) / modules },
    fresh,
  }
}
