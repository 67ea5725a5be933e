import { type Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { type Site } from '../kinds/site/site'
import { powerStage } from './power'
import { fieldsOf, siteIn, type World } from './world'

type Limits = Pick<Site, 'exportLimitKw' | 'exportLimitShare'>

/** What may be fed in at most, kW: a power, a share of the modules', or the lower of both; null without a limit. */
export function feedInLimitKw({ exportLimitKw, exportLimitShare }: Limits, powerW: number): number | null {
  if (exportLimitShare === null) return exportLimitKw
  return Math.min(exportLimitKw ?? Infinity, (exportLimitShare * powerW) / 1000)
}

/** What an option may feed in, kW; null without a limit. */
export type FeedIn = {
  readonly limitKw: number | null
}

/**
 * What may be fed in. The one item of a list: it is known by what it says, so that modules that change nothing of it run
 * no year anew.
 */
export const feedInStage: Stage<World, readonly Keyed<FeedIn>[]> = itemStage({
  name: 'feed-in limit',
  version: 1,
  after: { power: powerStage },
  reads: (world: World) => ({ limits: fieldsOf(siteIn(world), 'exportLimitKw', 'exportLimitShare') }),
  each: ({ limits }, { power }): FeedIn[] => [{ limitKw: feedInLimitKw(limits, power.value.powerW) }],
  compute: (item: FeedIn): FeedIn => item,
  bytes: () => 40,
})

/** The limit that the stage found. */
export const limitOf = (feedIn: readonly Keyed<FeedIn>[]): number | null => feedIn[0]?.value.limitKw ?? null
