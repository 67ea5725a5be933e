import { drawnWay, signature, stringWays, type ArrangedBy } from '../electrical/arrangements'
import { parallelStrings } from '../electrical/stringing'
import { withFields } from '../kinds/documents'
import { electricalId, mostDrawn, type DrawnString } from '../kinds/electrical/electrical'
import { type Check } from '../model/ledger'
import { stringCableM } from '../cables/cable-plan'
import { stringRuns } from '../cables/cable-runs'
import { type Graph } from '../graph/graph'
import { type Patience } from '../graph/run'
import { cablesStage } from '../stages/cables'
import { financeStage } from '../stages/finance'
import { lossChainStage } from '../stages/loss-chain'
import { panelLightStage } from '../stages/panel-light'
import { siteStage } from '../stages/site'
import { facesByDirection } from '../energy/directions'
import { stringsStage } from '../stages/strings'
import { electricAccounts, gravestOf } from './gravest'
import { electricalIn, besideIn, inverterIn, moduleIn, type World } from '../stages/world'
import { yieldStage } from '../stages/yield'

/** What an option would be with its modules strung in another way. */
export interface StringsWorth {
  /** Null of the way it is strung now. */
  readonly by: ArrangedBy | null
  /** Modules of each string, by their inputs, and those without an input. */
  readonly inputs: readonly (readonly number[])[]
  readonly left: number
  /** As it is set where it is taken. */
  readonly drawn: readonly DrawnString[]
  readonly annualKwh: number
  readonly mismatchKwh: number
  /** Home runs of all strings and cables between modules that lie apart, m. */
  readonly cableM: number
  readonly paybackYears: number | null
  readonly npv: number
  /** The gravest thing that is wrong with it; null where nothing is. */
  readonly breaks: Pick<Check, 'code' | 'data'> | null
}

/**
 * What the ways to string an option come to: the chain is run for each, on the same graph, so that light and shade are
 * computed once. The present way stands among them; in order: those that break nothing first, then by what they are
 * worth over the years, then those of fewer strings and shorter cables. Microinverters and optimizers have none: with
 * them each module works by itself.
 * @param tell hears of what is known so far, in order, and of how many there are
 * @throws Overtaken when the patience is at its end
 */
export async function stringsWorths(
  graph: Graph<World>,
  world: World,
  patience: Patience,
  tell: (found: readonly StringsWorth[], all: number) => void = () => undefined,
): Promise<readonly StringsWorth[]> {
  const now = graph.open(world)
  await now.prepare([...electricAccounts, cablesStage, yieldStage, financeStage, lossChainStage], patience)
  const { electronics, strings, lengths } = now.value(stringsStage)
  const site = now.value(siteStage)
  if (electronics !== 'none' || strings.length === 0) {
    tell([], 0)
    return []
  }
  const panels = site.faces.flatMap((face) => face.panels)
  const light = new Map(
    now.value(panelLightStage).flatMap(({ value }, at) => {
      const panel = panels[at]
      return panel ? [[panel.id, value.meanKwhM2] as const] : []
    }),
  )
  const groups = facesByDirection(site.faces).map((faces) => faces.map((face) => face.panels))
  const [inverter, inverters] = [inverterIn(world), besideIn(world)]
  const ways = stringWays(groups, light, {
    ...lengths,
    inputs: inverters * inverter.mppInputs,
    inverters,
    parallel: parallelStrings(inverter, moduleIn(world).iscA),
  }).filter((way) => way.strings.length <= mostDrawn && signature(way.strings) !== signature(strings))
  const all = [
    { by: null, drawn: electricalIn(world).drawn },
    ...ways.map((way) => ({ by: way.by, drawn: drawnWay(way) })),
  ]
  const found: StringsWorth[] = []
  for (const { by, drawn } of all) {
    const electrical = withFields(electricalIn(world), { drawn: [...drawn] })
    const run = graph.open({ ...world, option: { ...world.option, [electricalId]: electrical } })
    await run.prepare([...electricAccounts, cablesStage, yieldStage, financeStage, lossChainStage], patience)
    const wired = run.value(stringsStage).strings
    const { paybackYears, npv } = run.value(financeStage)
    const inputs = new Map<number, number[]>()
    for (const { input, panelIds } of wired)
      if (input >= 0) inputs.set(input, [...(inputs.get(input) ?? []), panelIds.length])
    found.push({
      by,
      inputs: [...inputs.values()],
      left: wired.reduce((sum, { input, panelIds }) => sum + (input < 0 ? panelIds.length : 0), 0),
      drawn,
      annualKwh: run.value(yieldStage).kwh,
      mismatchKwh: run.value(lossChainStage).lost.mismatch.kwh,
      cableM: stringRuns(site, wired).reduce(
        (sum, { extensions }) => sum + extensions.reduce((own, { fromM }) => own + fromM, 0),
        stringCableM(site, wired, run.value(cablesStage)),
      ),
      paybackYears,
      npv,
      breaks: gravestOf(run),
    })
    tell(inOrder(found), all.length)
  }
  return inOrder(found)
}

const countOf = ({ inputs }: StringsWorth) => inputs.reduce((sum, own) => sum + own.length, 0)

const inOrder = (found: readonly StringsWorth[]): StringsWorth[] =>
  found.toSorted(
    (a, b) =>
      Number(a.breaks !== null) - Number(b.breaks !== null) ||
      b.npv - a.npv ||
      countOf(a) - countOf(b) ||
      a.cableM - b.cableM,
  )
