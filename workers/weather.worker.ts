import { monthsOf } from '@/core/model/model-year'
import { Fault } from '@/core/model/fault'
import { mountHeat } from '@/core/energy/cell-temperature'
import { meterFile } from '@/core/load/meter-file'
import { fitDiode } from '@/core/energy/fit-diode'
import { settledLosses } from '@/core/kinds/losses/first-year'
import { diodePower } from '@/core/energy/module-power'
import { byMonth } from '@/core/energy/loss-chain'
import { quickEstimate } from '@/core/energy/quick-estimate'
import { sunHours } from '@/core/sun/sun-hours'
import { guessMapping, readTable, type CsvMapping, type CsvTable } from '@/core/weather/csv-table'
import { isEpw } from '@/core/weather/epw'
import { placeOf, readWeather, type WeatherPlace } from '@/core/weather/read-weather'
import { type WeatherReading } from '@/core/weather/reading'
import { textOf } from '@/core/weather/text'
import { energyKwh } from '@/core/weather/weather-year'
import { writeWeatherCsv } from '@/core/weather/write-csv'
import { faultDetail } from './fault-detail'
import { weatherAt } from './fetch-weather'
import { type OpenedWeather, type WeatherAnswer, type WeatherRequest } from './weather-messages'

const sampleRows = 6

/** The file that is open, and how it was last read. */
let open: { text: string; table: CsvTable | null; reading: WeatherReading | null } | null = null

const post = (answer: WeatherAnswer) => self.postMessage(answer)

function openFile(bytes: ArrayBuffer, place: WeatherPlace): OpenedWeather {
  const text = textOf(new Uint8Array(bytes))
  const table = isEpw(text) ? null : readTable(text)
  open = { text, table, reading: null }
  const mapping = table && guessMapping(table, place.timeZoneHours)
  return look(mapping, 0, table ? { ...place, ...placeOf(table, place) } : place)
}

/** Reads the open file with a mapping; what is wrong is part of the answer. */
function look(mapping: CsvMapping | null, shiftMinutes: number, place: WeatherPlace): OpenedWeather {
  if (!open) throw new Fault('no-file-open')
  const { text, table } = open
  const shown = {
    kind: table ? ('table' as const) : ('epw' as const),
    headings: table?.headings ?? [],
    sample: table?.rows.slice(0, sampleRows) ?? [],
    rows: table?.rows.length ?? 0,
    mapping,
    shiftMinutes,
  }
  try {
    const reading = readWeather(text, place, mapping ?? undefined, shiftMinutes)
    open.reading = reading
    return { ...shown, reading: summary(reading), fault: null }
  } catch (error) {
    open.reading = null
    return { ...shown, reading: null, fault: faultDetail(error) }
  }
}

function summary({ year, problems }: WeatherReading): OpenedWeather['reading'] {
  const { name, latitudeDeg, longitudeDeg, elevationM, timeZoneHours, stepMinutes } = year
  return {
    place: { name, latitudeDeg, longitudeDeg, elevationM, timeZoneHours },
    stepMinutes,
    ghiKwhM2: energyKwh(year.ghi, stepMinutes),
    dniKwhM2: energyKwh(year.dni, stepMinutes),
    dhiKwhM2: energyKwh(year.dhi, stepMinutes),
    meanC: year.temperatureC.reduce((sum, value) => sum + value, 0) / year.temperatureC.length,
    monthlyGhi: byMonth(year.ghi, monthsOf(stepMinutes), stepMinutes / 60_000).monthly,
    hasSnow: year.snowDepthM !== null,
    problems,
  }
}

async function estimate(request: Extract<WeatherRequest, { type: 'estimate' }>) {
  const { value: year } = await weatherAt(request.weatherUrl)
  const { site, module, inverter, losses, mount } = request
  const sun = sunHours(site, year.timeZoneHours, year.stepMinutes)
  return quickEstimate({
    weather: year,
    sun,
    albedoByMonth: site.albedoByMonth,
    skyModel: site.skyModel,
    losses: settledLosses(losses, module),
    power: diodePower(fitDiode(module), module.strips),
    heat: mountHeat[mount],
    snowRows: module.halves,
    // A kilowatt of modules on a kilowatt of inverter: nothing is clipped that the design would not clip.
    inverter: {
      acPowerW: 1000,
      efficiency: inverter.efficiency,
      nightW: (inverter.nightW * 1000) / inverter.acPowerW,
    },
  })
}

async function answer(request: WeatherRequest): Promise<WeatherAnswer> {
  const { id } = request
  if (request.type === 'open') return { type: 'opened', id, opened: openFile(request.bytes, request.place) }
  if (request.type === 'map')
    return { type: 'opened', id, opened: look(request.mapping, request.shiftMinutes, request.place) }
  if (request.type === 'meter') {
    return { type: 'meter', id, read: meterFile(textOf(new Uint8Array(request.bytes))) }
  }
  if (request.type === 'estimate') return { type: 'estimated', id, estimate: await estimate(request) }
  if (!open?.reading) throw new Fault('not-read-yet')
  return { type: 'table', id, csv: writeWeatherCsv(open.reading.year) }
}

self.onmessage = ({ data }: MessageEvent<WeatherRequest>) => {
  answer(data).then(post, (error: unknown) => post({ type: 'fault', id: data.id, fault: faultDetail(error) }))
}
