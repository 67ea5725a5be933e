import { type Command } from 'commander'
import { partsList, totalsOf, type PartLine } from '@/core/parts/parts-list'
import { builtOf } from '@/core/readers/built'
import { partNames, partReasons } from '@/words/en/parts'
import { english } from '@/words/english'
import { namesIn } from '@/words/names'
import { Sayer } from '@/words/sayer'
import { theOne } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { print } from '../files'
import { jobArgument, optionOf, readJob, runOf, worldOption } from '../job'

/** A line as programs and people read it. */
const lineOut = ({ code, typeId, count, unit, data, price, weightKg }: PartLine, sayer: Sayer) => ({
  part: typeId === null ? partNames[code] : `${partNames[code]}, ${sayer.name(typeId)}`,
  code,
  ...(typeId === null ? {} : { type: typeId }),
  count,
  unit,
  why: sayer.say(partReasons[code], data),
  ...(price === null ? {} : { price }),
  ...(weightKg === null ? {} : { weightKg }),
})

export function addParts(gable: Command): void {
  gable
    .command('parts')
    .description('Everything an option is put up with, counted and why')
    .argument('<job>', jobArgument)
    .option('--option <option>', 'letter or id; the first when not given')
    .option(...worldOption)
    .action(async (file: string, options: { option?: string; world?: string }) => {
      const read = readJob(file)
      const { option, letter } = optionOf(read.job, options.option)
      const { world, run } = await runOf(read, option, options.world)
      const place = theOne(world.house, 'site', siteId)
      const sayer = new Sayer(english, place, namesIn([world.house, world.option], world.catalogue))
      const lines = partsList(builtOf(run, world))
      const { price, weightKg } = totalsOf(lines)
      print({
        option: letter,
        lines: lines.map((one) => lineOut(one, sayer)),
        total: price,
        currency: place.currency,
        weightKg,
      })
    })
}
