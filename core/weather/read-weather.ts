import { Fault } from '../model/fault'
import { isEpw, readEpwFile } from './epw'
import { epwYear } from './epw-year'
import { guessMapping, readTable, type CsvMapping, type CsvTable } from './csv-table'
import { csvYear, type CsvPlace } from './csv-year'
import { weatherProblems } from './quality'
import { type WeatherReading } from './reading'

/** Where a file that does not say is taken to be from. */
export interface WeatherPlace extends CsvPlace {
  readonly timeZoneHours: number
}

/** The place that stands in a table's remarks, else the one given. */
export function placeOf(table: CsvTable, given: WeatherPlace): CsvPlace {
  const said = (names: readonly string[], low: number, high: number) => {
    const text = names.map((name) => table.remarks[name]).find((value) => value !== undefined)
    const value = Number(text)
    return text !== undefined && value >= low && value <= high ? value : null
  }
  return {
    name: table.remarks['name'] ?? given.name,
    latitudeDeg: said(['latitude', 'lat'], -90, 90) ?? given.latitudeDeg,
    longitudeDeg: said(['longitude', 'lon'], -180, 180) ?? given.longitudeDeg,
    elevationM: said(['elevation_m', 'elevation', 'altitude'], -1000, 9999) ?? given.elevationM,
  }
}

/**
 * A year from a weather file of any kind, with all that was noticed: EPW by its first word, else a table.
 * @param mapping of a table; guessed when not given
 * @param shiftMinutes to move all values later by
 * @throws Fault of the reader, see `epwYear` and `csvYear`
 */
export function readWeather(
  text: string,
  given: WeatherPlace,
  mapping?: CsvMapping,
  shiftMinutes = 0,
): WeatherReading {
  return isEpw(text)
    ? checked(epwYear(readEpwFile(text), shiftMinutes))
    : tableYear(readTable(text), given, mapping, shiftMinutes)
}

/** With what looks wrong in the year beside what its reader noticed. */
const checked = (reading: WeatherReading): WeatherReading => ({
  ...reading,
  problems: [...reading.problems, ...weatherProblems(reading)],
})

const tableYear = (
  table: CsvTable,
  given: WeatherPlace,
  mapping?: CsvMapping,
  shiftMinutes = 0,
): WeatherReading =>
  checked(
    csvYear(table, mapping ?? guessMapping(table, given.timeZoneHours), placeOf(table, given), shiftMinutes),
  )

const nowhere: WeatherPlace = {
  name: '',
  latitudeDeg: NaN,
  longitudeDeg: NaN,
  elevationM: 0,
  timeZoneHours: 0,
}

/**
 * The same for a file that says itself where it is from.
 * @throws Fault `no-place`
 */
export function readPlaced(text: string): WeatherReading {
  if (isEpw(text)) return readWeather(text, nowhere)
  const table = readTable(text)
  const { latitudeDeg, longitudeDeg } = placeOf(table, nowhere)
  if (Number.isNaN(latitudeDeg) || Number.isNaN(longitudeDeg)) throw new Fault('no-place', {}, 'line 1')
  return tableYear(table, nowhere)
}
