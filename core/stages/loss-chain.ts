import { lossChain, type LossChain } from '../energy/loss-chain'
import { stage, type Stage } from '../graph/stage'
import { clockStage } from './clock'
import { dcStage } from './dc'
import { sunStage } from './sun'
import { type World } from './world'
import { yieldStage } from './yield'

/** The year's energy from the light on the modules to the house, month by month. */
export const lossChainStage: Stage<World, LossChain> = stage({
  name: 'loss chain',
  version: 1,
  after: { dc: dcStage, ac: yieldStage, clock: clockStage, sun: sunStage },
  reads: () => ({}),
  compute: (_reads, { dc, ac, clock, sun }) => lossChain(dc, ac, sun, clock.month),
})
