import { type Alteration } from '@/core/kinds/alteration/alteration'
import { type Part } from '@/core/kinds/kind'
import { type LossName } from '@/core/energy/loss-chain'
import { type Offer } from '@/core/kinds/offer/offer'
import { type Page } from '@/core/kinds/offer/page'
import { type WayToPay } from '@/core/kinds/offer/payment'
import { type Site } from '@/core/kinds/site/site'
import { type LedgerLine } from '@/core/model/ledger'
import { type LetterheadShown } from '@/core/papers/letterhead'
import { type RunSummary } from '@/core/readers/summary'
import { type Site as StandingSite } from '@/core/site/site'

/** One sort of equipment with the figure that tells it best. */
export interface Equipment extends Part {
  readonly name: string
  /** W of one module, W of an inverter, W an optimizer takes, kWh of a battery. */
  readonly size: number
}

/** Something of the house that the option has otherwise. */
export interface TakenAs extends Pick<Alteration, 'what' | 'heightM' | 'years'> {
  readonly name: string
}

/** All that the customer's page shows; nothing else of the job leaves the server. */
export interface ProposalData {
  readonly jobName: string
  readonly optionName: string
  readonly site: Pick<
    Site,
    'address' | 'locale' | 'currency' | 'units' | 'latitudeDeg' | 'longitudeDeg' | 'elevationM' | 'timeZone'
  >
  /** What stands there, as it is drawn. */
  readonly standing: StandingSite
  readonly summary: Pick<RunSummary, 'cash'> & {
    readonly monthly: MonthsShown
    readonly ledger: readonly (Pick<LedgerLine, 'id' | 'value' | 'unit'> & {
      /** Whole units that add up; offers sent by older builds have none. */
      readonly shown?: number | null
    })[]
  }
  readonly equipment: readonly Equipment[]
  /** What the figures take to be otherwise than it stands today; offers sent by older builds have none. */
  readonly takenAs?: readonly TakenAs[]
  readonly years: number
  readonly escalation: number
  /** Only in offers sent by older builds: the share of the price that came back. */
  readonly incentiveShare?: number
  /** What is shown and in which order. */
  readonly page: Page
  /** Who sent it, as they were then; offers sent by older builds have none. */
  readonly letterhead?: LetterheadShown
  /** Digest of all inputs; offers sent by older builds have none. */
  readonly inputs?: string
  /** What comes back at purchase, and ways to pay, that of the figures first; offers sent by older builds have neither. */
  readonly paidBack?: readonly { readonly name: string; readonly amount: number }[]
  /** After tax, over all years. */
  readonly laterIncentives?: number
  /** From the light on the modules to the yield of the first year; offers sent by older builds have none of these. */
  readonly losses?: LossesShown | null
  readonly assumptions?: AssumptionsShown | null
  /** Null where nobody has said what the grid emits. */
  readonly environment?: EnvironmentShown | null
  readonly ways?: readonly WayShown[]
}

export interface LossesShown {
  readonly sunKwh: number
  /** In their order; those that come to nothing are left out. */
  readonly steps: readonly { readonly name: LossName; readonly kwh: number }[]
  readonly yieldKwh: number
}

/** What the figures of the years rest on, shares a year. */
export interface AssumptionsShown extends Pick<
  Offer,
  'escalation' | 'exportGrowth' | 'upkeepGrowth' | 'discountRate' | 'years'
> {
  readonly station: { readonly name: string; readonly distanceM: number }
  readonly loadKwh: number
  readonly degradation: number
  /** Null without a battery, and where it ages by use too. */
  readonly batteryFade: number | null
  /** Lost in its first year by age and use, where its data sheet tells both. */
  readonly batteryFirstFade?: number
  readonly replaced: readonly { readonly name: string; readonly year: number }[]
}

export interface EnvironmentShown extends NonNullable<Offer['gridCo2']> {
  readonly firstKwh: number
  readonly allKwh: number
}

/** Series by month that charts draw. */
export type MonthsShown = Pick<
  RunSummary['monthly'],
  'yieldKwh' | 'loadKwh' | 'usedKwh' | 'billBefore' | 'billAfter'
>

/** A way to pay as the customer sees it. */
export interface WayShown {
  readonly way: WayToPay
  /** Paid at once, after what comes back. */
  readonly down: number
  readonly perMonth: number
  readonly savedPerMonth: number
  readonly cumulative: readonly number[]
  readonly paybackYears: number | null
  readonly irr: number | null
}
