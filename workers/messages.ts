import { type Catalogue } from '@/core/electrical/catalogue'
import { type Objects } from '@/core/kinds/documents'
import { type MoneyRanges } from '@/core/finance/ranges'
import { type FaceSunMap } from '@/core/energy/sun-map'
import { type SunSpan } from '@/core/energy/sun-span'
import { type FaultDetail } from '@/core/model/fault'
import { type InputAtMoment } from '@/core/readers/input-curves'
import { type HeightWorth } from '@/core/readers/height-worth'
import { type HourWorth } from '@/core/readers/hour-worth'
import { type InverterWorth } from '@/core/readers/inverter-worth'
import { type LoadPart } from '@/core/readers/load-parts'
import { type OptimizerWorth } from '@/core/readers/optimizer-worth'
import { type StringsWorth } from '@/core/readers/strings-worth'
import { type TariffWorth } from '@/core/readers/tariff-worth'
import { type PanelSun } from '@/core/readers/panel-sun'
import { type PartLight } from '@/core/readers/part-light'
import { type ShadeByBoth } from '@/core/readers/reading-worth'
import { type StoragePicture } from '@/core/readers/storage-worth'
import { type RunSummary } from '@/core/readers/summary'
import { type RoofPlane } from '@/core/roof/plane'
import { type StationInfo } from '@/core/stages/world'

/** The light on one roof plane. */
export interface MappedFace {
  readonly face: RoofPlane
  readonly map: FaceSunMap
}

/** Refused when it differs: page and worker were loaded from different versions. */
export const protocolVersion = 14

/** What is asked about shade beside the figures. */
export interface ShadeWanted {
  /** Modules and arrays whose own light is asked for: none for all of them. */
  readonly of: readonly string[]
  /** Whether it is asked what takes several runs: what unchecked heights may cost, and what readings make of it. */
  readonly heights: boolean
}

/** The curves of its inputs at an interval of the year. */
export type CurvesAt = `curves ${number}`

/**
 * What other things would make of an option, what it would pay elsewhere or at other hours, what its inputs do, or what each
 * thing of the house uses: those
 * that are known so far, the best first, of so many.
 */
export type Ranking =
  | { readonly of: 'inverters'; readonly all: number; readonly rows: readonly InverterWorth[] }
  | { readonly of: 'strings'; readonly all: number; readonly rows: readonly StringsWorth[] }
  | { readonly of: CurvesAt; readonly all: number; readonly rows: readonly InputAtMoment[] }
  | { readonly of: 'optimizers'; readonly all: number; readonly rows: readonly OptimizerWorth[] }
  | { readonly of: 'hours'; readonly all: number; readonly rows: readonly HourWorth[] }
  | { readonly of: 'loads'; readonly all: number; readonly rows: readonly LoadPart[] }
  | { readonly of: 'tariffs'; readonly all: number; readonly rows: readonly TariffWorth[] }

export interface RunRequest {
  readonly type: 'run'
  readonly protocol: number
  readonly id: number
  readonly house: Objects
  /** The one on the screen first. */
  readonly options: readonly { readonly id: string; readonly objects: Objects }[]
  readonly catalogue: Catalogue
  readonly station: StationInfo
  readonly weatherUrl: string
  /** Of what span the light on the roofs of the option on the screen is to follow its result; null where nobody looks at it. */
  readonly sunMap: SunSpan | null
  /** What of its shade is to follow too; null where nobody looks at it. */
  readonly shade: ShadeWanted | null
  /** What is to be tried in the option on the screen; null where nobody looks at it. */
  readonly ranking: Ranking['of'] | null
  /** Whether other batteries are to be tried in it. */
  readonly storage: boolean
  /** Whether it is asked where its offer may end up. */
  readonly ranges: boolean
}

/** A newer state waits for the worker: what is not worth ending is given up between two items. */
export interface Overtaking {
  readonly type: 'overtaking'
}

export type WorkerRequest = RunRequest | Overtaking

export type WorkerAnswer =
  | {
      readonly type: 'result'
      readonly id: number
      readonly optionId: string
      readonly summary: RunSummary
    }
  | {
      readonly type: 'sun-map'
      readonly id: number
      readonly optionId: string
      readonly span: SunSpan
      readonly faces: readonly MappedFace[]
      readonly panels: PanelSun
    }
  | {
      readonly type: 'shade'
      readonly id: number
      readonly optionId: string
      readonly wanted: ShadeWanted
      /** Null where none of the modules is laid. */
      readonly light: PartLight | null
      /** Null where they were not asked for, or are not known yet. */
      readonly heights: readonly HeightWorth[] | null
      /** Null where nothing was measured on site, where it was not asked for, or is not known yet. */
      readonly byBoth: ShadeByBoth | null
    }
  | {
      readonly type: 'ranking'
      readonly id: number
      readonly optionId: string
      readonly ranking: Ranking
    }
  | {
      readonly type: 'storage'
      readonly id: number
      readonly optionId: string
      readonly picture: StoragePicture
    }
  | {
      readonly type: 'ranges'
      readonly id: number
      readonly optionId: string
      readonly ranges: MoneyRanges
    }
  | {
      readonly type: 'fault'
      readonly id: number
      readonly optionId: string | null
      readonly fault: FaultDetail
    }
  /** Still at it; said every second or so, so that a worker that died is noticed. */
  | { readonly type: 'working'; readonly id: number }
  | { readonly type: 'idle'; readonly id: number }
