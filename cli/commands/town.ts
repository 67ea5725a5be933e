import { Option, type Command } from 'commander'
import { Fault } from '@/core/model/fault'
import { housesEach, practiceKinds, type PracticeKind } from '@/town/practice/houses'
import { writePractice } from '@/town/practice/write'
import { print } from '../files'
import { numberFrom } from '../options'

interface Options {
  readonly seed: number
  readonly kind: PracticeKind
  readonly house: number
  readonly cell: number
  readonly noise: number
  readonly out: string
}

const whole = (flag: string, high: number) => (text: string) => {
  const value = numberFrom(flag, { low: 0, high }, text)
  if (!Number.isInteger(value)) throw new Fault('bad-option', { name: flag, text, low: 0, high }, flag)
  return value
}

export function addTown(gable: Command): void {
  gable
    .command('town')
    .description('A house to practise on: its heights, outline, picture and truth as files')
    .requiredOption('--seed <number>', 'another place for another number', whole('seed', 1_000_000))
    .addOption(
      new Option('--kind <town>', 'how houses are built').choices(practiceKinds).default('pellworth'),
    )
    .requiredOption('--house <number>', `from 0 to ${housesEach - 1}`, whole('house', housesEach - 1))
    .option(
      '--cell <m>',
      'side of a cell of the heights',
      (text) => numberFrom('cell', { low: 0.1, high: 2 }, text),
      0.25,
    )
    .option(
      '--noise <m>',
      'scatter of a height',
      (text) => numberFrom('noise', { low: 0, high: 1 }, text),
      0.08,
    )
    .requiredOption('--out <folder>', 'where to write; made where it is not there')
    .action(async ({ seed, kind, house, cell, noise, out }: Options) => {
      try {
        print(await writePractice({ seed, kind, house, cellM: cell, noiseM: noise }, out))
      } catch (error) {
        if (!(error instanceof Error && 'code' in error)) throw error
        throw new Fault('no-file', { file: out, doing: 'write', reason: String(error.code) }, out)
      }
    })
}
