import { readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, isAbsolute, join } from 'node:path'
import { type z } from 'zod'
import { faultOf } from '@/core/model/document'
import { Fault } from '@/core/model/fault'
import { readPlaced } from '@/core/weather/read-weather'
import { type WeatherReading } from '@/core/weather/reading'
import { textOf } from '@/core/weather/text'

const largestBytes = 60_000_000

const systemMessage = (error: unknown) =>
  error instanceof Error && 'code' in error ? String(error.code) : 'unknown'

/** @throws Fault `no-file`, `too-large`. */
function readBytes(file: string): Buffer {
  try {
    if (file !== '-' && statSync(file).size > largestBytes)
      throw new Fault('too-large', `${file} is larger than ${largestBytes / 1e6} MB.`, file)
    return readFileSync(file === '-' ? 0 : file)
  } catch (error) {
    if (error instanceof Fault) throw error
    throw new Fault(
      'no-file',
      `${file === '-' ? 'Standard input' : file} cannot be read (${systemMessage(error)}).`,
      file,
    )
  }
}

/** @throws Fault `no-file`, `too-large`. */
const readText = (file: string): string => readBytes(file).toString('utf8')

export function writeText(file: string, text: string): void {
  try {
    writeFileSync(file, text)
  } catch (error) {
    throw new Fault('no-file', `${file} cannot be written (${systemMessage(error)}).`, file)
  }
}

/** @throws Fault `not-json`. */
export function readJsonFile(file: string): unknown {
  const text = readText(file)
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    throw new Fault(
      'not-json',
      `${file === '-' ? 'Standard input' : file} is not JSON: ${error.message}.`,
      file,
    )
  }
}

/** The case on `--in FILE` or standard input, checked. */
export function readCase<T>(options: { in?: string }, schema: z.ZodType<T>): T {
  const parsed = schema.safeParse(readJsonFile(options.in ?? '-'))
  if (!parsed.success) throw faultOf(parsed.error, 'bad-case')
  return parsed.data
}

/**
 * A weather file, EPW or a table, by itself or beside the case that names it.
 * @throws Fault `no-file`, and those of `readPlaced`
 */
export function readWeatherFile(file: string, beside?: string): WeatherReading & { readonly text: string } {
  const path = beside && beside !== '-' && !isAbsolute(file) ? join(dirname(beside), file) : file
  const text = textOf(readBytes(path))
  return { ...readPlaced(text), text }
}

export const print = (value: unknown): void => {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)
}

/** A number option. @throws Fault `bad-option`. */
export function number(name: string, low: number, high: number): (text: string) => number {
  return (text) => {
    const value = Number(text)
    if (text.trim() === '' || !(value >= low && value <= high))
      throw new Fault(
        'bad-option',
        `--${name} is "${text}"; a number from ${low} to ${high} was expected.`,
        name,
      )
    return value
  }
}

/** Rows as CSV with a header. */
export const csv = (header: readonly string[], rows: readonly (readonly (string | number)[])[]) =>
  `${[header, ...rows].map((row) => row.join(',')).join('\n')}\n`
