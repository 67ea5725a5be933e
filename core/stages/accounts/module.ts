import { bypassV } from '../../energy/series-curve'
import { heatOverRoof, openHeat } from '../../energy/cell-temperature'
import { heightOf } from '../../energy/array-heat'
import { windShare } from '../../energy/wind'
import { slideAnHour, slideWm2PerK } from '../../energy/snow-cover'
import { stage, type Stage } from '../../graph/stage'
import { countedTwice } from '../../kinds/losses/counted-twice'
import { settledLosses, type FirstYearSheet } from '../../kinds/losses/first-year'
import { type Losses } from '../../kinds/losses/losses'
import { type Data, type Said } from '../../model/said'
import { type Site } from '../../site/site'
import { type Assumption, type Check, type Explanation, type LedgerLine, type Term } from '../../model/ledger'
import { type CableRun } from '../../cables/cable-plan'
import { type Sizing } from '../../cables/circuit'
import { cablesStage, isWiredIn, sizingIn } from '../cables'
import { lossChainStage } from '../loss-chain'
import { moduleModelStage } from '../module-model'
import { siteStage } from '../site'
import { stringsStage } from '../strings'
import { fieldsOf, inverterIn, lossesIn, moduleIn, optimizerIn, stepDownIn, type World } from '../world'
import { cableTerms } from './cables'
import { lossLine, monthsTerm, term, type Account } from './account'

/** From the light in the modules to power at the inverter. Each loss stands once. */
export const moduleAccount: Stage<World, Account> = stage({
  name: 'account of modules',
  version: 6,
  after: {
    chain: lossChainStage,
    site: siteStage,
    wiring: stringsStage,
    model: moduleModelStage,
    cables: cablesStage,
  },
  reads: (world: World) => ({
    module: fieldsOf(moduleIn(world), 'strips', 'powerPerK', 'cell', 'sortedUp'),
    inverter: fieldsOf(inverterIn(world), 'id', 'mppLowV', 'mppHighV', 'startV'),
    optimizer: optimizerRead(world),
    isSteppedDown: stepDownIn(world) !== null,
    isMicro: inverterIn(world).micro !== undefined,
    losses: lossesIn(world),
    wired: isWiredIn(world),
    sizing: sizingIn(world),
    snowHours: snowHoursIn(world),
  }),
  compute: (
    { module, inverter, optimizer: anyOptimizer, isSteppedDown, isMicro, losses, wired, sizing, snowHours },
    { chain, site, wiring, model, cables },
  ) => {
    const lost = chain.lost
    // One that holds each module at its best point whatever the others do.
    const optimizer = isSteppedDown ? null : anyOptimizer
    const lines: LedgerLine[] = []
    if (lost.unwired.kwh > 0)
      lines.push(
        lossLine('unwired', lost.unwired.kwh, {
          formula: { code: 'unwired' },
          inputs: [
            {
              code: 'strings-without-input',
              value: wiring.strings.filter(({ input }) => input < 0).length,
            },
          ],
          sources: [{ code: 'wiring-entered' }],
          assumptions: [{ code: 'unwired-cost' }],
        }),
      )
    lines.push(
      lossLine('mismatch', lost.mismatch.kwh, {
        formula: { code: optimizer || isMicro ? 'mismatch-own' : 'mismatch' },
        inputs: [
          { code: 'strips', value: module.strips },
          { code: 'strings', value: wiring.strings.length },
        ],
        sources: [{ code: 'string-curve', data: { bypass: { value: bypassV, unit: 'V', digits: 1 } } }],
        assumptions: [
          { code: 'darkest-cell' },
          { code: 'greatest-maximum' },
          ...(optimizer || isMicro ? [{ code: 'own-best-point' } as const] : []),
          ...(wiring.optimized.length > 0 && isSteppedDown
            ? [{ code: 'steps-down', data: { modules: wiring.optimized.length } } as const]
            : []),
          { code: 'no-default-mismatch' },
        ],
      }),
    )
    if (snowHours !== null || losses.snow.some((share) => share > 0))
      lines.push(lossLine('snow', lost.snow.kwh, snowExplained(snowHours, losses)))
    lines.push(
      lossLine('dirt', lost.dirt.kwh, entered('dirt', [monthsTerm('soiling', losses.soiling)])),
      lossLine('low-light', lost['low-light'].kwh, {
        formula: { code: 'low-light' },
        inputs: [
          term('light-current', model.diode.lightA, 'A', 3),
          { code: 'saturation-current', value: model.diode.saturationA.toExponential(2) },
          term('series-resistance', model.diode.seriesOhm, 'Ω', 4),
          term('shunt-resistance', model.diode.shuntOhm, 'Ω', 0),
          term('thermal-voltage', model.diode.thermalV, 'V', 3),
        ],
        sources: [{ code: 'de-soto-2006' }, { code: 'dobos-2012' }],
        assumptions: [{ code: 'spectrum' }],
      }),
      lossLine('heat', lost.heat.kwh, {
        formula: { code: 'heat' },
        inputs: [term('power-coefficient', module.powerPerK, 'share/K', 2), ...heatTerms(site.arrays)],
        sources: [
          { code: 'faiman-2008' },
          { code: 'king-2004' },
          { code: 'fuentes-1987' },
          { code: 'sherman-grimsrud-1980' },
          { code: 'single-diode' },
        ],
        assumptions: [{ code: 'cell-as-back' }, { code: 'suburb' }],
      }),
    )
    if (lost.window.kwh > 0)
      lines.push(
        lossLine('window', lost.window.kwh, {
          formula: { code: 'window' },
          inputs: [
            {
              code: 'window',
              data: { inverter: { ref: (optimizer ?? inverter).id } },
              value: range(optimizer ?? inverter),
            },
            ...(optimizer ? [] : [term('start', inverter.startV, 'V', 0)]),
            term('hottest-cell', wiring.hottestC, '°C', 0),
          ],
          sources: [
            { code: 'string-curve', data: { bypass: { value: bypassV, unit: 'V', digits: 1 } } },
            { code: optimizer ? 'optimizer-sheet' : 'inverter-sheet' },
          ],
          assumptions: [],
        }),
      )
    if (anyOptimizer && wiring.optimized.length > 0)
      lines.push(optimizerLine(anyOptimizer, lost.optimizers.kwh))
    lines.push(wiringLine(losses, module, lost, wired ? cables.dc : null, sizing))
    return { lines, checks: losses.other.flatMap((_, k) => twiceCheck(losses, k)) }
  },
})

