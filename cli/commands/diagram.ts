import { type Command } from 'commander'
import { singleLine } from '@/core/diagram/single-line'
import { paperDxf } from '@/core/drawing/paper-dxf'
import { paperPdf } from '@/core/drawing/paper-pdf'
import { paperSvg } from '@/core/drawing/paper-svg'
import { theOne } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { Fault } from '@/core/model/fault'
import { builtOf } from '@/core/readers/built'
import { stringsStage } from '@/core/stages/strings'
import { offerIn } from '@/core/stages/world'
import { diagramWords } from '@/words/diagram-words'
import { english } from '@/words/english'
import { namesIn } from '@/words/names'
import { Sayer } from '@/words/sayer'
import { print, writeFile } from '../files'
import { jobArgument, optionOf, readJob, runOf, worldOption } from '../job'

const writers = { svg: paperSvg, pdf: paperPdf, dxf: paperDxf } as const

const isForm = (form: string): form is keyof typeof writers => Object.hasOwn(writers, form)

export function addDiagram(gable: Command): void {
  gable
    .command('diagram')
    .description('The single-line diagram of an option')
    .argument('<job>', jobArgument)
    .option('--option <option>', 'letter or id; the first when not given')
    .option(...worldOption)
    .requiredOption('--out <file>', 'where to write: .svg, .pdf or .dxf')
    .action(async (file: string, options: { option?: string; world?: string; out: string }) => {
      const form = options.out.split('.').at(-1)?.toLowerCase() ?? ''
      if (!isForm(form)) throw new Fault('bad-form', { file: options.out }, 'out')
      const read = readJob(file)
      const { option, letter } = optionOf(read.job, options.option)
      const { world, run } = await runOf(read, option, options.world)
      const { address, locale, currency, units } = theOne(world.house, 'site', siteId)
      const sayer = new Sayer(
        english,
        { locale, currency, units },
        namesIn([world.house, world.option], world.catalogue),
      )
      const built = builtOf(run, world)
      const words = diagramWords(sayer, built, { address, units, option: offerIn(world).name })
      const drawing = singleLine(built, run.value(stringsStage).window, words)
      writeFile(options.out, writers[form](drawing))
      print({ out: options.out, option: letter, marks: drawing.marks.length })
    })
}
