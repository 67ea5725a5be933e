import { type Command } from 'commander'
import { chosenParts, toBring, type ChosenPart } from '@/core/parts/chosen-parts'
import { partsList } from '@/core/parts/parts-list'
import { builtOf } from '@/core/readers/built'
import { electricalIn } from '@/core/stages/world'
import { partNames, partReasons, parts } from '@/words/en/parts'
import { english } from '@/words/english'
import { namesIn } from '@/words/names'
import { Sayer } from '@/words/sayer'
import { theOne } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { print } from '../files'
import { jobArgument, optionOf, readJob, runOf, worldOption } from '../job'

/** A line as programs and people read it. */
const lineOut = ({ line, name, count, unit, price, weightKg, onSite }: ChosenPart, sayer: Sayer) => ({
  ...(line
    ? {
        part:
          line.typeId === null ? partNames[line.code] : `${partNames[line.code]}, ${sayer.name(line.typeId)}`,
        code: line.code,
        ...(line.typeId === null ? {} : { type: line.typeId }),
      }
    : { part: name }),
  count,
  unit,
  why: line ? sayer.say(partReasons[line.code], line.data) : parts.added,
  ...(price === null ? {} : { price }),
  ...(weightKg === null ? {} : { weightKg }),
  ...(onSite ? { onSite } : {}),
  ...(line && line.count !== count ? { counted: line.count } : {}),
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
      const lines = chosenParts(partsList(builtOf(run, world)), electricalIn(world))
      const { price, weightKg } = toBring(lines)
      print({
        option: letter,
        lines: lines.map((one) => lineOut(one, sayer)),
        total: price,
        currency: place.currency,
        weightKg,
      })
    })
}
