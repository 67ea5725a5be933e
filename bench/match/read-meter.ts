import { type MeterFile } from '@/core/load/meter-file'
import { Fault } from '@/core/model/fault'
import { type WeatherDesk } from '../stations/weather-desk'

const mostBytes = 60_000_000

/**
 * Reads a meter's file off the page's thread.
 * @throws Fault of `meterFile`, `meter-too-large`, `worker-stopped`
 */
export async function readMeterFile(desk: WeatherDesk, file: File): Promise<MeterFile> {
  if (file.size > mostBytes) throw new Fault('meter-too-large', { limit: mostBytes / 1e6 })
  const bytes = await file.arrayBuffer()
  return (await desk.ask('meter', { type: 'meter', bytes }, [bytes])).read
}
