import { type Command } from 'commander'
import { readMeter, energyOf } from '@/core/load/meter/read-meter'
import { type MeterProblem } from '@/core/load/meter/reading'
import { textOf } from '@/core/weather/text'
import { meterProblems } from '@/words/en/meter-problems'
import { plainEnglish } from '@/words/plain-english'
import { csv, print, readBytes, writeFile } from '../files'

const sentences: Readonly<Record<string, string>> = meterProblems

/** What looks odd in a meter's file, in a sentence. */
export const meterProblemOut = ({ code, data, line, severity }: MeterProblem) => ({
  code,
  message: plainEnglish.say(sentences[code] ?? code, { ...data, line }),
  line,
  severity,
})

const timeOf = (minutes: number): string => new Date(minutes * 60_000).toISOString().slice(0, 16)

export function addLoad(gable: Command): void {
  gable
    .command('load')
    .description('What a meter’s file holds, and what looks wrong in it')
    .argument('<file>', 'intervals as CSV, or Atom by NAESB REQ.21 (ESPI)')
    .option('--column <heading>', 'the column to read; the likeliest when not given')
    .option('--csv <file>', 'writes the intervals as a table, gaps filled')
    .action((file: string, options: { column?: string; csv?: string }) => {
      const series = readMeter(textOf(readBytes(file)), options.column ?? null)
      const { stepMinutes, kwh, measured, start } = series
      if (options.csv)
        writeFile(
          options.csv,
          csv(
            ['time', 'kWh', 'measured'],
            [...kwh].map((value, i) => [timeOf(start + i * stepMinutes), value, measured[i] ?? 0]),
          ),
        )
      const { totalKwh, annualKwh } = energyOf(series)
      print({
        stepMinutes,
        intervals: kwh.length,
        annualKwh,
        totalKwh,
        from: timeOf(start),
        to: timeOf(start + kwh.length * stepMinutes),
        missing: measured.filter((one) => one === 0).length,
        problems: series.problems.map(meterProblemOut),
      })
    })
}
