import { Option, type Command } from 'commander'
import { paperDxf } from '@/core/drawing/paper-dxf'
import { paperPdf } from '@/core/drawing/paper-pdf'
import { ofKind, theOne } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { Fault } from '@/core/model/fault'
import { handOverSet, permitSet } from '@/core/papers/sets'
import { paperFactsOf, permitLines } from '@/core/readers/papered'
import { buildingsAround } from '@/services/survey'
import { papers } from '@/words/en/papers'
import { english } from '@/words/english'
import { paperOf } from '@/words/format'
import { namesIn } from '@/words/names'
import { handOverText } from '@/words/papers/hand-over-text'
import { permitText } from '@/words/papers/permit-text'
import { Sayer } from '@/words/sayer'
import { print, writeFile } from '../files'
import { jobArgument, optionOf, readJob, runOf, worldOption } from '../job'
import { worldAt } from '../world-files'

const sets = ['permit', 'hand-over'] as const
const forms = ['pdf', 'dxf'] as const

interface Options {
  readonly set: (typeof sets)[number]
  readonly option?: string
  readonly world?: string
  readonly out: string
}

export function addPapers(gable: Command): void {
  gable
    .command('papers')
    .description('The drawings and lists of an option, for the permit office or the installer')
    .argument('<job>', jobArgument)
    .addOption(new Option('--set <set>', 'whom they are for').choices(sets).default('permit'))
    .option('--option <option>', 'letter or id; the first when not given')
    .option(...worldOption)
    .requiredOption('--out <file>', 'where to write: .pdf or .dxf')
    .action(async (file: string, { set, option: name, world: service, out }: Options) => {
      const form = forms.find((one) => out.toLowerCase().endsWith(`.${one}`))
      if (!form) throw new Fault('bad-papers-form', { file: out }, 'out')
      const read = readJob(file)
      const { option, letter } = optionOf(read.job, name)
      const { world, run } = await runOf(read, option, service)
      const facts = paperFactsOf(run, world)
      if (facts.built.strings.length === 0)
        throw new Fault('no-modules-to-draw', { option: letter }, 'option')
      const place = theOne(world.house, 'site', siteId)
      const sayer = new Sayer(english, place, namesIn([world.house, world.option], world.catalogue))
      const from = {
        built: facts.built,
        volts: facts.volts,
        as: place,
        paper: paperOf(place.locale),
        lots: ofKind(world.house, 'lot').map(({ outline }) => outline),
        // The vicinity shows what the job has where nobody knows the buildings around.
        around: await buildingsAround(worldAt(service ?? process.env['WORLD_URL']), place).catch(
          (error: unknown) => {
            if (error instanceof Fault) return []
            throw error
          },
        ),
        drawn: {
          site: facts.built.site,
          place,
          holdings: facts.built.holdings,
          nameOf: (id: string) => sayer.name(id),
        },
      }
      const drawings =
        set === 'permit'
          ? permitSet(from, permitText(sayer, facts))
          : handOverSet(from, handOverText(sayer, facts, []))
      const title = set === 'permit' ? papers.permitTitle : papers.handOverTitle
      writeFile(out, form === 'pdf' ? paperPdf(drawings, title) : paperDxf(drawings))
      print({
        out,
        option: letter,
        sheets: drawings.map((drawing) => drawing.title),
        missing: permitLines(facts).flatMap(({ item, state }) => (state === 'missing' ? [item] : [])),
      })
    })
}
