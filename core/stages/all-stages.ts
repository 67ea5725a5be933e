import { type Stage } from '../graph/stage'
import { accounts } from './accounts/index'
import { moduleWorthStage } from './module-worth'
import { carpetStage, useByMonthStage } from './carpet'
import { stringShareStage, stringSumStage } from './dc'
import { type World } from './world'

/** What readers ask for, beside what the accounts come after. */
const asked: readonly Stage<World, unknown>[] = [
  ...accounts,
  carpetStage,
  useByMonthStage,
  stringShareStage,
  stringSumStage,
  moduleWorthStage,
]

function withAfter(stage: Stage<World, unknown>, found: Set<Stage<World, unknown>>): void {
  for (const before of Object.values(stage.after)) withAfter(before, found)
  found.add(stage)
}

/** Every stage of the chain, each behind those it comes after. */
export const allStages: readonly Stage<World, unknown>[] = (() => {
  const found = new Set<Stage<World, unknown>>()
  for (const stage of asked) withAfter(stage, found)
  return [...found]
})()