const optimizerRead = (world: World) => {
  const optimizer = optimizerIn(world)
  return optimizer && fieldsOf(optimizer, 'id', 'mppLowV', 'mppHighV', 'efficiency', 'outputCurrentA')
}

/** What the optimizers take, and what their limits keep back. */
const optimizerLine = (
  optimizer: NonNullable<ReturnType<typeof optimizerRead>>,
  lostKwh: number,
): LedgerLine =>
  lossLine('optimizers', lostKwh, {
    formula: { code: 'optimizers' },
    inputs: [
      {
        code: 'optimizer',
        data: { optimizer: { ref: optimizer.id } },
        value: { value: optimizer.efficiency, unit: 'share', digits: 1 },
      },
      term('optimizer-output', optimizer.outputCurrentA, 'A', 1),
    ],
    sources: [{ code: 'optimizer-sheet' }],
    assumptions: [],
  })

const range = ({ mppLowV, mppHighV }: { readonly mppLowV: number; readonly mppHighV: number }): Said => ({
  code: 'range',
  data: { low: { value: mppLowV, unit: 'V' }, high: { value: mppHighV, unit: 'V' } },
})

/** What cools the modules, once for all arrays that stand alike. */
function heatTerms(arrays: Site['arrays']): Term[] {
  const told = new Map<string, Term[]>()
  for (const array of arrays) {
    if (array.panels.length === 0) continue
    const gap = array.airGapM
    const { u0, u1 } = gap === null ? openHeat : heatOverRoof(gap)
    const height = heightOf(array)
    const data = {
      mount:
        gap === null
          ? { code: 'mount-open' }
          : { code: 'mount-gap', data: { gap: { value: gap, unit: 'm', digits: 2 } } },
    } satisfies Data
    told.set(`${gap} ${height}`, [
      { code: 'heat-by-light', data, value: { value: u0, unit: 'W/m²K', digits: 1 } },
      { code: 'heat-by-wind', data, value: { value: u1, unit: 'Ws/m³K', digits: 2 } },
      {
        code: 'wind-share',
        data: { height: { value: height, unit: 'm', digits: 1 } },
        value: { value: windShare(height, 'suburb'), unit: 'share', digits: 0 },
      },
    ])
  }
  return [...told.values()].flat()
}

