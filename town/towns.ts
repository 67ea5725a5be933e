import { type LatLon } from '@/core/geometry/geo'
import { type Site } from '@/core/kinds/site/site'
import { type Tariff, type TariffPeriod } from '@/core/kinds/tariff/tariff'

/** One of the made-up towns: where it lies, how people there count, and what its weather and power are like. */
export interface Town extends LatLon {
  readonly id: string
  readonly name: string
  readonly region: string
  readonly elevationM: number
  readonly timeZone: string
  readonly timeZoneHours: number
  readonly currency: string
  readonly locale: string
  readonly units: 'metric' | 'imperial'
  readonly lowestTemperatureC: number
  readonly highestTemperatureC: number
  readonly gridPhases: Site['gridPhases']
  readonly gridVoltageV: number
  readonly snowLoadKpa: number
  readonly windMs: number
  readonly windMean: Site['windMean']
  readonly terrain: Site['terrain']
  readonly roofCovering: Site['roofCovering']
  readonly rafterSpacingM: number
  /** Direction of the streets, counter-clockwise from east. */
  readonly streetsTurnDeg: number
  readonly streets: readonly string[]
  readonly crossStreets: readonly string[]
  /** "14 Saltmarsh Road" or "Calle del Olmo 14". */
  readonly numberFirst: boolean
  readonly stations: readonly TownStation[]
  readonly tariffs: { readonly now: TownTariff; readonly then: TownTariff }
  /** For work and mounting. */
  readonly pricePerWatt: number
  /** What a kWh from the grid emits there. */
  readonly gridCo2: { readonly kgPerKwh: number; readonly year: number; readonly source: string }
  /** The rules of its authority. */
  readonly rulesId: string
  /** What the catalogue's list prices cost there, in the town's money. */
  readonly listShare: number
}

/** What most people there pay. */
type TownTariff = Pick<
  Tariff,
  'name' | 'utility' | 'fixedPerMonth' | 'pricePerKwh' | 'exportPerKwh' | 'periods'
>

export interface TownStation extends LatLon {
  readonly id: string
  readonly name: string
  readonly elevationM: number
  /** Mean daily global irradiation by month, kWh/m², January first. */
  readonly dailyKwhM2: readonly number[]
  readonly meanC: readonly number[]
  readonly windMs: number
}

const period = (
  name: string,
  months: readonly number[],
  days: TariffPeriod['days'],
  fromHour: number,
  toHour: number,
  pricePerKwh: number,
): TariffPeriod => ({ name, months, days, fromHour, toHour, pricePerKwh })

const shifted = (values: readonly number[], add: number, times = 1) =>
  values.map((v) => Number((v * times + add).toFixed(2)))

const pellworthSun = [1.9, 2.75, 3.85, 4.75, 5.6, 6.15, 6.05, 5.3, 4.3, 3.1, 2.0, 1.6]
const pellworthAir = [-1, -0.4, 3.6, 9, 14.4, 19.5, 22.8, 22.2, 18.2, 12.2, 7, 2]
const tarroweeSun = [7.6, 6.8, 5.4, 3.9, 2.8, 2.3, 2.5, 3.3, 4.5, 5.8, 6.8, 7.4]
const tarroweeAir = [22.5, 22.3, 19.8, 16.5, 13.4, 11, 10.3, 11.1, 13.2, 15.8, 18.7, 20.8]
const valdecorvaSun = [2.1, 3.1, 4.6, 5.6, 6.6, 7.6, 7.8, 6.8, 5.3, 3.5, 2.3, 1.8]
const valdecorvaAir = [6.2, 7.6, 11, 13.3, 17.4, 22.7, 26, 25.5, 21.2, 15.4, 9.7, 6.6]

const summer = [6, 7, 8, 9]

