import { type Command } from 'commander'
import { energyKwh } from '@/core/weather/weather-year'
import { print, readWeatherFile } from '../files'

export function addWeather(gable: Command): void {
  gable
    .command('weather')
    .description('What a weather file holds, and what looks wrong in it')
    .argument('<file>', 'EPW or CSV file')
    .action((file: string) => {
      const { year, problems } = readWeatherFile(file)
      print({
        lat: year.latitudeDeg,
        lon: year.longitudeDeg,
        elevationM: year.elevationM,
        timeZoneHours: year.timeZoneHours,
        stepMinutes: year.stepMinutes,
        intervals: year.ghi.length,
        ghiKwhM2: energyKwh(year.ghi, year.stepMinutes),
        dniKwhM2: energyKwh(year.dni, year.stepMinutes),
        dhiKwhM2: energyKwh(year.dhi, year.stepMinutes),
        meanTemperatureC: year.temperatureC.reduce((sum, t) => sum + t, 0) / year.temperatureC.length,
        problems,
      })
    })
}
