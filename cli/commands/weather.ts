import { type Command } from 'commander'
import { energyKwh } from '@/core/weather/weather-year'
import { isEpw, readEpwFile, writeEpwFile } from '@/core/weather/epw'
import { writeEpw } from '@/core/weather/epw-year'
import { type WeatherProblem } from '@/core/weather/reading'
import { writeWeatherCsv } from '@/core/weather/write-csv'
import { plainEnglish } from '@/words/plain-english'
import { weatherProblem } from '@/words/weather-problem'
import { print, readWeatherFile, writeFile } from '../files'

/** What looks wrong in a weather file, in a sentence. */
export const problemOut = (problem: WeatherProblem) => ({
  code: problem.code,
  message: weatherProblem(plainEnglish, problem),
  line: problem.line,
  severity: problem.severity,
})

export function addWeather(gable: Command): void {
  gable
    .command('weather')
    .description('What a weather file holds, and what looks wrong in it')
    .argument('<file>', 'EPW or CSV file')
    .option('--epw <file>', 'writes it as EPW; one that was EPW keeps every column')
    .option('--csv <file>', 'writes it as a table')
    .action((file: string, options: { epw?: string; csv?: string }) => {
      const { text, year, problems } = readWeatherFile(file)
      if (options.epw) writeFile(options.epw, isEpw(text) ? writeEpwFile(readEpwFile(text)) : writeEpw(year))
      if (options.csv) writeFile(options.csv, writeWeatherCsv(year))
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
        problems: problems.map(problemOut),
      })
    })
}
