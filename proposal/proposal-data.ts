import { fadeOf, leftAfterYear } from '@/core/battery/fade'
import { type Money } from '@/core/finance/ways'
import { type Run } from '@/core/graph/run'
import { kindNamed, type AnyObject } from '@/core/kinds/index'
import { type Part } from '@/core/kinds/kind'
import { type Offer } from '@/core/kinds/offer/offer'
import { type RunSummary } from '@/core/readers/summary'
import { sharedOut } from '@/core/model/rounding'
import { type Site as StandingSite } from '@/core/site/site'
import { alterationsIn } from '@/core/stages/alterations'
import { siteStage } from '@/core/stages/site'
import {
  batteryIn,
  coverIn,
  moduleIn,
  catalogueFor,
  offerIn,
  optimizerIn,
  siteIn,
  storageIn,
  type World,
} from '@/core/stages/world'
import { lossSteps } from '@/core/energy/loss-chain'
import {
  type AssumptionsShown,
  type EnvironmentShown,
  type Equipment,
  type LossesShown,
  type ProposalData,
  type WayShown,
} from './shape'
import { drawable } from './drawable'
import { shownOnly } from './shown-only'

/** What an option's page shows, by the sections that the designer has chosen. */
export function proposalData(
  jobName: string,
  world: World,
  run: Run<World>,
  summary: RunSummary,
): ProposalData {
  const site = siteIn(world)
  const offer = offerIn(world)
  const standing = run.value(siteStage)
  return shownOnly({
    jobName,
    optionName: offer.name,
    site: {
      address: site.address,
      locale: site.locale,
      currency: site.currency,
      units: site.units,
      latitudeDeg: site.latitudeDeg,
      longitudeDeg: site.longitudeDeg,
      elevationM: site.elevationM,
      timeZone: site.timeZone,
    },
    standing: drawable(standing),
    summary: {
      monthly: summary.monthly,
      cash: summary.cash,
      ledger: summary.ledger.map(({ id, value, shown, unit }) => ({ id, value, shown, unit })),
    },
    equipment: equipmentOf(world, standing, summary.inverters, summary.optimized.length),
    takenAs: alterationsIn(world).map(({ alteration: { what, heightM, years }, object }) => ({
      name: 'name' in object ? object.name : object.kind,
      what,
      heightM,
      years,
    })),
    years: offer.years,
    escalation: offer.escalation,
    paidBack: summary.price.paidBack.map(({ name, amount }) => ({ name, amount })),
    laterIncentives: summary.money.years.slice(1).reduce((sum, year) => sum + year.incentives, 0),
    losses: lossesShown(summary),
    assumptions: assumptionsShown(world, summary),
    environment: environmentShown(offer, summary),
    page: offer.page,
    // Where nothing is put up there is nothing to pay for.
    ways: summary.price.total === 0 ? [] : waysShown(offer, summary.money),
  })
}

/** In whole kilowatt-hours that add up, each as the ledger shows it; those that are one line of it share that out. */
function lossesShown({ chain, ledger }: RunSummary): LossesShown {
  const [sunKwh, yieldKwh] = [Math.round(chain.sun.kwh), Math.round(chain.ac.kwh)]
  const steps = lossSteps(chain).map(({ name, lost }) => {
    const line = ledger.find(({ id }) => id === (name === 'downtime' ? 'availability' : name))
    const shown = name === 'wiring' ? null : (line?.shown ?? null)
    return { name, lost, own: shown === null ? null : -shown }
  })
  const together = steps.filter(({ own }) => own === null)
  const whole = sharedOut(
    steps.reduce((rest, { own }) => rest - (own ?? 0), sunKwh - yieldKwh),
    together.map(({ lost }) => lost),
  )
  return {
    sunKwh,
    yieldKwh,
    steps: steps.flatMap((step) => {
      const kwh = step.own ?? whole[together.indexOf(step)] ?? 0
      return kwh === 0 ? [] : [{ name: step.name, kwh }]
    }),
  }
}

/** Nothing while nobody has said what the grid emits, or nothing is put up. */
const environmentShown = ({ gridCo2 }: Offer, { chain, aged }: RunSummary): EnvironmentShown | null =>
  gridCo2 === null || gridCo2.kgPerKwh === 0 || chain.ac.kwh <= 0
    ? null
    : {
        ...gridCo2,
        firstKwh: chain.ac.kwh,
        allKwh: aged.reduce((sum, { yieldKwh }) => sum + yieldKwh, 0),
      }

