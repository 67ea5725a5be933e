import { acYear, devicesAcYear, type AcYear } from '../energy/ac'
import { stage, type Stage } from '../graph/stage'
import { dcStage } from './dc'
import { stringYearStage } from './string-years'
import { sunStage } from './sun'
import { fieldsOf, inverterIn, lossesIn, type World } from './world'

/** What the inverter makes of the direct current. */
export const acStage: Stage<World, AcYear> = stage({
  name: 'ac',
  version: 5,
  // Every module hangs in a string.
  after: { dc: dcStage, strings: stringYearStage, sun: sunStage },
  reads: (world: World) => ({
    inverter: fieldsOf(inverterIn(world), 'acPowerW', 'efficiency', 'nightW', 'king'),
    downtime: lossesIn(world).availability,
  }),
  compute: ({ inverter: { king, ...curve }, downtime }, { dc, strings, sun }) => {
    const branches = strings.flatMap(({ value }) => value.ac ?? [])
    if (branches.length > 0) return devicesAcYear(branches, sun, curve.nightW, downtime)
    return acYear(dc, sun, { ...curve, ...(king ? { king } : {}) }, downtime, strings.length > 0)
  },
})
