import { type Command } from 'commander'
import { readMade } from '@/core/after/made'
import { type AfterReport } from '@/core/after/report'
import { Graph } from '@/core/graph/graph'
import { type Keyed } from '@/core/graph/keyed'
import { isDay } from '@/core/model/day'
import { Fault } from '@/core/model/fault'
import { yearAfter, yearsOfMade } from '@/core/readers/year-after'
import { type World } from '@/core/stages/world'
import { textOf } from '@/core/weather/text'
import { type WeatherYear } from '@/core/weather/weather-year'
import { textFrom } from '@/services/ask'
import { weatherIn } from '@/services/weather'
import { recordPath } from '@/services/world'
import { print, readBytes } from '../files'
import { jobArgument, optionOf, readJob, runOf, worldOption } from '../job'
import { worldAt } from '../world-files'
import { meterProblemOut } from './load'

interface Options {
  readonly made: string
  readonly column?: string
  readonly weather: readonly string[]
  readonly since?: string
  readonly option?: string
  readonly world?: string
}

const dayMs = 86_400_000

export function addAfter(gable: Command): void {
  gable
    .command('after')
    .description('What an option promised against what was made, corrected for the weather that was')
    .argument('<job>', jobArgument)
    .requiredOption('--made <file>', 'intervals, days or months of a meter or of monitoring, as CSV')
    .option('--column <heading>', 'the column to read; the likeliest when not given')
    .option(
      '--weather <year=file...>',
      'the weather of a year, EPW or CSV; that of the station when not given',
      [],
    )
    .option(
      '--since <day>',
      'when it began to run, such as 2025-07-01; the first day measured when not given',
    )
    .option('--option <option>', 'letter or id; the first when not given')
    .option(...worldOption)
    .action(async (file: string, options: Options) => {
      const { since } = options
      if (since !== undefined && !isDay(since)) throw new Fault('bad-since', { day: since }, 'since')
      const read = readJob(file)
      const made = readMade(textOf(readBytes(options.made)), options.column ?? null)
      const { option, letter } = optionOf(read.job, options.option)
      const { world } = await runOf(read, option, options.world)
      const years = await weathersOf(made, options, world)
      const report = await yearAfter(
        new Graph<World>({ now: () => performance.now() }),
        world,
        made,
        years,
        since === undefined ? null : Date.parse(since) / (dayMs / 24),
        { atMostMs: Infinity, pause: async () => true },
      )
      print({ option: letter, ...reportOut(report), problems: made.problems.map(meterProblemOut) })
    })
}

/** The weather of each year: of the files that are named, else of the station. */
async function weathersOf(
  made: Parameters<typeof yearsOfMade>[0],
  { weather, world: service }: Options,
  world: World,
): Promise<ReadonlyMap<number, Keyed<WeatherYear>>> {
  const years = new Map<number, Keyed<WeatherYear>>()
  for (const one of weather) {
    const found = /^(\d{4})=(.+)$/.exec(one)
    if (!found) throw new Fault('bad-year-file', { given: one }, 'weather')
    years.set(Number(found[1]), weatherIn(textOf(readBytes(found[2] ?? ''))))
  }
  const ask = worldAt(service ?? process.env['WORLD_URL'])
  for (const year of yearsOfMade(made)) {
    if (years.has(year)) continue
    try {
      years.set(year, weatherIn(await textFrom(ask, recordPath(world.station.id, year))))
    } catch (error) {
      // A year that nobody has: the report tells that the typical one stands in.
      if (!(error instanceof Fault)) throw error
    }
  }
  return years
}

const dayOut = (day: number) => new Date(day * dayMs).toISOString().slice(0, 10)
const hourOut = (hour: number) => new Date(hour * (dayMs / 24)).toISOString().slice(0, 16)

/** Days and hours as people write them. */
const reportOut = ({
  by,
  fromHour,
  toHour,
  clockAheadHours,
  weatherKnown,
  total,
  months,
  stretches,
  outages,
  changes,
  lid,
}: AfterReport) => ({
  by,
  from: hourOut(fromHour),
  to: hourOut(toHour),
  clockAheadHours,
  weatherKnown,
  total,
  months: months.map(({ year, month, ...figures }) => ({
    month: `${year}-${String(month + 1).padStart(2, '0')}`,
    ...figures,
  })),
  stretches: stretches.map(({ fromDay, toDay, ...stretch }) => ({
    from: dayOut(fromDay),
    to: dayOut(toDay),
    ...stretch,
  })),
  outages: outages.map(({ fromDay, toDay, lostKwh }) => ({
    from: dayOut(fromDay),
    to: dayOut(toDay),
    lostKwh,
  })),
  changes: changes.map(({ day, ...change }) => ({ since: dayOut(day), ...change })),
  lid: lid && { since: dayOut(lid.day), kw: lid.kw, kwhPerYear: lid.kwhPerYear },
})