function assumptionsShown(world: World, { monthly, aged }: RunSummary): AssumptionsShown {
  const offer = offerIn(world)
  const { escalation, exportGrowth, upkeepGrowth, discountRate, years } = offer
  const hasBattery = storageIn(world).batteryId !== null
  return {
    ...{ escalation, exportGrowth, upkeepGrowth, discountRate, years },
    station: { name: world.station.name, distanceM: world.station.distanceM },
    loadKwh: monthly.loadKwh.reduce((sum, kwh) => sum + kwh, 0),
    degradation: moduleIn(world).degradation,
    ...fadeShown(world, aged[0]?.dischargedKwh ?? 0),
    replaced: offer.replacements.flatMap(({ name, what, year }) =>
      year <= years && (what !== 'battery' || hasBattery) ? [{ name, year }] : [],
    ),
  }
}

/** By the year where the battery loses nothing by use; else what its first year takes. */
function fadeShown(
  world: World,
  firstKwh: number,
): Pick<AssumptionsShown, 'batteryFade' | 'batteryFirstFade'> {
  const battery = batteryIn(world)
  if (!battery) return { batteryFade: null }
  const fade = fadeOf(offerIn(world).batteryFade, battery)
  if (fade.perCycle === 0) return { batteryFade: fade.perYear }
  const cycles = firstKwh / (battery.usableKwh * storageIn(world).count)
  return { batteryFade: null, batteryFirstFade: 1 - leftAfterYear(1, fade, cycles) }
}

/** The way that the figures are for, then those that are shown as well. */
function waysShown({ pay, alsoShown }: Offer, { ways }: Money): WayShown[] {
  return [...new Set([pay, ...alsoShown])].map((way): WayShown => {
    const { firstMonth, cumulative, paybackYears, irr } = ways[way]
    return {
      way,
      down: Math.max(0, -(cumulative[0] ?? 0)),
      perMonth: firstMonth.payment,
      savedPerMonth: firstMonth.saved,
      cumulative,
      paybackYears,
      irr,
    }
  })
}

/** The parts of every object, like ones together. */
function equipmentOf(world: World, site: StandingSite, inverters: number, optimized: number): Equipment[] {
  const context = {
    panelsOn: (id: string) => site.arrays.find((array) => array.id === id)?.panels.length ?? 0,
    moduleId: coverIn(world).moduleId,
  }
  const partsOf = (object: AnyObject) => kindNamed(object.kind).parts(object, context)
  const together = new Map<string, Part>()
  for (const part of [...Object.values(world.house), ...Object.values(world.option)].flatMap(partsOf)) {
    const key = `${part.what} ${part.typeId}`
    together.set(key, { ...part, count: part.count + (together.get(key)?.count ?? 0) })
  }
  const order = ['module', 'inverter', 'optimizer', 'battery'] as const
  const optimizer = optimizerIn(world)
  const optimizers: Part[] = optimizer ? [{ what: 'optimizer', typeId: optimizer.id, count: optimized }] : []
  return [...together.values(), ...optimizers]
    .map((part) => (part.what === 'inverter' ? { ...part, count: inverters } : part))
    .filter(({ count }) => count > 0)
    .sort((a, b) => order.indexOf(a.what) - order.indexOf(b.what))
    .flatMap((part) => sized(part, world) ?? [])
}

function sized(part: Part, world: World): Equipment | null {
  const { what, typeId } = part
  const { modules, inverters, optimizers, batteries } = catalogueFor(world)
  const of = <T extends { readonly id: string; readonly name: string }>(
    list: readonly T[],
    sizeOf: (sheet: T) => number,
  ): Equipment | null => {
    const sheet = list.find(({ id }) => id === typeId)
    return sheet ? { ...part, name: sheet.name, size: sizeOf(sheet) } : null
  }
  switch (what) {
    case 'module':
      return of(modules, ({ powerW }) => powerW)
    case 'inverter':
      return of(inverters, ({ acPowerW }) => acPowerW)
    case 'optimizer':
      return of(optimizers, ({ powerW }) => powerW)
    case 'battery':
      return of(batteries, ({ usableKwh }) => usableKwh)
  }
}
