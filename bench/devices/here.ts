import { type InverterType, type OptimizerType } from '@/core/electrical/catalogue'
import { devicesFor } from '@/core/electrical/electronics'
import { lengthsWithin } from '@/core/electrical/stringing'
import { optimizerRules } from '@/core/electrical/unit-rules'
import { coverId } from '@/core/kinds/cover/cover'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { theOne } from '@/core/kinds/documents'
import { later } from '@/words/en/later'
import { type SheetLine } from '../catalogue/side-by-side'
import { useCatalogue, useNumbers, useOption, useSayer } from '../context'

const words = later.devices

interface Here {
  readonly inverters: (sheets: readonly InverterType[]) => readonly SheetLine[]
  readonly optimizers: (sheets: readonly OptimizerType[]) => readonly SheetLine[]
}
const nothing: Here = { inverters: () => [], optimizers: () => [] }

/** What devices would be with the modules of the option; nothing as long as its figures are not known. */
export function useHere(): Here {
  const { numbers, fresh } = useNumbers()
  const { modules } = useCatalogue()
  const option = useOption()
  const { moduleId } = theOne(option, 'cover', coverId)
  const { inverterCount } = theOne(option, 'electrical', electricalId)
  const sayer = useSayer()
  const module = modules.find(({ id }) => id === moduleId)
  if (!numbers || !fresh || !module || numbers.summary.count === 0) return nothing
  const { window, powerW, count } = numbers.summary
  const ratio = (value: number) => sayer.written({ value, unit: 'ratio', digits: 2 })
  return {
    inverters: (sheets) => [
      [
        words.ratio,
        sheets.map(({ micro, mppInputs, acPowerW }) =>
          ratio((micro ? module.powerW * mppInputs : powerW / inverterCount) / acPowerW),
        ),
      ],
      ...(sheets.some(({ micro }) => micro) || inverterCount > 1
        ? [[words.needed, sheets.map((sheet) => String(devicesFor(sheet, count, inverterCount)))] as const]
        : []),
      ...(sheets.every(({ micro }) => micro)
        ? []
        : [
            [
              words.lengths,
              sheets.map((sheet) => {
                if (sheet.micro) return '–'
                const { fewest, most } = lengthsWithin(window, sheet)
                return fewest > most ? words.noLength : sayer.say(words.range, { low: fewest, high: most })
              }),
            ] as const,
          ]),
    ],
    optimizers: (sheets) => [
      [
        words.suits,
        sheets.map((sheet) =>
          optimizerRules(module, window, sheet).every(({ ok }) => ok)
            ? later.catalogue.yes
            : later.catalogue.no,
        ),
      ],
    ],
  }
}
