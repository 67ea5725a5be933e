import { Option, type Command } from 'commander'
import { Fault } from '@/core/model/fault'
import { jobToFile, optionLetter, parseJob, type Job, type JobOption } from '@/core/model/job'
import { Pipeline } from '@/core/pipeline/pipeline'
import { summarise } from '@/core/pipeline/summary'
import { saltmarshJob } from '@/town/shipped-job'
import { worldInput } from '@/town/world-input'
import { csv, print, readJsonFile, writeText } from '../files'

/** The shipped job stands in for a file under this name. */
const shippedName = 'shipped'

const readJob = (file: string): Job =>
  parseJob(file === shippedName ? JSON.parse(JSON.stringify(jobToFile(saltmarshJob()))) : readJsonFile(file))

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

const months = ['01', '02', '03', '04', '05', '06', '07', '08', '09', '10', '11', '12']

export function addJobCommands(gable: Command): void {
  gable
    .command('run')
    .description('The whole ledger of a job')
    .argument('<job>', `the job's own JSON, or "${shippedName}" for the shipped one`)
    .option('--option <option>', 'letter or id; the first when not given')
    .action((file: string, { option: name }: { option?: string }) => {
      const job = readJob(file)
      const { option, letter } = optionOf(job, name)
      const summary = summarise(new Pipeline().run(worldInput(job.house, option.objects)))
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
        const job = readJob(file)
        if (options.format === 'json') {
          writeText(options.out, `${JSON.stringify(jobToFile(job), null, 2)}\n`)
          print({ out: options.out, options: job.options.length })
          return
        }
        const result = new Pipeline().run(worldInput(job.house, optionOf(job, options.option).option.objects))
        const { monthly, carpet } = summarise(result)
        const text =
          options.format === 'csv-monthly'
            ? csv(
                ['month', 'yieldKwh', 'loadKwh', 'usedKwh', 'billBefore', 'billAfter'],
                months.map((month, m) => [
                  month,
                  ...[
                    monthly.yieldKwh,
                    monthly.loadKwh,
                    monthly.usedKwh,
                    monthly.billBefore,
                    monthly.billAfter,
                  ].map((s) => (s[m] ?? 0).toFixed(2)),
                ]),
              )
            : csv(
                ['interval', 'localHour', 'yieldKwh', 'loadKwh', 'netKwh', 'storedKwh', 'price'],
                Array.from(carpet.yield, (kwh, i) => [
                  i,
                  carpet.clockHour[i] ?? 0,
                  ...[kwh, carpet.load[i], carpet.net[i], carpet.battery[i], carpet.price[i]].map((v) =>
                    (v ?? 0).toFixed(4),
                  ),
                ]),
              )
        writeText(options.out, text)
        print({ out: options.out, lines: text.split('\n').length - 1 })
      },
    )
  gable
    .command('import')
    .description('Checks a file and gives it back as a job of today’s version')
    .argument('<file>')
    .addOption(new Option('--as <form>').choices(['job']).default('job'))
    .action((file: string) => print(jobToFile(readJob(file))))
}
