import { writeFileSync } from 'node:fs'
import { acStage } from '@/core/stages/ac'
import { weatherIn } from '@/services/weather'
import { stationEpw } from '@/town/stations'
import { freshGraph, job, option, worldOf } from '@/town/testing'

/**
 * Writes what the shipped house's first option would have recorded from September 2025 on, had it lost a quarter of its
 * power on 12 June 2026: hours in the weather that was. `made-file.ts FILE`
 */
const [file] = process.argv.slice(2)
if (file === undefined) throw new Error('name the file to write')
const world = await worldOf(job.house, option)
const graph = freshGraph()
const years = new Map<number, Float64Array>()
for (const year of [2025, 2026]) {
  const epw = stationEpw(world.station.id, year)
  if (epw === undefined) throw new Error('the station has this year')
  const run = graph.open({ ...world, weather: weatherIn(epw) })
  await run.prepare([acStage], { atMostMs: Infinity, pause: async () => true })
  years.set(year, run.value(acStage).kwhByInterval)
}
const hourMs = 3_600_000
const [first, broken] = [Date.UTC(2025, 8, 1), Date.UTC(2026, 5, 12)]
const rows = Array.from({ length: 365 * 24 }, (_, hour) => {
  const at = first + hour * hourMs
  const year = new Date(at).getUTCFullYear()
  const kwh = years.get(year)?.[(at - Date.UTC(year, 0, 1)) / hourMs] ?? 0
  const stamp = new Date(at).toISOString().slice(0, 16).replace('T', ' ')
  return `${stamp},0.4,${(at >= broken ? 0.75 * kwh : kwh).toFixed(3)}`
})
writeFileSync(file, ['time,grid import (kWh),solar production (kWh)', ...rows].join('\n'))
