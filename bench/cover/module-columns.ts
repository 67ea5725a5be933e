import { type ModuleType } from '@/core/electrical/catalogue'
import { efficiency, moduleFigures, pricePerW, type ModuleFigure } from '@/core/electrical/module-list'
import { formatLength, formatWeight } from '@/core/model/units'
import { later } from '@/words/en/later'
import { money, number, type Place } from '@/words/format'
import { type Column } from '../catalogue/sheet-table'

const words = later.catalogue

/** What the list of modules shows of each, as people at a site write it. */
export function moduleColumnsAt(site: Place): readonly Column<ModuleType, ModuleFigure>[] {
  const { units, locale } = site
  const length = (metres: number) => formatLength(metres, units, locale)
  const written: Readonly<Record<ModuleFigure, (module: ModuleType) => string>> = {
    name: ({ name }) => name,
    powerW: ({ powerW }) => `${number(powerW, site)} W`,
    areaM2: ({ lengthM, widthM }) => `${length(lengthM)} × ${length(widthM)}`,
    efficiency: (module) => `${number(efficiency(module) * 100, site, 1)} %`,
    powerPerK: ({ powerPerK }) => `${number(powerPerK * 100, site, 2)} %`,
    weightKg: ({ weightKg }) =>
      weightKg === undefined ? words.unsaid : formatWeight(weightKg, units, locale),
    price: ({ price }) => money(price, site),
    pricePerW: (module) => money(pricePerW(module), site, 2),
  }
  return moduleFigures.map((by) => ({
    by,
    label: words.columns[by],
    written: written[by],
  }))
}
