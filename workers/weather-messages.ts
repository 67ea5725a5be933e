import { type InverterType, type ModuleType } from '@/core/electrical/catalogue'
import { type FaultDetail } from '@/core/model/fault'
import { type Losses } from '@/core/kinds/losses/losses'
import { type Site } from '@/core/kinds/site/site'
import { type QuickEstimate } from '@/core/energy/quick-estimate'
import { type MeterFile } from '@/core/load/meter-file'
import { type CsvMapping } from '@/core/weather/csv-table'
import { type WeatherPlace } from '@/core/weather/read-weather'
import { type WeatherProblem } from '@/core/weather/reading'

/** A file as the import dialog shows it. */
export interface OpenedWeather {
  readonly kind: 'epw' | 'table'
  /** Of a table: headings and its first rows. */
  readonly headings: readonly string[]
  readonly sample: readonly (readonly string[])[]
  readonly rows: number
  readonly mapping: CsvMapping | null
  /** Minutes that all values were moved later. */
  readonly shiftMinutes: number
  readonly reading: {
    readonly place: WeatherPlace
    readonly stepMinutes: number
    readonly ghiKwhM2: number
    readonly dniKwhM2: number
    readonly dhiKwhM2: number
    readonly meanC: number
    readonly monthlyGhi: readonly number[]
    readonly hasSnow: boolean
    readonly problems: readonly WeatherProblem[]
  } | null
  /** Why it cannot be read as it is mapped. */
  readonly fault: FaultDetail | null
}

/** What the pages ask of the weather worker; every answer carries the request's id. */
export type WeatherRequest =
  | { readonly type: 'open'; readonly id: number; readonly bytes: ArrayBuffer; readonly place: WeatherPlace }
  | {
      readonly type: 'map'
      readonly id: number
      /** Null for a file that needs none. */
      readonly mapping: CsvMapping | null
      readonly shiftMinutes: number
      readonly place: WeatherPlace
    }
  | { readonly type: 'table'; readonly id: number }
  | { readonly type: 'meter'; readonly id: number; readonly bytes: ArrayBuffer }
  | {
      readonly type: 'estimate'
      readonly id: number
      readonly weatherUrl: string
      readonly site: Site
      readonly module: ModuleType
      readonly inverter: InverterType
      readonly losses: Losses
      readonly mount: 'close' | 'raised' | 'open'
    }

export type WeatherAnswer =
  | { readonly type: 'opened'; readonly id: number; readonly opened: OpenedWeather }
  | { readonly type: 'table'; readonly id: number; readonly csv: string }
  | { readonly type: 'meter'; readonly id: number; readonly read: MeterFile }
  | { readonly type: 'estimated'; readonly id: number; readonly estimate: QuickEstimate }
  | { readonly type: 'fault'; readonly id: number; readonly fault: FaultDetail }
