import { Option, type Command } from 'commander'
import { paperSvg } from '@/core/drawing/paper-svg'
import { roofPlan } from '@/core/papers/roof-plan'
import { drawnForms, written, type DrawnForm } from '@/core/exports/write'
import { theOne } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { panelsOf } from '@/core/site/site'
import { siteStage } from '@/core/stages/site'
import { structureStage } from '@/core/stages/structure'
import { moduleIn, offerIn } from '@/core/stages/world'
import { english } from '@/words/english'
import { paperOf } from '@/words/format'
import { namesIn } from '@/words/names'
import { planLabels } from '@/words/plan-labels'
import { Sayer } from '@/words/sayer'
import { hourlyCsv, monthlyCsv } from '@/core/readers/results-csv'
import { shadeCsv, shadeGroupings, type ShadeGrouping } from '@/core/readers/shade-csv'
import { partCounts, partsCsv } from '@/core/parts/mounting-parts'
import { summarise } from '@/core/readers/summary'
import { print, writeFile } from '../files'
import { jobArgument, optionOf, readJob, runOf, wholeFile, worldOption } from '../job'

const formats = [
  'json',
  'csv-hourly',
  'csv-monthly',
  'shade-csv',
  'plan-svg',
  'mounting-csv',
  ...drawnForms,
] as const

const isDrawn = (format: string): format is DrawnForm => drawnForms.some((form) => form === format)

interface Options {
  readonly format: (typeof formats)[number]
  readonly by: ShadeGrouping
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
    .addOption(
      new Option('--by <columns>', 'what shade-csv has a column for')
        .choices(shadeGroupings)
        .default('array'),
    )
    .option('--option <option>', 'letter or id; the first when not given')
    .option(...worldOption)
    .requiredOption('--out <file>', 'where to write')
    .action(async (file: string, { format, by, option: name, out, world: service }: Options) => {
      const read = readJob(file)
      if (format === 'json') {
        writeFile(out, `${JSON.stringify(await wholeFile(read, service), null, 2)}\n`)
        print({ out, options: read.job.options.length })
        return
      }
      const { world, run } = await runOf(read, optionOf(read.job, name).option, service)
      const place = theOne(world.house, 'site', siteId)
      const sayer = new Sayer(english, place, namesIn([world.house, world.option], world.catalogue))
      if (isDrawn(format)) {
        const site = run.value(siteStage)
        const holdings = run.value(structureStage)
        const content = written(format, { site, place, holdings, nameOf: (id) => sayer.name(id) }, place)
        writeFile(out, content)
        print({ out, objects: site.objects.length, modules: panelsOf(site).length })
        return
      }
      if (format === 'plan-svg') {
        const site = run.value(siteStage)
        const labels = planLabels(sayer, site, moduleIn(world), {
          address: place.address,
          option: offerIn(world).name,
          locale: place.locale,
        })
        const holdings = run.value(structureStage)
        const drawn = { site, place, holdings, nameOf: (id: string) => sayer.name(id) }
        writeFile(out, paperSvg(roofPlan(drawn, place, paperOf(place.locale), labels)))
        print({ out, arrays: site.arrays.length, modules: panelsOf(site).length })
        return
      }
      if (format === 'mounting-csv') {
        const parts = partCounts(run.value(structureStage))
        writeFile(out, partsCsv(parts))
        print({ out, parts: parts.length })
        return
      }
      if (format === 'shade-csv') {
        const text = shadeCsv(run, by, (id) => sayer.name(id), world.weather.value.timeZoneHours)
        writeFile(out, text)
        print({ out, lines: text.split('\n').length - 1 })
        return
      }
      const summary = summarise(run, world)
      const text = format === 'csv-monthly' ? monthlyCsv(summary) : hourlyCsv(summary, summary.timeZoneHours)
      writeFile(out, text)
      print({ out, lines: text.split('\n').length - 1 })
    })
}
