import { monthOfDay } from '@/core/model/model-year'
import { PNG } from 'pngjs'
import { tileAt } from '@/core/geometry/geo'
import { checkJob, jobToFile, parseJob } from '@/core/kinds/job'
import { weatherProblems } from '@/core/weather/quality'
import { buildRoof } from '@/core/roof/roof'
import { findAddresses } from './geocoder'
import { saltmarshJob } from './shipped-job'
import { paintTile } from './tile-painter'
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

test('every lot has a house with a roof, and no two share an address', () => {
  for (const town of towns) {
    const { lots } = townMap(town)
    expect(lots.length).toBeGreaterThan(100)
    expect(new Set(lots.map((lot) => lot.address)).size).toBe(lots.length)
    for (const lot of lots)
      for (const volume of lot.volumes) expect(buildRoof(volume).planes.length).toBeGreaterThan(0)
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

test('a tile over the shipped house shows more than lawn', () => {
  const town = towns[0]
  const lot = town && townMap(town).lots.find((l) => l.number === 14 && l.street === 'Saltmarsh Road')
  if (!town || !lot) throw new Error('the shipped house stands in the first town')
  const png = PNG.sync.read(paintTile(townMap(town), tileAt(lot.place, 19)))
  expect([png.width, png.height]).toEqual([256, 256])
  const colours = new Set<number>()
  for (let i = 0; i < png.data.length; i += 4)
    colours.add(
      ((png.data[i] ?? 0) >> 5) * 64 + ((png.data[i + 1] ?? 0) >> 5) * 8 + ((png.data[i + 2] ?? 0) >> 5),
    )
  expect(colours.size).toBeGreaterThan(12)
})

test('the shipped job is a job, and comes back from its file as it was', () => {
  const job = saltmarshJob()
  checkJob(job)
  expect(parseJob(JSON.parse(JSON.stringify(jobToFile(job))))).toEqual(job)
})
