import { type Command } from 'commander'
import { z } from 'zod'
import { planResult } from '@/core/finance/plan'
import { between, ruleMessage, wholeBetween } from '@/core/model/rules'
import { addCaseCommand, type Question } from '../case-command'

const mostYears = 100
const money = between(-1e12, 1e12, 'money')
/** A share a year. */
const rate = z.number().gt(-1).max(10)
const year = wholeBetween(0, mostYears)

const plan = z.object({
  years: wholeBetween(1, mostYears),
  capital: money,
  incentives: money.default(0),
  savings: z.union([
    z.array(money).max(mostYears),
    z.object({ firstYear: money, escalation: rate.default(0), degradation: between(0, 1).default(0) }),
  ]),
  upkeep: money.default(0),
  upkeepEscalation: rate.default(0),
  discountRate: rate,
  loan: z
    .object({ principal: between(0, 1e12, 'money'), rate: between(0, 10), years: wholeBetween(1, mostYears) })
    .nullable()
    .default(null),
  replacements: z
    .array(z.object({ year, cost: money }))
    .max(mostYears)
    .default([]),
})

/** A list of savings has every year. */
const schema = plan.refine(({ years, savings }) => !Array.isArray(savings) || savings.length >= years, {
  path: ['savings'],
  message: ruleMessage('each-year'),
})

const question: Question<z.infer<typeof schema>> = { schema, answer: planResult }

export function addFinance(gable: Command): void {
  addCaseCommand(
    gable.command('finance').description('Payback, NPV and IRR of what a system costs and brings'),
    question,
  )
}
