import { type Command } from 'commander'
import { z } from 'zod'
import { isTimeZone, localClock, standardOffsetHours } from '@/core/model/local-clock'
import { daysIn, isStep, yearStartMs } from '@/core/model/model-year'
import { ruleMessage } from '@/core/model/rules'
import { type BillLine } from '@/core/tariff/bill-lines'
import { tariffFormSchema } from '@/core/kinds/tariff/form'
import { formBill } from '@/core/tariff/form-bill'
import { billLines } from '@/words/en/bill-lines'
import { addCaseCommand, type Question } from '../case-command'
import { badCase } from '../english'

const kwh = z.array(z.number().min(0).max(1e6)).max(366 * 1440)

const schema = z.object({
  timeZone: z.string().refine(isTimeZone, ruleMessage('time-zone')),
  year: z.number().int().min(1970).max(2199),
  tariff: tariffFormSchema,
  /** Through the meter in each interval from New Year on, in standard time. */
  buyKwh: kwh,
  sellKwh: kwh.optional(),
})
type Given = z.infer<typeof schema>

/** A line as it is read: the name of a period, a tax and so on where it has one. */
const named = ({ code, name }: BillLine): string =>
  code === 'tier' ? `${billLines.tier} ${name}` : name === '' ? billLines[code] : name

function answer({ timeZone, year, tariff, buyKwh, sellKwh }: Given): object {
  const minutes = daysIn(year) * 1440
  const stepMinutes = minutes / buyKwh.length
  if (!isStep(stepMinutes))
    throw badCase('buyKwh', 'whole-year', { hours: minutes / 60, given: buyKwh.length })
  if (sellKwh && sellKwh.length !== buyKwh.length)
    throw badCase('sellKwh', 'as-many-bought', { expected: buyKwh.length, given: sellKwh.length })
  const prices = tariff.exports.kind === 'net-billing' ? tariff.exports.intervals : undefined
  if (prices && prices.length !== buyKwh.length)
    throw badCase('tariff.exports.intervals', 'as-many-bought', {
      expected: buyKwh.length,
      given: prices.length,
    })
  const start = yearStartMs(standardOffsetHours(timeZone, year), year)
  const { months, annual } = formBill(tariff, {
    clock: localClock(timeZone, start, stepMinutes, buyKwh.length),
    year,
    stepMinutes,
    boughtKwh: Float64Array.from(buyKwh),
    soldKwh: Float64Array.from(sellKwh ?? new Float64Array(buyKwh.length)),
  })
  return {
    annual,
    months: months.map(({ lines, total }) => ({
      lines: lines.map((line) => ({ name: named(line), code: line.code, amount: line.amount })),
      total,
    })),
  }
}

export const billQuestion: Question<Given> = { schema, answer }

export function addBill(gable: Command): void {
  addCaseCommand(gable.command('bill').description('Twelve bills under a tariff, line by line'), billQuestion)
}
