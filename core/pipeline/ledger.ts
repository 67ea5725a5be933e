import { type LedgerLine } from './explanation'
import { energyLines } from './energy-lines'
import { destinationLines, moneyLines } from './money-lines'
import { type PipelineResult } from './pipeline'

/** The chain of numbers from sunlight to payback, each with its explanation. */
export const ledgerOf = (result: PipelineResult): LedgerLine[] => [
  ...energyLines(result),
  ...destinationLines(result),
  ...moneyLines(result),
]
