import { type ModuleType } from '@/core/electrical/catalogue'
import { efficiency, pricePerW } from '@/core/electrical/module-list'
import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { formatLength, formatWeight } from '@/core/model/units'
import { panelsOf } from '@/core/site/site'
import { later } from '@/words/en/later'
import { money, number, plainNumber } from '@/words/format'
import { type SheetLine } from '../catalogue/side-by-side'
import { useBench, useOption, useSayer, useSite } from '../context'

const words = later.catalogue
const stcC = 25

/** Data sheets side by side, and how many of each the arrays would hold. */
export function useModuleParts(): (
  modules: readonly ModuleType[],
) => readonly { readonly title: string; readonly lines: readonly SheetLine[] }[] {
  const rows = useRows()
  const here = useHere()
  return (modules) => [
    { title: words.here, lines: here(modules) },
    { title: words.sheet, lines: rows.map(([label, valueOf]) => [label, modules.map(valueOf)]) },
  ]
}

/** What a data sheet says, line by line. */
function useRows(): readonly (readonly [string, (module: ModuleType) => string])[] {
  const site = useSite()
  const sayer = useSayer()
  const { units, locale, lowestTemperatureC } = site
  const { rows } = words
  const length = (metres: number) => formatLength(metres, units, locale)
  const perK = (share: number) => `${number(share * 100, site, 3)} %/°C`
  const said = (value: number | undefined, write: (value: number) => string) =>
    value === undefined ? words.unsaid : write(value)
  return [
    [rows.maker, ({ maker }) => maker],
    [rows.power, ({ powerW }) => `${plainNumber(powerW, site)} W`],
    [
      rows.size,
      ({ lengthM, widthM, thicknessM }) =>
        `${length(lengthM)} × ${length(widthM)}${thicknessM === undefined ? '' : ` × ${length(thicknessM)}`}`,
    ],
    [rows.weight, ({ weightKg }) => said(weightKg, (kg) => formatWeight(kg, units, locale))],
    [rows.look, ({ colour }) => (colour === undefined ? words.unsaid : words.colours[colour])],
    [
      rows.cells,
      ({ cells, halves }) => said(cells, (n) => sayer.say(halves === 2 ? words.halfCut : words.whole, { n })),
    ],
    [rows.cellKind, ({ cell }) => cell],
    [rows.strips, ({ strips }) => number(strips, site)],
    [rows.efficiency, (module) => `${number(efficiency(module) * 100, site, 1)} %`],
    [rows.tolerance, ({ sortedUp }) => (sortedUp ? words.plusOnly : words.bothWays)],
    [rows.voc, ({ vocV }) => `${number(vocV, site, 2)} V`],
    [
      sayer.say(rows.cold, { coldest: { value: lowestTemperatureC, unit: '°C', digits: 0 } }),
      ({ vocV, vocPerK }) => `${number(vocV * (1 + vocPerK * (lowestTemperatureC - stcC)), site, 2)} V`,
    ],
    [rows.vmp, ({ vmpV }) => `${number(vmpV, site, 2)} V`],
    [rows.isc, ({ iscA }) => `${number(iscA, site, 2)} A`],
    [rows.imp, ({ impA }) => `${number(impA, site, 2)} A`],
    [rows.gamma, ({ powerPerK }) => perK(powerPerK)],
    [rows.beta, ({ vocPerK }) => perK(vocPerK)],
    [rows.alpha, ({ iscPerK }) => perK(iscPerK)],
    [rows.degradation, ({ degradation }) => `${number(degradation * 100, site, 2)} ${words.perYear}`],
    [rows.price, ({ price }) => money(price, site)],
    [rows.pricePerW, (module) => money(pricePerW(module), site, 2)],
  ]
}

/** What the arrays of the option would be with each module. */
function useHere(): (modules: readonly ModuleType[]) => readonly SheetLine[] {
  const { siteWith } = useBench()
  const option = useOption()
  const site = useSite()
  const cover = theOne(option, 'cover', coverId)
  const { rows } = words
  return (modules) => {
    const laid = modules.map((module) => ({
      module,
      count: panelsOf(siteWith({ ...option, [coverId]: { ...cover, moduleId: module.id } })).length,
    }))
    return [
      [rows.count, laid.map(({ count }) => number(count, site))],
      [rows.kw, laid.map(({ module, count }) => `${number((count * module.powerW) / 1000, site, 2)} kW`)],
      [rows.cost, laid.map(({ module, count }) => money(count * module.price, site))],
    ]
  }
}
