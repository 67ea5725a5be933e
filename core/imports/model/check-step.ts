import { Fault } from '../../model/fault'

/** An instance: a number, what it is (several between brackets), and its values. */
const instance = /^#(\d+)\s*=\s*(?:[A-Z][A-Z0-9_]*\s*)?\(/i
/** Brackets nested more deeply than any schema has them. */
const deepest = 64

/**
 * Looks through an exchange file (ISO 10303-21, clear text) before it is read: every statement is whole, every instance
 * there once, and every number that is pointed at stands somewhere. A reader of its content would pass over what is
 * damaged, or never come back from it.
 * @param text its bytes, a letter each
 * @throws Fault `broken-ifc` with the line
 */
export function checkStep(text: string): void {
  const broken = (line: number) => new Fault('broken-ifc', { line })
  const defined = new Set<number>()
  const pointed = new Map<number, number>()
  let inData = false
  let ended = false
  let line = 1
  let at = 0
  while (at < text.length) {
    const { end, lines, body, whole } = statementFrom(text, at)
    const first = line + leadingLines(body)
    line += lines
    at = end
    const said = body.trim()
    if (said === '' && !whole) break
    if (!whole) throw broken(first)
    if (/^DATA\b/i.test(said)) inData = true
    else if (/^ENDSEC$/i.test(said)) inData = false
    else if (/^END-ISO-10303-21$/i.test(said)) {
      ended = true
      break
    } else if (inData) {
      const id = Number(instance.exec(said)?.[1])
      if (!said.endsWith(')') || !(id > 0) || defined.has(id)) throw broken(first)
      defined.add(id)
      for (const [, number] of withoutTexts(said).matchAll(/#(\d+)/g)) {
        const target = Number(number)
        if (!pointed.has(target)) pointed.set(target, first)
      }
    }
  }
  if (!ended) throw broken(line)
  for (const [target, where] of pointed) if (!defined.has(target)) throw broken(where)
}

const leadingLines = (body: string) => (/^\s*/.exec(body)?.[0].match(/\n/g) ?? []).length

const withoutTexts = (said: string) => said.replace(/'(?:[^']|'')*'/g, "''")

/** What stands up to the next semicolon that is in no text, remark or bracket; remarks are left out of it. */
function statementFrom(text: string, from: number) {
  let body = ''
  let start = from
  let depth = 0
  let lines = 0
  let at = from
  for (; at < text.length; at++) {
    const letter = text[at]
    if (letter === '\n') lines++
    else if (letter === "'") {
      const close = text.indexOf("'", at + 1)
      if (close < 0) break
      // A quote within a text is written twice, and so opens the rest of it as another.
      for (let k = at; k < close; k++) if (text[k] === '\n') lines++
      at = close
    } else if (letter === '/' && text[at + 1] === '*') {
      const close = text.indexOf('*/', at + 2)
      if (close < 0) break
      body += text.slice(start, at)
      for (let k = at; k < close; k++) if (text[k] === '\n') lines++
      at = close + 1
      start = at + 1
    } else if (letter === '(') {
      if (++depth > deepest) break
    } else if (letter === ')') {
      if (--depth < 0) break
    } else if (letter === ';' && depth === 0)
      return { end: at + 1, lines, body: body + text.slice(start, at), whole: true }
    else if (letter === ';') break
  }
  return { end: text.length, lines, body: body + text.slice(start), whole: false }
}
