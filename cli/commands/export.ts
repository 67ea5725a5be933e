import { Option, type Command } from 'commander'
import { hourlyCsv, monthlyCsv } from '@/core/readers/results-csv'
import { summarise } from '@/core/readers/summary'
import { print, writeText } from '../files'
import { jobArgument, optionOf, readJob, runOf, wholeFile, worldOption } from '../job'

const formats = ['json', 'csv-hourly', 'csv-monthly'] as const

interface Options {
  readonly format: (typeof formats)[number]
  readonly option?: string
  readonly out: string
  readonly world?: string
}

export function addExport(gable: Command): void {
  gable
    .command('export')
    .description('A job in another form')
    .argument('<job>', jobArgument)
    .addOption(new Option('--format <format>').choices(formats).default('json'))
    .option('--option <option>', 'letter or id; the first when not given')
    .option(...worldOption)
    .requiredOption('--out <file>', 'where to write')
    .action(async (file: string, { format, option: name, out, world: place }: Options) => {
      const read = readJob(file)
      if (format === 'json') {
        writeText(out, `${JSON.stringify(await wholeFile(read, place), null, 2)}\n`)
        print({ out, options: read.job.options.length })
        return
      }
      const { world, run } = await runOf(read, optionOf(read.job, name).option, place)
      const summary = summarise(run, world)
      const text = format === 'csv-monthly' ? monthlyCsv(summary) : hourlyCsv(summary, summary.timeZoneHours)
      writeText(out, text)
      print({ out, lines: text.split('\n').length - 1 })
    })
}
