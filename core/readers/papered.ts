import { type PlaceName } from '../cables/cable-plan'
import { type Catalogue } from '../electrical/catalogue'
import { type StringWindow } from '../electrical/stringing'
import { type Run } from '../graph/run'
import { ofKind, theOne, type Objects } from '../kinds/documents'
import { type Rules } from '../kinds/rules/rules'
import { siteId } from '../kinds/site/site'
import { type Check, type CheckCode } from '../model/ledger'
import { type Contractor } from '../papers/letterhead'
import { type Built } from '../parts/parts-list'
import { permitItems, permitByHand, permitSheets, type permitFacts } from '../setbacks/permit-items'
import { type RuleSet } from '../setbacks/rule-set'
import { rulesIn } from '../stages/rules'
import { lossChainStage } from '../stages/loss-chain'
import { stringsStage } from '../stages/strings'
import { type StationInfo, type World } from '../stages/world'
import { builtOf } from './built'
import { type HeightWorth } from './height-worth'
import { checksOf } from './ledger'

/** All that the sets for the permit office and the installer are written from. */
export interface PaperFacts {
  readonly house: Objects
  readonly option: Objects
  readonly catalogue: Catalogue
  readonly built: Built
  /** Of one module. */
  readonly volts: Pick<StringWindow, 'coldVocV' | 'hotVmpV'>
  readonly checks: readonly Check[]
  /** Of the year, kWh AC; null where it is not computed yet. */
  readonly yieldKwh: number | null
  readonly station: Pick<StationInfo, 'name' | 'distanceM'> | null
  /** What heights nobody has measured may cost; none where that was not asked. */
  readonly heights: readonly HeightWorth[]
  /** Null where nobody has said. */
  readonly contractor: Contractor | null
}

/** How one item of an authority's list stands. `by-hand`: no model knows it. */
export interface PermitLine {
  /** One that is known here, or the authority's own words for what is not. */
  readonly item: string
  readonly state: 'in-set' | 'there' | 'missing' | 'by-hand'
  /** Of what is wrong with it; 0 where nothing is counted. */
  readonly count: number
}

const isSheet = (item: string) => permitSheets.some((one) => one === item)
/** What no model knows, and what is not known here at all. */
const isByHand = (item: string) =>
  permitByHand.some((one) => one === item) || !permitItems.some((one) => one === item)

/** Rules that the layout is held against: of the catalogue or of the job's own; null for none that is there. */
export const rulesOf = (facts: PaperFacts): RuleSet | Rules | null => rulesIn(facts) ?? null

/** Checks on distances and ways on the roof. */
const onSetbacks: ReadonlySet<CheckCode> = new Set([
  'setback-narrow',
  'clearance-narrow',
  'pathway-beside',
  'pathways-few',
])
const isSetback = ({ code }: Check) => onSetbacks.has(code)

/** Devices that hang on no wall yet. Disconnects have no place of their own in the model. */
function unplacedIn({ inverter, battery, cables }: Built): number {
  const wanted: PlaceName[] = [
    ...(inverter.micro ? [] : (['inverter'] as const)),
    ...(battery ? (['battery'] as const) : []),
    'loadCentre',
  ]
  return wanted.filter((name) => !cables.devices.some((device) => device.name === name)).length
}

/** What the authority asks for, in its order, and how each of it stands. */
export function permitLines(facts: PaperFacts): PermitLine[] {
  const { house, built, checks } = facts
  const site = theOne(house, 'site', siteId)
  const rules = rulesOf(facts)
  const broken = checks.filter(({ severity }) => severity === 'broken')
  const wrong: Readonly<Record<(typeof permitFacts)[number], number>> = {
    applicant: Number(site.contactName.trim() === ''),
    authority: Number(!ofKind(house, 'permit').some(({ authority }) => authority.trim() !== '')),
    rules: Number(rules === null),
    setbacks: rules === null ? 1 : broken.filter(isSetback).length,
    checks: broken.filter((check) => !isSetback(check)).length,
    wired: built.strings.filter(({ input }) => input < 0).flatMap(({ panelIds }) => panelIds).length,
    held: built.holdings.filter((holding) => holding.is === 'unheld').length,
    'roof-reserve': Number(site.roofReserveKpa === null),
    heights: built.site.objects.filter(({ geometry }) => geometry.presetM !== null).length,
    photos: Number(ofKind(house, 'photo').length === 0),
    'lot-lines': Number(ofKind(house, 'lot').length === 0),
    licence: Number((facts.contractor?.licence ?? '') === ''),
  }
  // Rules of the job's own say nothing of what is to be handed in.
  const asks = rules && 'asks' in rules ? rules.asks : undefined
  return (asks ?? permitItems).map((item): PermitLine => {
    if (item === 'single-line' && built.strings.length === 0) return { item, state: 'missing', count: 0 }
    if (isSheet(item)) return { item, state: 'in-set', count: 0 }
    if (item === 'device-places') {
      const count = unplacedIn(built)
      return { item, state: count === 0 ? 'by-hand' : 'missing', count }
    }
    if (isByHand(item)) return { item, state: 'by-hand', count: 0 }
    const count = wrong[item as keyof typeof wrong]
    return { item, state: count === 0 ? 'there' : 'missing', count }
  })
}

/** The same of a run. */
export function paperFactsOf(run: Run<World>, world: World): PaperFacts {
  const { house, option, catalogue, station } = world
  return {
    house,
    option,
    catalogue,
    station,
    built: builtOf(run, world),
    volts: run.value(stringsStage).window,
    checks: checksOf(run),
    yieldKwh: run.value(lossChainStage).ac.monthly.reduce((sum, kwh) => sum + kwh, 0),
    heights: [],
    contractor: null,
  }
}
