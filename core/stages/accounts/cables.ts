import { type CablePlan, type CableRun } from '../../cables/cable-plan'
import {
  acCurrentA,
  circuitMm2,
  gaugeOf,
  phaseVoltageV,
  sizesOf,
  stringMm2,
  type Grid,
  type Sizing,
} from '../../cables/circuit'
import { optimizedCurrentA } from '../../electrical/electronics'
import { devicesOnBranches } from '../../electrical/unit-rules'
import { placeFields } from '../../cables/place-fields'
import { stage, type Stage } from '../../graph/stage'
import { electricalId } from '../../kinds/electrical/electrical'
import { type Check, type Remedy, type Term } from '../../model/ledger'
import { type Datum } from '../../model/said'
import { cablesStage, placesIn, sizingIn } from '../cables'
import { stringsStage, type Wiring } from '../strings'
import { electricalIn, fieldsOf, inverterIn, moduleIn, stringOptimizerIn, siteIn, type World } from '../world'
import { term, type Account } from './account'

/**
 * Greatest share of its volts that a string may lose in its cables, and that an inverter may be above the load centre, at
 * full power: common practice, the latter also AS/NZS 4777.1:2016, 3.3.3.
 */
export const highestDropShare = { dc: 0.03, ac: 0.02 } as const
/** Further off than this nothing hangs on a wall, m. */
const hangsM = 0.3

/** Whether cables are thick enough for their way, and what hangs on a wall hangs on one. */
export const cableAccount: Stage<World, Account> = stage({
  name: 'account of cables',
  version: 2,
  after: { cables: cablesStage, wiring: stringsStage },
  reads: (world: World) => ({
    isMicro: inverterIn(world).micro !== undefined,
    chosen: fieldsOf(electricalIn(world), 'dcMm2', 'acMm2'),
    stringA: stringAIn(world),
    acPowerW: inverterIn(world).acPowerW,
    grid: fieldsOf(siteIn(world), 'gridPhases', 'gridVoltageV'),
    places: placesIn(world),
    sizing: sizingIn(world),
  }),
  compute: ({ isMicro, places, sizing, chosen, stringA, acPowerW, grid }, { cables, wiring }) => ({
    lines: [],
    checks: [
      ...cables.devices.flatMap(({ name, at, offWallM }): Check[] => {
        const heightM = places[name]?.heightM
        if (offWallM <= hangsM || heightM === undefined) return []
        const [id, field] = placeFields[name]
        const onWall = [Number(at[0].toFixed(3)), Number(at[1].toFixed(3))]
        return [
          {
            id: `off-wall-${name}`,
            code: 'off-wall',
            data: { device: name, away: { value: offWallM, unit: 'm' } },
            severity: 'warning',
            measured: { figure: offWallM, limit: hangsM, unit: 'm' },
            objects: [],
            remedy: { code: 'onto-wall', set: { id, field, value: { at: onWall, heightM } } },
          },
        ]
      }),
      ...(wiring.strings.length === 0
        ? []
        : [
            ...(isMicro ? [] : thinChecks('dc', chosen.dcMm2, stringA, stringMm2(stringA, sizing), sizing)),
            ...acThinChecks(wiring, { isMicro, acPowerW, grid }, chosen.acMm2, sizing),
          ]),
      ...dropChecks('dc', cables.dc, sizing),
      ...dropChecks(isMicro ? 'branch' : 'ac', cables.ac, sizing),
    ],
  }),
})

/** The greatest current of a string in bright sun, or of its optimizers. */
const stringAIn = (world: World): number => {
  const optimizer = stringOptimizerIn(world)
  return optimizer ? optimizedCurrentA(optimizer, inverterIn(world)) : moduleIn(world).iscA
}

