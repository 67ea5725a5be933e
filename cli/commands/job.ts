import { Option, type Command } from 'commander'
import { Fault } from '@/core/model/fault'
import { jobToFile, optionLetter, parseJob, type Job, type JobOption } from '@/core/model/job'
import { theOne } from '@/core/model/document'
import { siteId } from '@/core/model/kinds/site'
import { hourlyCsv, monthlyCsv } from '@/core/pipeline/results-csv'
import { fileOf, ownWeatherId } from '@/core/weather/own-weather'
import { readPlaced } from '@/core/weather/read-weather'
import { Pipeline } from '@/core/pipeline/pipeline'
import { summarise } from '@/core/pipeline/summary'
import { saltmarshJob } from '@/town/shipped-job'
import { worldInput, type OwnWeather } from '@/town/world-input'
import { print, readJsonFile, writeText } from '../files'

/** The shipped job stands in for a file under this name. */
const shippedName = 'shipped'

/** A job and the weather that came in its file, if it has its own. */
function readJob(file: string): { job: Job; own: OwnWeather | undefined } {
  const value: unknown =
    file === shippedName ? JSON.parse(JSON.stringify(jobToFile(saltmarshJob()))) : readJsonFile(file)
  const job = parseJob(value)
  const id = ownWeatherId(theOne(job.house, 'site', siteId).stationId)
  const table = id === null ? undefined : fileOf(value, id)
  return { job, own: id !== null && table !== undefined ? { id, year: readPlaced(table).year } : undefined }
}

/** The option with a letter or an id; the first when none is named. */
function optionOf(job: Job, name: string | undefined): { option: JobOption; letter: string } {
  const index =
    name === undefined
      ? 0
      : job.options.findIndex((option, i) => option.id === name || optionLetter(i) === name.toUpperCase())
  const option = job.options[index]
  if (!option) {
    const letters = job.options.map((_, i) => optionLetter(i)).join(', ')
    throw new Fault('no-such-option', `There is no option "${name}"; this job has ${letters}.`, 'option')
  }
  return { option, letter: optionLetter(index) }
}

export function addJobCommands(gable: Command): void {
  gable
    .command('run')
    .description('The whole ledger of a job')
    .argument('<job>', `the job's own JSON, or "${shippedName}" for the shipped one`)
    .option('--option <option>', 'letter or id; the first when not given')
    .action((file: string, { option: name }: { option?: string }) => {
      const { job, own } = readJob(file)
      const { option, letter } = optionOf(job, name)
      const summary = summarise(new Pipeline().run(worldInput(job.house, option.objects, own)))
      print({
        job: job.name,
        option: letter,
        modules: summary.count,
        powerW: summary.powerW,
        ledger: summary.ledger.map(({ id, label, value, unit, explanation }) => ({
          id,
          label,
          value,
          unit,
          explanation,
        })),
        checks: summary.checks,
        monthly: summary.monthly,
      })
    })
  gable
    .command('export')
    .description('A job in another form')
    .argument('<job>', `the job's own JSON, or "${shippedName}" for the shipped one`)
    .addOption(new Option('--format <format>').choices(['json', 'csv-hourly', 'csv-monthly']).default('json'))
    .option('--option <option>', 'letter or id; the first when not given')
    .requiredOption('--out <file>', 'where to write')
    .action(
      (
        file: string,
        options: { format: 'json' | 'csv-hourly' | 'csv-monthly'; option?: string; out: string },
      ) => {
        const { job, own } = readJob(file)
        if (options.format === 'json') {
          writeText(options.out, `${JSON.stringify(jobToFile(job), null, 2)}\n`)
          print({ out: options.out, options: job.options.length })
          return
        }
        const { option } = optionOf(job, options.option)
        const summary = summarise(new Pipeline().run(worldInput(job.house, option.objects, own)))
        const text =
          options.format === 'csv-monthly' ? monthlyCsv(summary) : hourlyCsv(summary, summary.timeZoneHours)
        writeText(options.out, text)
        print({ out: options.out, lines: text.split('\n').length - 1 })
      },
    )
  gable
    .command('import')
    .description('Checks a file and gives it back as a job of today’s version')
    .argument('<file>')
    .addOption(new Option('--as <form>').choices(['job']).default('job'))
    .action((file: string) => print(jobToFile(readJob(file).job)))
}
