import { z } from 'zod'
import { type DeepReadonly, shareSchema } from '../../model/object-base'
import { isTimeZone } from '../../model/local-clock'
import { between, ruleMessage } from '../../model/rules'
import { wallPlaceSchema } from '../../model/wall-place'
import { roofCoverings } from '../../structure/mounting'
import { terrains, windMeans } from '../../structure/wind'

export const siteId = 'site'

/** A far horizon has so many points at most, and is no higher than this. */
export const mostHorizonPoints = 720
export const highestHorizonDeg = 80

/** Heights of what stands in the way, azimuth (clockwise from north) and elevation, in any order. */
export const horizonSchema = z
  .array(z.tuple([between(0, 360, 'deg'), between(0, highestHorizonDeg, 'deg')]))
  .max(mostHorizonPoints)

/** What shade is computed from: the house and its surroundings as they are drawn, or the readings taken on site. */
export const shadeSources = ['model', 'readings'] as const

/** What the world calls one of its aerial pictures. */
export const pictureIdSchema = z.string().regex(/^[a-z\d-]{1,40}$/)

/** How far an aerial picture may be shifted, m. */
const shiftM = between(-25, 25, 'm')

export const gridPhases = ['single', 'split', 'three'] as const

/** Where the job is and what holds there. One to a house document. */
export const siteSchema = z.strictObject({
  id: z.literal(siteId),
  kind: z.literal('site'),
  address: z.string().max(200),
  town: z.string().max(80),
  latitudeDeg: between(-90, 90, 'deg'),
  longitudeDeg: between(-180, 180, 'deg'),
  elevationM: between(-500, 6000, 'm'),
  /** IANA zone; daylight saving comes from it. */
  timeZone: z.string().refine(isTimeZone, ruleMessage('time-zone')),
  /** ISO 4217. */
  currency: z.string().regex(/^[A-Z]{3}$/, ruleMessage('currency')),
  locale: z.string().regex(/^[a-z]{2}(-[A-Z]{2})?$/),
  units: z.enum(['metric', 'imperial']),
  /** The weather station chosen; null means the nearest. */
  stationId: z.string().max(80).nullable(),
  /** Lowest air temperature the strings must stand, and highest for the hot end of the window. */
  lowestTemperatureC: between(-60, 30, '°C'),
  highestTemperatureC: between(10, 60, '°C'),
  /** What the ground reflects, by month, January first; fresh snow comes on top where the weather knows of it. */
  albedoByMonth: z.array(shareSchema).length(12, ruleMessage('twelve-months')),
  /** Hills and mountains around; none where nothing is known. */
  farHorizon: horizonSchema,
  shadeFrom: z.enum(shadeSources),
  /** How the diffuse sky is spread over the dome. */
  skyModel: z.enum(['perez', 'hay-davies']),
  /** Greatest power the grid takes; null without a limit. */
  exportLimitKw: between(0, 1000, 'kW').nullable(),
  /** What may be fed in of the module power. Of both limits the lower one holds. */
  exportLimitShare: between(0, 1, 'share').nullable(),
  /** How strongly the aerial sheet shows, 0..1. */
  sheetStrength: shareSchema,
  /** Which of the place's aerial pictures it shows; null for the usual one. */
  sheetPicture: pictureIdSchema.nullable(),
  /** By how much that picture is shifted east and north, so that it lies where the house is. */
  sheetShiftM: z.tuple([shiftM, shiftM]),
  /** Whom to talk to there. */
  contactName: z.string().max(120),
  contactPhone: z.string().max(60),
  contactEmail: z.string().max(200),
  /** What was said and seen: for the team alone, on no page of the customer's. */
  notes: z.string().max(4000),
  gridPhases: z.enum(gridPhases),
  /** Between two conductors of a split or three-phase supply; to neutral where there is one phase. */
  gridVoltageV: between(100, 1000, 'V'),
  /** Of the ground, characteristic (EN 1991-1-3), kN/m². */
  snowLoadKpa: between(0, 25),
  /** Basic wind velocity in open country, m/s, and over how long it is a mean: codes give one or the other. */
  windMs: between(0, 100),
  windMean: z.enum(windMeans),
  /** What lies around the house. */
  terrain: z.enum(terrains),
  roofCovering: z.enum(roofCoverings),
  rafterSpacingM: between(0.2, 3, 'm'),
  /** What modules and all that holds them may weigh on the roof, kN/m²; null where nobody has said. */
  roofReserveKpa: between(0, 10).nullable(),
  /** Where the house is fed from, with the meter beside it; null as long as nobody has said. */
  loadCentreAt: wallPlaceSchema.nullable(),
  /** Ratings of the bus bar in the load centre and of the breaker that it is fed by; null as long as nobody has looked. */
  busbarA: between(10, 1000, 'A').nullable(),
  mainBreakerA: between(10, 1000, 'A').nullable(),
  /** By how much one phase of three may feed more than another; null without a limit. */
  unbalancedKw: between(0, 1000, 'kW').nullable(),
  /** Whether each module has to be shut down by itself. */
  shutdownAsked: z.boolean(),
})
export type Site = DeepReadonly<z.infer<typeof siteSchema>>

/** Of a site that nobody has asked about yet. */
const unknownSite = {
  contactName: '',
  contactPhone: '',
  contactEmail: '',
  notes: '',
  gridPhases: 'single',
  gridVoltageV: 230,
  snowLoadKpa: 0.8,
  windMs: 25,
  roofCovering: 'tile',
  rafterSpacingM: 0.6,
} as const

const unknownLoads = { windMean: 'ten-minutes', terrain: 'suburb', roofReserveKpa: null } as const

const unseenConnection = {
  loadCentreAt: null,
  busbarA: null,
  mainBreakerA: null,
  unbalancedKw: null,
  shutdownAsked: false,
} as const

/** Means of ten minutes are nowhere as high: from here on what was written down is a gust, m/s. */
const gustFromMs = 35

const usualSheet = { sheetPicture: null, sheetShiftM: [0, 0] as [number, number] }
/** Nothing is known of what stands far off. */
const openHorizon = { farHorizon: [] as [number, number][] }
const drawnShade = { shadeFrom: 'model' } as const

export const siteVersion = 9
export const siteMigrations = [
  // One albedo for the whole year becomes twelve.
  ({ albedo, ...value }: Record<string, unknown>) => ({
    ...value,
    albedoByMonth: new Array(12).fill(albedo),
  }),
  (value: Record<string, unknown>) => ({ ...value, skyModel: 'perez' }),
  (value: Record<string, unknown>) => ({ ...value, ...unknownSite }),
  (value: Record<string, unknown>) => ({
    ...value,
    ...unknownLoads,
    ...(Number(value['windMs']) >= gustFromMs ? { windMean: 'three-seconds' } : {}),
  }),
  (value: Record<string, unknown>) => ({ ...value, ...unseenConnection }),
  (value: Record<string, unknown>) => ({ ...value, exportLimitShare: null }),
  (value: Record<string, unknown>) => ({ ...value, ...usualSheet, ...openHorizon }),
  (value: Record<string, unknown>) => ({ ...value, ...drawnShade }),
]

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
  exportLimitShare: null,
  sheetStrength: 0.85,
  ...usualSheet,
  ...openHorizon,
  ...drawnShade,
  ...unknownSite,
  ...unknownLoads,
  ...unseenConnection,
}
