import { readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, isAbsolute, join } from 'node:path'
import { Fault } from '@/core/model/fault'
import { readPlaced } from '@/core/weather/read-weather'
import { type WeatherReading } from '@/core/weather/reading'
import { textOf } from '@/core/weather/text'

const largestBytes = 60_000_000

/** Standard input, where a file is asked for. */
export const standardInput = '-'

const nameOf = (file: string) => (file === standardInput ? 'stdin' : file)

const systemReason = (error: unknown) =>
  error instanceof Error && 'code' in error ? String(error.code) : 'unknown'

/** @throws Fault `no-file`, `too-large`. */
export function readBytes(file: string): Buffer {
  try {
    const bytes = file === standardInput ? readFileSync(0) : sized(file)
    if (bytes.length > largestBytes) throw tooLarge(bytes.length, file)
    return bytes
  } catch (error) {
    if (error instanceof Fault) throw error
    throw new Fault('no-file', { file: nameOf(file), doing: 'read', reason: systemReason(error) }, file)
  }
}

/** A file, once it is known that it is not too large to hold. */
function sized(file: string): Buffer {
  const { size } = statSync(file)
  if (size > largestBytes) throw tooLarge(size, file)
  return readFileSync(file)
}

const tooLarge = (bytes: number, file: string) =>
  new Fault(
    'too-large',
    { reason: 'file', bytes: { value: bytes, unit: 'bytes' }, limit: { value: largestBytes, unit: 'bytes' } },
    file,
  )

/** @throws Fault `no-file` */
export function writeFile(file: string, content: string | Uint8Array): void {
  try {
    writeFileSync(file, content)
  } catch (error) {
    throw new Fault('no-file', { file, doing: 'write', reason: systemReason(error) }, file)
  }
}

/** @throws Fault `not-json` */
export function jsonIn(text: string, file: string): unknown {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    throw new Fault('not-json', { file: nameOf(file), detail: error.message }, file)
  }
}

/** @throws Fault `no-file`, `too-large`, `not-json` */
export const readJsonFile = (file: string): unknown => jsonIn(readBytes(file).toString('utf8'), file)

/**
 * A weather file, EPW or a table, by itself or beside the case that names it.
 * @throws Fault `no-file`, `too-large`, and those of `readPlaced`
 */
export function readWeatherFile(file: string, beside?: string): WeatherReading & { readonly text: string } {
  const path =
    beside !== undefined && beside !== standardInput && !isAbsolute(file) ? join(dirname(beside), file) : file
  const text = textOf(readBytes(path))
  return { ...readPlaced(text), text }
}

export const print = (value: unknown): void => {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)
}

/** Rows as CSV with a header. */
export const csv = (header: readonly string[], rows: readonly (readonly (string | number)[])[]) =>
  `${[header, ...rows].map((row) => row.join(',')).join('\n')}\n`
