import { monthOfDay } from '@/core/model/model-year'
import { checkJob, jobToFile, parseJob } from '@/core/kinds/job'
import { weatherProblems } from '@/core/weather/quality'
import { findAddresses, nearAddresses } from './geocoder'
import { planesOver } from './lot-planes'
import { saltmarshJob } from './shipped-job'
import { townMap } from './town-map'
import { towns } from './towns'
import { stationYear } from './weather'

test('addresses are found by their words, in any town, with or without accents', () => {
  expect(findAddresses('14 saltmarsh')[0]?.label).toBe('14 Saltmarsh Road, Pellworth')
  expect(findAddresses('calle del olmo 7 valdecorva')[0]?.label).toBe('Calle del Olmo 7, Valdecorva')
  expect(findAddresses('cooper’s row pellworth').length).toBe(8)
  expect(findAddresses('1 Nowhere Road')).toEqual([])
  expect(findAddresses('  ')).toEqual([])
})

test('what is written a little differently finds the nearest addresses, nonsense finds none', () => {
  expect(findAddresses('14 saltmash raod')).toEqual([])
  expect(nearAddresses('14 saltmash raod')[0]?.label).toBe('14 Saltmarsh Road, Pellworth')
  expect(nearAddresses('calle del olmmo 7')[0]?.label).toBe('Calle del Olmo 7, Valdecorva')
  // A number that is not there: the houses beside it.
  expect(nearAddresses('9999 Tern Street').every(({ label }) => label.includes('Tern Street'))).toBe(true)
  for (const nonsense of ['1 Nowhere Road', 'zzzz', '', '14']) expect(nearAddresses(nonsense)).toEqual([])
})

test('coordinates are an address near a town, with either mark and with letters, and nowhere else', () => {
  const town = towns[0]
  if (!town) throw new Error('there are towns')
  const [lat, lon] = [town.latitudeDeg, town.longitudeDeg]
  const label = `${lat.toFixed(5)}, ${lon.toFixed(5)}`
  const west = Math.abs(lon).toFixed(5)
  for (const query of [
    label,
    label.replace(',', ''),
    `${lat.toFixed(5).replace('.', ',')}; ${lon.toFixed(5).replace('.', ',')}`,
    `${lat.toFixed(5)} N ${west} ${lon < 0 ? 'W' : 'E'}`,
  ])
    expect(findAddresses(query)).toMatchObject([{ label, town: { name: town.name } }])
  expect(findAddresses('0, 0')).toEqual([])
  expect(findAddresses('95.0, 10.0')).toEqual([])
})

test('every lot has a house with a roof, and no two share an address', () => {
  for (const town of towns) {
    const { lots } = townMap(town)
    expect(lots.length).toBeGreaterThan(100)
    expect(new Set(lots.map((lot) => lot.address)).size).toBe(lots.length)
    for (const lot of lots) expect(planesOver(lot).length).toBeGreaterThan(0)
  }
})

test('weather meets its normals within a percent, looks sound, and is the same every time', () => {
  for (const town of towns.slice(0, 2)) {
    const station = town.stations[0]
    if (!station) throw new Error('a town has stations')
    const year = stationYear(town, station)
    for (let month = 0; month < 12; month++) {
      const hours = Array.from(year.ghi.keys()).filter((i) => monthOfDay(Math.floor(i / 24)) === month)
      const daily = hours.reduce((s, i) => s + (year.ghi[i] ?? 0), 0) / 1000 / (hours.length / 24)
      expect(Math.abs(daily / (station.dailyKwhM2[month] ?? 0) - 1)).toBeLessThan(0.01)
    }
    expect(weatherProblems({ year, lines: new Int32Array(8760), problems: [] })).toEqual([])
    expect(stationYear(town, station).ghi).toEqual(year.ghi)
  }
})

test('the shipped job is a job, and comes back from its file as it was', () => {
  const job = saltmarshJob()
  checkJob(job)
  expect(parseJob(JSON.parse(JSON.stringify(jobToFile(job))))).toEqual(job)
})