export const towns: readonly Town[] = [
  {
    id: 'pellworth',
    name: 'Pellworth',
    region: 'Aldane County',
    latitudeDeg: 41.6,
    longitudeDeg: -71.4,
    elevationM: 18,
    timeZone: 'America/New_York',
    timeZoneHours: -5,
    currency: 'USD',
    locale: 'en-US',
    units: 'imperial',
    lowestTemperatureC: -18,
    highestTemperatureC: 34,
    gridPhases: 'split',
    gridVoltageV: 240,
    snowLoadKpa: 1.45,
    windMs: 58,
    windMean: 'three-seconds',
    terrain: 'suburb',
    roofCovering: 'shingle',
    rafterSpacingM: 0.4064,
    rulesId: 'pellworth-fire',
    streetsTurnDeg: 8,
    streets: ['Saltmarsh Road', 'Cooper’s Row', 'Tern Street', 'Quarry Lane', 'Beacon Hill Road'],
    crossStreets: ['Ferry Street', 'Orchard Street', 'Mill Pond Way'],
    numberFirst: true,
    stations: [
      {
        id: 'pellworth-pier',
        name: 'Pellworth Pier',
        latitudeDeg: 41.57,
        longitudeDeg: -71.46,
        elevationM: 4,
        dailyKwhM2: pellworthSun,
        meanC: pellworthAir,
        windMs: 4.6,
      },
      {
        id: 'aldane-field',
        name: 'Aldane Field',
        latitudeDeg: 41.74,
        longitudeDeg: -71.21,
        elevationM: 61,
        dailyKwhM2: shifted(pellworthSun, 0, 0.98),
        meanC: shifted(pellworthAir, -0.7),
        windMs: 3.6,
      },
      {
        id: 'harrow-ridge',
        name: 'Harrow Ridge',
        latitudeDeg: 41.98,
        longitudeDeg: -71.92,
        elevationM: 214,
        dailyKwhM2: shifted(pellworthSun, 0, 0.95),
        meanC: shifted(pellworthAir, -2.1),
        windMs: 4.1,
      },
    ],
    tariffs: {
      now: {
        name: 'Home, time of use',
        utility: 'Aldane Light & Power',
        fixedPerMonth: 14.5,
        pricePerKwh: 0.262,
        exportPerKwh: 0,
        periods: [
          period('Summer peak', summer, 'weekday', 14, 20, 0.438),
          period('Winter peak', [1, 2, 3, 4, 5, 10, 11, 12], 'weekday', 16, 20, 0.352),
          period('Night', [], 'all', 23, 6, 0.164),
        ],
      },
      then: {
        name: 'Home solar, net billing',
        utility: 'Aldane Light & Power',
        fixedPerMonth: 17,
        pricePerKwh: 0.262,
        exportPerKwh: 0.112,
        periods: [
          period('Summer peak', summer, 'weekday', 14, 20, 0.438),
          period('Winter peak', [1, 2, 3, 4, 5, 10, 11, 12], 'weekday', 16, 20, 0.352),
          period('Night', [], 'all', 23, 6, 0.164),
        ],
      },
    },
    pricePerWatt: 2.35,
    gridCo2: { kgPerKwh: 0.31, year: 2024, source: 'Narrow Bay Grid' },
    listShare: 1,
  },
  {
    id: 'tarrowee',
    name: 'Tarrowee',
    region: 'Bungarra Vale',
    latitudeDeg: -34.7,
    longitudeDeg: 138.7,
    elevationM: 46,
    timeZone: 'Australia/Adelaide',
    timeZoneHours: 9.5,
    currency: 'AUD',
    locale: 'en-AU',
    units: 'metric',
    lowestTemperatureC: -1,
    highestTemperatureC: 45,
    gridPhases: 'three',
    gridVoltageV: 400,
    snowLoadKpa: 0,
    windMs: 45,
    windMean: 'three-seconds',
    terrain: 'farmland',
    roofCovering: 'metal',
    rafterSpacingM: 0.6,
    rulesId: 'tarrowee-roofs',
    streetsTurnDeg: -6,
    streets: ['Quandong Street', 'Saltbush Avenue', 'Drover’s Way', 'Galah Court', 'Ironbark Road'],
    crossStreets: ['Station Street', 'Weir Road', 'Paddock Lane'],
    numberFirst: true,
    stations: [
      {
        id: 'tarrowee-silo',
        name: 'Tarrowee Silo',
        latitudeDeg: -34.66,
        longitudeDeg: 138.75,
        elevationM: 52,
        dailyKwhM2: tarroweeSun,
        meanC: tarroweeAir,
        windMs: 3.8,
      },
      {
        id: 'gulf-jetty',
        name: 'Gulf Jetty',
        latitudeDeg: -34.83,
        longitudeDeg: 138.48,
        elevationM: 3,
        dailyKwhM2: shifted(tarroweeSun, 0, 1.01),
        meanC: shifted(tarroweeAir, -0.4),
        windMs: 5,
      },
      {
        id: 'bungarra-range',
        name: 'Bungarra Range',
        latitudeDeg: -34.95,
        longitudeDeg: 139.05,
        elevationM: 402,
        dailyKwhM2: shifted(tarroweeSun, 0, 0.96),
        meanC: shifted(tarroweeAir, -3),
        windMs: 4.2,
      },
    ],
    tariffs: {
      now: {
        name: 'Home flat',
        utility: 'Bungarra Energy',
        fixedPerMonth: 31,
        pricePerKwh: 0.415,
        exportPerKwh: 0,
        periods: [],
      },
      then: {
        name: 'Home feed-in',
        utility: 'Bungarra Energy',
        fixedPerMonth: 31,
        pricePerKwh: 0.439,
        exportPerKwh: 0.06,
        periods: [period('Sun soak', [], 'all', 10, 15, 0.29), period('Peak', [], 'all', 17, 21, 0.55)],
      },
    },
    pricePerWatt: 0.85,
    gridCo2: { kgPerKwh: 0.26, year: 2024, source: 'Gulf Transmission' },
    listShare: 1.05,
  },
  {
    id: 'valdecorva',
    name: 'Valdecorva',
    region: 'Sierra de Almara',
    latitudeDeg: 40.3,
    longitudeDeg: -3.9,
    elevationM: 660,
    timeZone: 'Europe/Madrid',
    timeZoneHours: 1,
    currency: 'EUR',
    locale: 'en-IE',
    units: 'metric',
    lowestTemperatureC: -8,
    highestTemperatureC: 41,
    gridPhases: 'single',
    gridVoltageV: 230,
    snowLoadKpa: 0.6,
    windMs: 26,
    windMean: 'ten-minutes',
    terrain: 'suburb',
    // What slopes; what is level there has a membrane in any case.
    roofCovering: 'tile',
    rafterSpacingM: 0.6,
    rulesId: 'valdecorva-azoteas',
    streetsTurnDeg: 14,
    streets: ['Calle del Olmo', 'Calle de la Cigüeña', 'Calle Encinar', 'Calle del Pozo', 'Camino Alto'],
    crossStreets: ['Calle Mayor', 'Calle del Molino', 'Calle Umbría'],
    numberFirst: false,
    stations: [
      {
        id: 'valdecorva-aerodromo',
        name: 'Valdecorva Aeródromo',
        latitudeDeg: 40.37,
        longitudeDeg: -3.79,
        elevationM: 690,
        dailyKwhM2: valdecorvaSun,
        meanC: valdecorvaAir,
        windMs: 2.9,
      },
      {
        id: 'almara-presa',
        name: 'Almara Presa',
        latitudeDeg: 40.15,
        longitudeDeg: -4.2,
        elevationM: 540,
        dailyKwhM2: shifted(valdecorvaSun, 0, 1.02),
        meanC: shifted(valdecorvaAir, 0.9),
        windMs: 2.4,
      },
      {
        id: 'alto-corva',
        name: 'Alto de Corva',
        latitudeDeg: 40.78,
        longitudeDeg: -3.98,
        elevationM: 1480,
        dailyKwhM2: shifted(valdecorvaSun, 0, 0.97),
        meanC: shifted(valdecorvaAir, -5.2),
        windMs: 5.6,
      },
    ],
    tariffs: {
      now: {
        name: 'Hogar tres tramos',
        utility: 'Corva Eléctrica',
        fixedPerMonth: 16,
        pricePerKwh: 0.168,
        exportPerKwh: 0,
        periods: [
          period('Punta', [], 'weekday', 10, 14, 0.236),
          period('Punta tarde', [], 'weekday', 18, 22, 0.236),
          period('Valle', [], 'all', 0, 8, 0.118),
          period('Fin de semana', [], 'weekend', 0, 24, 0.118),
        ],
      },
      then: {
        name: 'Hogar con excedentes',
        utility: 'Corva Eléctrica',
        fixedPerMonth: 16,
        pricePerKwh: 0.168,
        exportPerKwh: 0.062,
        periods: [
          period('Punta', [], 'weekday', 10, 14, 0.236),
          period('Punta tarde', [], 'weekday', 18, 22, 0.236),
          period('Valle', [], 'all', 0, 8, 0.118),
          period('Fin de semana', [], 'weekend', 0, 24, 0.118),
        ],
      },
    },
    pricePerWatt: 1.05,
    gridCo2: { kgPerKwh: 0.12, year: 2024, source: 'Red de la Vega' },
    listShare: 0.7,
  },
]
