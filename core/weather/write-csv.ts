import { modelYear } from '../model/model-year'
import { type WeatherYear } from './weather-year'

/**
 * A year as a table that `readWeather` reads back to the last digit: a remark with the place, then the beginning of each
 * interval in standard time, irradiance in W/m², temperature in °C, wind in m/s, and albedo (share) and snow depth (m)
 * where they are known.
 */
export function writeWeatherCsv(year: WeatherYear): string {
  const stamp = (i: number) =>
    new Date(Date.UTC(modelYear, 0, 1) + i * year.stepMinutes * 60_000).toISOString().slice(0, 16)
  const columns: [string, Float64Array][] = [
    ['ghi_wm2', year.ghi],
    ['dni_wm2', year.dni],
    ['dhi_wm2', year.dhi],
    ['temperature_c', year.temperatureC],
    ['wind_ms', year.windMs],
  ]
  if (year.albedo) columns.push(['albedo', year.albedo])
  if (year.snowDepthM) columns.push(['snow_depth_m', year.snowDepthM])
  const place = `# name=${year.name.replaceAll(/[,;=\n]/g, ' ')}, latitude=${year.latitudeDeg}, longitude=${year.longitudeDeg}, elevation_m=${year.elevationM}, time_zone_h=${year.timeZoneHours}`
  const lines = [place, ['time', ...columns.map(([name]) => name)].join(',')]
  for (let i = 0; i < year.ghi.length; i++)
    lines.push([stamp(i), ...columns.map(([, series]) => String(series[i] ?? 0))].join(','))
  return `${lines.join('\n')}\n`
}
