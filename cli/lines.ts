import { once } from 'node:events'
import { Fault } from '@/core/model/fault'
import { complaint } from './english'

/** The longest line that is read. */
const longestLine = 8_000_000

/**
 * Lines of a stream, without their ends. One that is too long comes as a fault.
 * @param most characters in a line
 */
export async function* linesOf(
  chunks: AsyncIterable<string>,
  most = longestLine,
): AsyncGenerator<string | Fault> {
  let rest = ''
  let number = 1
  let skipping = false
  const tooLong = () =>
    new Fault('too-large', { reason: 'case', line: number, limit: most }, `line ${number}`)
  for await (const chunk of chunks) {
    const lines = chunk.split('\n')
    const last = lines.pop() ?? ''
    for (const line of lines) {
      const whole = rest + line
      yield skipping || whole.length > most ? tooLong() : whole.replace(/\r$/, '')
      rest = ''
      skipping = false
      number++
    }
    rest = skipping ? '' : rest + last
    if (rest.length > most) {
      rest = ''
      skipping = true
    }
  }
  if (skipping) yield tooLong()
  else if (rest !== '') yield rest
}

/** What answers a case's text, at once or later. */
type Answering = (text: string) => object | Promise<object>

/** Answers a line: the answer with its time, or what is wrong with the line. */
export async function answerLine(line: string | Fault, answer: Answering): Promise<string> {
  const start = performance.now()
  try {
    if (line instanceof Fault) throw line
    const found = await answer(line)
    return JSON.stringify({ ...found, milliseconds: performance.now() - start })
  } catch (error) {
    if (error instanceof Fault) return JSON.stringify(complaint(error))
    throw error
  }
}

/** Reads a case a line from standard input and writes an answer a line, in the same order, one at a time. */
export async function answerLines(answer: Answering): Promise<void> {
  const { stdin, stdout } = process
  stdin.setEncoding('utf8')
  // Whoever asked has gone: there is nobody left to answer.
  stdout.on('error', () => process.exit(0))
  for await (const line of linesOf(stdin as AsyncIterable<string>))
    if (!stdout.write(`${await answerLine(line, answer)}\n`)) await once(stdout, 'drain')
}
