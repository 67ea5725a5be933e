import { type AcYear } from '../../energy/ac'
import { partLoadCurve } from '../../energy/inverter-curve'
import { stage, type Stage } from '../../graph/stage'
import { type Check, type Term } from '../../model/ledger'
import { cablesStage, isWiredIn, sizingIn } from '../cables'
import { powerStage } from '../power'
import { lossChainStage } from '../loss-chain'
import { stringsStage } from '../strings'
import { fieldsOf, inverterIn, lossesIn, type World } from '../world'
import { caughtKwhOf, caughtStage, yieldStage } from '../yield'
import { cableTerms } from './cables'
import { energyLine, lossLine, monthsTerm, term, type Account } from './account'

/** Standard deviations below the mean that one year in ten falls short of. */
const p90 = 1.2816
/** Clipping worth a word, as a share of the yield. */
const muchClipping = 0.03

/** From the inverter to the house. */
export const inverterAccount: Stage<World, Account> = stage({
  name: 'account of the inverter',
  version: 7,
  after: {
    chain: lossChainStage,
    ac: yieldStage,
    caught: caughtStage,
    power: powerStage,
    wiring: stringsStage,
    cables: cablesStage,
  },
  reads: (world: World) => ({
    inverter: fieldsOf(inverterIn(world), 'id', 'acPowerW', 'efficiency', 'nightW'),
    wired: isWiredIn(world),
    sizing: sizingIn(world),
    measured: inverterIn(world).king !== undefined,
    downtime: lossesIn(world).availability,
    stepMinutes: world.weather.value.stepMinutes,
    yearSpread: world.station.yearSpread,
  }),
  compute: (
    { inverter, wired, sizing, measured, downtime, stepMinutes, yearSpread },
    { chain, ac, caught, power, wiring, cables },
  ) => {
    const { count, powerW } = power
    const { inverters, devices } = wiring
    const many: Term[] = devices.length > 0 || inverters > 1 ? [{ code: 'inverters', value: inverters }] : []
    const kwh = chain.ac.kwh
    const caughtKwh = caughtKwhOf(caught)
    const spread: Term[] =
      yearSpread === null
        ? []
        : [
            term('year-spread', yearSpread, 'share', 1),
            term('nine-years-of-ten', kwh * (1 - p90 * yearSpread), 'kWh', 0),
          ]
    return {
      checks: count === 0 ? [] : clippingCheck(ac.kwh, ac.clippedKwh),
      lines: [
        lossLine('inverter', chain.lost.inverter.kwh, {
          formula: measured ? { code: 'inverter-king' } : { code: 'inverter-curve', data: partLoadCurve },
          inputs: [
            {
              code: 'inverter',
              data: { inverter: { ref: inverter.id } },
              value: { value: inverter.efficiency, unit: 'share', digits: 1 },
            },
            ...many,
          ],
          sources: measured
            ? [{ code: 'king-2007' }, { code: 'inverter-measured' }]
            : [{ code: 'dobos-2014-inverter' }, { code: 'inverter-sheet' }],
          assumptions: many.length > 0 ? [{ code: 'each-inverter-alone' }] : [],
        }),
        lossLine('own-draw', chain.lost['own-draw'].kwh, {
          formula: { code: 'own-draw' },
          inputs: [term('night-use', inverter.nightW * inverters, 'W', 1)],
          sources: [{ code: 'inverter-sheet' }],
          assumptions: [{ code: 'own-draw-bought' }],
        }),
        lossLine('clipping', chain.lost.clipping.kwh, {
          formula: { code: 'clipping' },
          inputs: [
            term('rated-ac', (inverter.acPowerW * inverters) / 1000, 'kW', 2),
            term('module-power', powerW / 1000, 'kW', 2),
            term('clipped-hours', (clippedIntervals(ac) * stepMinutes) / 60, 'h', 0),
            term('clipped-share', clippedShare(ac), 'share', 2),
            ...(caughtKwh > 0 ? [term('clipping-caught', caughtKwh, 'kWh', 0)] : []),
          ],
          sources: [{ code: 'inverter-sheet' }],
          assumptions: [{ code: 'means-of-interval', data: { minutes: stepMinutes } }],
        }),
        ...(wired
          ? [
              lossLine('ac-cables', chain.lost['ac-cables'].kwh, {
                formula: { code: 'ac-cables' },
                inputs: cableTerms(cables.ac, sizing),
                sources: [{ code: 'iec-60364-5-52' }],
                assumptions: [{ code: 'cables-by-way' }],
              }),
            ]
          : []),
        lossLine('availability', chain.lost.downtime.kwh, {
          formula: { code: 'availability' },
          inputs: [monthsTerm('downtime', [downtime])],
          sources: [{ code: 'entered' }, { code: 'defaults-dobos-2014' }],
          assumptions: [],
        }),
        energyLine('yield', kwh, 'total', {
          formula: { code: 'yield' },
          inputs: [
            { code: 'modules', value: count },
            term('specific-yield', powerW > 0 ? (kwh / powerW) * 1000 : 0, 'kWh', 0),
            term('performance-ratio', chain.sun.kwh > 0 ? kwh / chain.sun.kwh : 0, 'share', 1),
            ...spread,
          ],
          sources: [{ code: 'lines-above' }],
          assumptions: [
            { code: 'first-year' },
            ...(yearSpread === null ? [] : [{ code: 'years-normal' } as const]),
          ],
        }),
      ],
    }
  },
})

/** Intervals in which something is clipped. */
const clippedIntervals = ({ lostKwh }: AcYear): number =>
  lostKwh.clipping.reduce((count, kwh) => count + Number(kwh > 0), 0)

/** What is clipped of all that the inverters could have given. */
const clippedShare = ({ kwh, clippedKwh }: AcYear): number =>
  kwh + clippedKwh > 0 ? clippedKwh / (kwh + clippedKwh) : 0

function clippingCheck(kwh: number, clippedKwh: number): Check[] {
  const share = kwh > 0 ? clippedKwh / kwh : 0
  if (share <= muchClipping) return []
  return [
    {
      id: 'clipping',
      code: 'clipping',
      data: { clipped: { value: clippedKwh, unit: 'kWh', digits: 0 } },
      severity: 'warning',
      measured: { figure: share, limit: muchClipping, unit: 'share' },
      objects: [],
    },
  ]
}
