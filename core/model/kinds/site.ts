import { z } from 'zod'
import { type ObjectBase, type ObjectKind } from '../object-kind'

/** Where the job is and what holds there. One to a house document. */
export interface Site extends ObjectBase {
  readonly kind: 'site'
  readonly address: string
  readonly town: string
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly elevationM: number
  /** IANA zone; daylight saving comes from it. */
  readonly timeZone: string
  /** ISO 4217. */
  readonly currency: string
  readonly locale: string
  readonly units: 'metric' | 'imperial'
  /** The weather station chosen; null means the nearest. */
  readonly stationId: string | null
  /** Lowest air temperature the strings must stand, and highest for the hot end of the window. */
  readonly lowestTemperatureC: number
  readonly highestTemperatureC: number
  /** What the ground reflects, by month, January first; fresh snow comes on top where the weather knows of it. */
  readonly albedoByMonth: readonly number[]
  /** How the diffuse sky is spread over the dome. */
  readonly skyModel: 'perez' | 'hay-davies'
  /** Greatest power the grid takes; null without a limit. */
  readonly exportLimitKw: number | null
  /** How strongly the aerial sheet shows, 0..1. */
  readonly sheetStrength: number
}

export const siteId = 'site'

const isTimeZone = (zone: string) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

export const siteKind: ObjectKind<Site> = {
  kind: 'site',
  document: 'house',
  schema: z.strictObject({
    id: z.literal(siteId),
    kind: z.literal('site'),
    address: z.string().max(200),
    town: z.string().max(80),
    latitudeDeg: z.number().min(-90).max(90),
    longitudeDeg: z.number().min(-180).max(180),
    elevationM: z.number().min(-500).max(6000),
    timeZone: z.string().refine(isTimeZone, 'not a time zone of the IANA list, such as America/New_York'),
    currency: z.string().regex(/^[A-Z]{3}$/, 'three capital letters, such as USD'),
    locale: z.string().regex(/^[a-z]{2}(-[A-Z]{2})?$/),
    units: z.enum(['metric', 'imperial']),
    stationId: z.string().max(80).nullable(),
    lowestTemperatureC: z.number().min(-60).max(30),
    highestTemperatureC: z.number().min(10).max(60),
    albedoByMonth: z
      .array(z.number().min(0, 'not below 0').max(1, 'at most 1'))
      .length(12, 'twelve months, January first'),
    skyModel: z.enum(['perez', 'hay-davies']),
    exportLimitKw: z.number().min(0).max(1000).nullable(),
    sheetStrength: z.number().min(0).max(1),
  }),
  version: 3,
  migrations: [
    // One albedo for the whole year becomes twelve.
    ({ albedo, ...value }) => ({ ...value, albedoByMonth: new Array(12).fill(albedo) }),
    (value) => ({ ...value, skyModel: 'perez' }),
  ],
}

export const defaultSite: Site = {
  id: siteId,
  kind: 'site',
  address: '',
  town: '',
  latitudeDeg: 0,
  longitudeDeg: 0,
  elevationM: 0,
  timeZone: 'UTC',
  currency: 'USD',
  locale: 'en-US',
  units: 'metric',
  stationId: null,
  lowestTemperatureC: -10,
  highestTemperatureC: 35,
  albedoByMonth: new Array<number>(12).fill(0.2),
  skyModel: 'perez',
  exportLimitKw: null,
  sheetStrength: 0.85,
}
