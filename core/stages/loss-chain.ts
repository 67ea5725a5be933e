import { lossChain, type LossChain } from '../energy/loss-chain'
import { stage, type Stage } from '../graph/stage'
import { acStage } from './ac'
import { clockStage } from './clock'
import { dcStage } from './dc'
import { sunStage } from './sun'
import { type World } from './world'

/** The year's energy from the light on the modules to the house, month by month. */
export const lossChainStage: Stage<World, LossChain> = stage({
  name: 'loss chain',
  version: 1,
  after: { dc: dcStage, ac: acStage, clock: clockStage, sun: sunStage },
  reads: () => ({}),
  compute: (_reads, { dc, ac, clock, sun }) => lossChain(dc, ac, sun, clock.month),
})
