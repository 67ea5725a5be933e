import { type Command } from 'commander'
import { chosenParts, toBring, type ChosenPart } from '@/core/parts/chosen-parts'
import { partsList } from '@/core/parts/parts-list'
import { quoteCsv, quoteJson, quoteLines, readPartPrices, withPrices } from '@/core/readers/part-prices'
import { builtOf } from '@/core/readers/built'
import { electricalIn } from '@/core/stages/world'
import { partReasons, parts } from '@/words/en/parts'
import { english } from '@/words/english'
import { namesIn } from '@/words/names'
import { partName } from '@/words/part-name'
import { Sayer } from '@/words/sayer'
import { theOne } from '@/core/kinds/documents'
import { Fault } from '@/core/model/fault'
import { siteId } from '@/core/kinds/site/site'
import { print, readBytes, writeFile } from '../files'
import { jobArgument, optionOf, readJob, runOf, worldOption } from '../job'

/** A line as programs and people read it. */
const lineOut = (part: ChosenPart, sayer: Sayer) => {
  const { line, count, unit, price, weightKg, onSite } = part
  return {
    part: partName(part, sayer),
    ...(line
      ? {
          code: line.code,
          ...(line.typeId === null ? {} : { type: line.typeId }),
        }
      : {}),
    count,
    unit,
    why: line ? sayer.say(partReasons[line.code], line.data) : parts.added,
    ...(price === null ? {} : { price }),
    ...(weightKg === null ? {} : { weightKg }),
    ...(onSite ? { onSite } : {}),
    ...(line && line.count !== count ? { counted: line.count } : {}),
  }
}

interface PartsOptions {
  readonly option?: string
  readonly world?: string
  readonly prices?: string
  readonly quote?: string
}

const quoteForms = ['csv', 'json'] as const

export function addParts(gable: Command): void {
  gable
    .command('parts')
    .description('Everything an option is put up with, counted and why')
    .argument('<job>', jobArgument)
    .option('--option <option>', 'letter or id; the first when not given')
    .option('--prices <file>', 'a distributor’s answer to a quote request: its prices hold in the list')
    .option(
      '--quote <file>',
      'writes a quote request for what is to be brought, by its ending as .csv or .json',
    )
    .option(...worldOption)
    .action(async (file: string, options: PartsOptions) => {
      const out = options.quote
      const form = quoteForms.find((one) => out?.toLowerCase().endsWith(`.${one}`))
      if (out !== undefined && !form) throw new Fault('bad-quote-form', { file: out }, 'quote')
      const read = readJob(file)
      const { option, letter } = optionOf(read.job, options.option)
      const { world, run } = await runOf(read, option, options.world)
      const place = theOne(world.house, 'site', siteId)
      const sayer = new Sayer(english, place, namesIn([world.house, world.option], world.catalogue))
      const counted = partsList(builtOf(run, world))
      const electrical = electricalIn(world)
      const answer =
        options.prices === undefined
          ? null
          : readPartPrices(
              readBytes(options.prices).toString('utf8'),
              chosenParts(counted, electrical),
              place.currency,
            )
      const lines = chosenParts(counted, answer ? withPrices(counted, electrical, answer.prices) : electrical)
      if (out !== undefined) {
        const asked = quoteLines(lines, (one) => partName(one, sayer))
        writeFile(out, form === 'json' ? quoteJson(asked, place.currency) : quoteCsv(asked))
      }
      const { price, weightKg } = toBring(lines)
      print({
        option: letter,
        lines: lines.map((one) => lineOut(one, sayer)),
        total: price,
        currency: place.currency,
        weightKg,
        ...(answer && answer.unknown.length > 0 ? { unknown: answer.unknown } : {}),
      })
    })
}