function acThinChecks(
  { strings, devices }: Wiring,
  { isMicro, acPowerW, grid }: { readonly isMicro: boolean; readonly acPowerW: number; readonly grid: Grid },
  chosenMm2: number | null,
  sizing: Sizing,
): Check[] {
  const amperes = isMicro
    ? (Math.max(0, ...devicesOnBranches(strings, devices)) * acPowerW) / phaseVoltageV(grid)
    : acCurrentA(acPowerW, grid)
  return thinChecks(isMicro ? 'branch' : 'ac', chosenMm2, amperes, circuitMm2(amperes, sizing), sizing)
}

/** A cross-section that was chosen thinner than its current allows. */
function thinChecks(
  what: 'dc' | 'ac' | 'branch',
  chosenMm2: number | null,
  amperes: number,
  leastMm2: number,
  sizing: Sizing,
): Check[] {
  if (chosenMm2 === null || chosenMm2 >= leastMm2 - 0.01) return []
  const side = what === 'dc' ? 'dc' : 'ac'
  return [
    {
      id: `cable-thin-${side}`,
      code: 'cable-thin',
      data: {
        what,
        size: sizeSaid(chosenMm2, sizing),
        least: sizeSaid(leastMm2, sizing),
        current: { value: amperes, unit: 'A', digits: 1 },
      },
      severity: 'broken',
      measured: { figure: chosenMm2, limit: leastMm2, unit: 'mm²' },
      objects: [],
      remedy: {
        code: 'thicker-cable',
        set: { id: electricalId, field: side === 'dc' ? 'dcMm2' : 'acMm2', value: leastMm2 },
      },
    },
  ]
}

/** Of the cables of one kind the one that loses most. */
function dropChecks(what: 'dc' | 'ac' | 'branch', runs: readonly CableRun[], sizing: Sizing): Check[] {
  const side = what === 'dc' ? 'dc' : 'ac'
  const limit = highestDropShare[side]
  const worst = runs.reduce<CableRun | null>(
    (most, run) => (most && most.dropShare >= run.dropShare ? most : run),
    null,
  )
  if (!worst || worst.dropShare <= limit) return []
  const remedy = thicker(side, worst, limit, sizing)
  return [
    {
      id: `cable-drop-${side}`,
      code: 'cable-drop',
      data: {
        what,
        run: worst.id,
        drop: { value: worst.dropShare, unit: 'share', digits: 1 },
        limit: { value: limit, unit: 'share', digits: 0 },
        length: { value: worst.cableM, unit: 'm', digits: 0 },
        size: sizeSaid(worst.mm2, sizing),
      },
      severity: 'warning',
      measured: { figure: worst.dropShare, limit, unit: 'share' },
      objects: [],
      ...(remedy ? { remedy } : {}),
    },
  ]
}

/** The least cross-section that keeps the limit; where none does the greatest, unless it is that already. */
function thicker(
  side: 'dc' | 'ac',
  { mm2, dropShare }: CableRun,
  limit: number,
  sizing: Sizing,
): Remedy | null {
  const sizes: readonly number[] = sizesOf[sizing][side]
  const needed = (mm2 * dropShare) / limit
  const value = sizes.find((size) => size >= needed) ?? sizes.at(-1) ?? mm2
  if (value <= mm2) return null
  return {
    code: 'thicker-cable',
    set: { id: electricalId, field: side === 'dc' ? 'dcMm2' : 'acMm2', value },
  }
}

/** A cross-section as it is told there. */
const sizeSaid = (mm2: number, sizing: Sizing): Datum =>
  sizing === 'gauge' ? { code: 'gauge', data: { gauge: gaugeOf(mm2) } } : { value: mm2, unit: 'mm²' }

/** What the losses of cables are explained by. */
export function cableTerms(runs: CablePlan['ac'], sizing: Sizing): Term[] {
  if (runs.length === 0) return []
  const sizes = [...new Set(runs.map(({ mm2 }) => mm2))]
  return [
    term(
      'cable-length',
      runs.reduce((sum, { cableM }) => sum + cableM, 0),
      'm',
      0,
    ),
    ...sizes.map((size): Term => ({ code: 'cable-size', value: sizeSaid(size, sizing) })),
    term('cable-drop', Math.max(...runs.map(({ dropShare }) => dropShare)), 'share', 1),
  ]
}
