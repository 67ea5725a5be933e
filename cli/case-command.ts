import { type Command } from 'commander'
import { type z } from 'zod'
import { faultOf } from '@/core/model/rules'
import { jsonIn, print, readJsonFile, standardInput } from './files'
import { answerLines } from './lines'

/** What a command needs to answer cases, one after the other or one alone. */
export interface Question<Case> {
  readonly schema: z.ZodType<Case>
  /**
   * @param beside the file the case came from, where it was one: other files may be named from there
   * @throws Fault
   */
  readonly answer: (given: Case, beside?: string) => object | Promise<object>
}

/** Checks a case and answers it. @throws Fault `bad-case` and those of the answer */
export function answerTo<Case>(
  { schema, answer }: Question<Case>,
  value: unknown,
  beside?: string,
): object | Promise<object> {
  const parsed = schema.safeParse(value)
  if (!parsed.success) throw faultOf(parsed.error, 'bad-case')
  return answer(parsed.data, beside)
}

/** Answers lines of cases until they end. */
export const answerCases = <Case>(question: Question<Case>): Promise<void> =>
  answerLines((line) => answerTo(question, jsonIn(line, standardInput)))

/** The option that turns a command into one that answers lines. */
export const linesOption = ['--lines', 'one case a line on standard input, one answer a line out'] as const

/** A command that takes its case as JSON. `more` adds what its own options say to the case. */
export function addCaseCommand<Case>(
  command: Command,
  question: Question<Case>,
  more: (options: Readonly<Record<string, unknown>>) => object = () => ({}),
): void {
  command
    .option('--in <file>', 'the case as JSON; standard input when not given')
    .option(...linesOption)
    .action(async (options: { readonly in?: string; readonly lines?: true }) => {
      if (options.lines) return answerCases(question)
      const value = readJsonFile(options.in ?? standardInput)
      const added = more({ ...options })
      print(await answerTo(question, isPlain(value) ? { ...value, ...added } : value, options.in))
    })
}

const isPlain = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
