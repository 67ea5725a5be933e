import { Option, type Command } from 'commander'
import { theOne } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { type ShownLine } from '@/core/readers/books'
import { summarise } from '@/core/readers/summary'
import { languageOf, languages, type Language } from '@/words/language'
import { speechOf } from '@/words/languages'
import { namesIn } from '@/words/names'
import { saidCheck } from '@/words/said-check'
import { Sayer } from '@/words/sayer'
import { explained } from '@/words/explained'
import { print } from '../files'
import { jobArgument, optionOf, readJob, runOf, worldOption } from '../job'

interface Options {
  readonly option?: string
  readonly world?: string
  readonly language?: Language
}

/** A line of the ledger as programs and people read it. */
function lineOut(line: ShownLine, sayer: Sayer) {
  const { id, value, unit, explanation } = line
  const written = explained(sayer, line)
  const figure = sayer.figure(line.shown, unit, line.absent)
  return {
    id,
    label: sayer.line(id),
    value,
    unit,
    written: `${figure.figure} ${figure.unit}`.trim(),
    explanation: {
      ...written,
      inputs: written.inputs.map(({ label, figure: text, unit: textUnit }, i) => {
        const given = explanation.inputs[i]?.value
        const quantity = typeof given === 'object' && 'unit' in given ? given : { value: text, unit: '' }
        return {
          label,
          value: quantity.value,
          unit: quantity.unit,
          written: `${text} ${textUnit}`.trim(),
        }
      }),
    },
  }
}

export function addRun(gable: Command): void {
  gable
    .command('run')
    .description('The whole ledger of a job')
    .argument('<job>', jobArgument)
    .option('--option <option>', 'letter or id; the first when not given')
    .option(...worldOption)
    .addOption(
      new Option('--language <language>', 'of labels and explanations; the job’s own when not given').choices(
        languages,
      ),
    )
    .action(async (file: string, options: Options) => {
      const read = readJob(file)
      const { option, letter } = optionOf(read.job, options.option)
      const { world, run } = await runOf(read, option, options.world)
      const site = theOne(read.job.house, 'site', siteId)
      const sayer = new Sayer(
        speechOf(options.language ?? languageOf(site.locale)),
        site,
        namesIn([world.house, world.option], world.catalogue, world.station),
      )
      const summary = summarise(run, world)
      print({
        job: read.job.name,
        option: letter,
        modules: summary.count,
        powerW: summary.powerW,
        ledger: summary.ledger.map((line) => lineOut(line, sayer)),
        checks: summary.checks.map((check) => ({
          id: check.id,
          code: check.code,
          severity: check.severity,
          ...saidCheck(sayer, check),
          measured: check.measured,
          objects: check.objects,
        })),
        monthly: summary.monthly,
      })
    })
}