/** Hours with snow on the ground; null where the weather knows nothing of snow. */
function snowHoursIn({ weather: { value } }: World): number | null {
  const { snowDepthM, stepMinutes } = value
  return snowDepthM && (snowDepthM.filter((depth) => depth > 0).length * stepMinutes) / 60
}

const entered = (code: 'dirt' | 'snow-entered', inputs: readonly Term[]): Explanation => ({
  formula: { code },
  inputs,
  sources: [{ code: 'entered' }, { code: 'defaults-dobos-2014' }],
  assumptions: [],
})

const snowExplained = (snowHours: number | null, losses: Losses): Explanation =>
  snowHours === null
    ? entered('snow-entered', [monthsTerm('snow-entered', losses.snow)])
    : {
        formula: {
          code: 'snow-computed',
          data: { slide: slideAnHour, slope: Math.abs(slideWm2PerK) },
        },
        inputs: [term('snow-hours', snowHours, 'h', 0)],
        sources: [{ code: 'marion-2013' }, { code: 'station-snow' }],
        assumptions: [{ code: 'entered-snow-unused' }],
      }

const wiringLosses = ['light-induced', 'nameplate', 'wiring', 'connections', 'other'] as const

function wiringLine(
  entered: Losses,
  module: FirstYearSheet,
  lost: Readonly<Record<(typeof wiringLosses)[number], { readonly kwh: number }>>,
  /** Once all cables are known; then no share is entered. */
  cables: readonly CableRun[] | null,
  sizing: Sizing,
): LedgerLine {
  const share = (value: number) => ({ value, unit: 'share', digits: 2 }) as const
  const losses = settledLosses(entered, module)
  const left: Assumption[] = [
    ...(entered.lightInduced === null ? [{ code: `light-induced-${module.cell}` as const }] : []),
    ...(entered.nameplate === null
      ? [{ code: module.sortedUp ? ('sorted-up' as const) : ('sorted-both-ways' as const) }]
      : []),
  ]
  const inputs: Term[] = [
    { code: 'light-induced', value: share(losses.lightInduced) },
    { code: 'nameplate', value: share(losses.nameplate) },
    ...(cables ? [] : [{ code: 'wiring', value: share(losses.wiring) } as const]),
    { code: 'connections', value: share(losses.connections) },
    ...losses.other.map((loss): Term => ({
      code: 'other-loss',
      data: { name: loss.name },
      value: share(loss.share),
    })),
  ]
  const factors = inputs.map((_, k) => `(1 − ${String.fromCharCode(97 + k)})`).join('')
  return lossLine(
    'wiring',
    wiringLosses.reduce((sum, name) => sum + lost[name].kwh, 0),
    {
      formula: { code: cables?.length ? 'wiring-cables' : 'wiring', data: { factors } },
      inputs: [...inputs, ...cableTerms(cables ?? [], sizing)],
      sources: [
        { code: 'entered' },
        { code: 'defaults-dobos-2014' },
        ...(cables?.length ? [{ code: 'iec-60364-5-52' } as const] : []),
      ],
      assumptions: [
        { code: 'first-year-losses' },
        ...(cables?.length ? [{ code: 'cables-by-way' } as const] : []),
        ...left,
      ],
    },
  )
}

/** A loss of the designer's own that is computed already. */
function twiceCheck(losses: Losses, k: number): Check[] {
  const loss = losses.other[k]
  const model = loss && countedTwice(loss.name)
  if (!loss || !model || loss.share === 0) return []
  return [
    {
      id: `counted-twice-${k}`,
      code: 'counted-twice',
      data: { name: loss.name, model: { code: `model-${model}` } },
      severity: 'warning',
      measured: { figure: loss.share, limit: 0, unit: 'share' },
      objects: [losses.id],
      remedy: {
        code: 'drop-entered-loss',
        set: { id: losses.id, field: 'other', value: losses.other.filter((_, i) => i !== k) },
      },
    },
  ]
}
