import { type Command } from 'commander'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { between } from '@/core/model/rules'
import { answerCases, answerTo, linesOption, type Question } from './case-command'
import { print } from './files'

/** A number that comes as an option or as a field of a line. */
export interface NumberOption {
  readonly low: number
  readonly high: number
  readonly says: string
  readonly placeholder: string
}

/** @throws Fault `bad-option` */
export function numberFrom(
  flag: string,
  { low, high }: Pick<NumberOption, 'low' | 'high'>,
  text: string,
): number {
  const value = Number(text)
  if (text.trim() === '' || !(value >= low && value <= high))
    throw new Fault('bad-option', { name: flag, text, low, high }, flag)
  return value
}

/** The schema of a number option. */
export const numberField = ({ low, high }: NumberOption) => between(low, high)

const flagOf = (field: string) => field.replaceAll(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)

/** A command whose case is its options; with `--lines` each line is an object of the options by their names. */
export function addOptionCommand<Case>(
  command: Command,
  question: Question<Case>,
  {
    numbers,
    texts,
  }: {
    readonly numbers: Readonly<Record<string, NumberOption>>
    readonly texts: Readonly<Record<string, { readonly says: string; readonly placeholder: string }>>
  },
): void {
  for (const [field, { says, placeholder }] of Object.entries(texts))
    command.option(`--${flagOf(field)} <${placeholder}>`, says)
  for (const [field, option] of Object.entries(numbers))
    command.option(`--${flagOf(field)} <${option.placeholder}>`, option.says, (text: string) =>
      numberFrom(flagOf(field), option, text),
    )
  command.option(...linesOption).action(async ({ lines, ...given }: { readonly lines?: true }) => {
    if (lines) return answerCases(question)
    print(await answerTo(question, z.record(z.string(), z.unknown()).parse(given)))
  })
}
