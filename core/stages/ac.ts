import { acYear, devicesAcYear, type AcYear } from '../energy/ac'
import { stage, type Stage } from '../graph/stage'
import { acCurrentA, phaseVoltageV, type Grid } from '../cables/circuit'
import { cableOhmsStage, isWiredIn, ohmsOf } from './cables'
import { dcStage, feedsStage } from './dc'
import { stringYearStage } from './string-years'
import { sunStage } from './sun'
import { fieldsOf, inverterIn, lossesIn, siteIn, type World } from './world'

const wattsPerAmpere = (grid: Grid) => ({ line: 1 / acCurrentA(1, grid), phase: phaseVoltageV(grid) })

/** What the inverters make of the direct current. */
export const acStage: Stage<World, AcYear> = stage({
  name: 'ac',
  version: 8,
  // Every module hangs in a string.
  after: { dc: dcStage, feeds: feedsStage, strings: stringYearStage, sun: sunStage, cables: cableOhmsStage },
  reads: (world: World) => ({
    inverter: fieldsOf(inverterIn(world), 'acPowerW', 'efficiency', 'nightW', 'king'),
    downtime: lossesIn(world).availability,
    // Watts of one ampere: at full power in each conductor, and on a branch.
    wattsPerA: isWiredIn(world) ? wattsPerAmpere(siteIn(world)) : null,
  }),
  compute: ({ inverter: { king, ...curve }, downtime, wattsPerA }, { dc, feeds, strings, sun, cables }) => {
    const branches = strings.flatMap(({ value }) => value.ac ?? [])
    const { line = 1, phase = 1 } = wattsPerA ?? {}
    const ohms = ohmsOf(cables)
    if (branches.length > 0)
      return devicesAcYear(
        branches,
        sun,
        curve.nightW,
        downtime,
        ohms.branches.map((ohm) => ({ ohm, wattsPerA: phase })),
      )
    const cable = { ohm: ohms.ac, wattsPerA: line }
    const inverter = { ...curve, ...(king ? { king } : {}) }
    return acYear(feeds.length > 0 ? feeds : [dc], sun, inverter, downtime, strings.length > 0, cable)
  },
})
