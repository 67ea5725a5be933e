import { type Command } from 'commander'
import { weatherProblems } from '@/core/weather/quality'
import { energyKwh } from '@/core/weather/weather-year'
import { print, readWeather } from '../files'

export function addWeather(gable: Command): void {
  gable
    .command('weather')
    .description('What a weather file holds, and what looks wrong in it')
    .argument('<file>', 'EPW file')
    .action((file: string) => {
      const year = readWeather(file)
      const epwHeader = 8
      print({
        lat: year.latitudeDeg,
        lon: year.longitudeDeg,
        elevationM: year.elevationM,
        timeZoneHours: year.timeZoneHours,
        intervals: year.ghi.length,
        ghiKwhM2: energyKwh(year.ghi, year.stepMinutes),
        dniKwhM2: energyKwh(year.dni, year.stepMinutes),
        dhiKwhM2: energyKwh(year.dhi, year.stepMinutes),
        meanTemperatureC: year.temperatureC.reduce((sum, t) => sum + t, 0) / year.temperatureC.length,
        problems: weatherProblems(year).map(({ code, message, interval }) => ({
          code,
          message,
          line: epwHeader + interval + 1,
        })),
      })
    })
}
