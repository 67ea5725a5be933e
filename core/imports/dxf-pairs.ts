import { Fault } from '../model/fault'

/** A code and its value, and the line of the file on which the code stands, counted from 1. */
export interface DxfPair {
  readonly code: number
  readonly value: string
  readonly line: number
}

const isCode = /^\s*-?\d{1,4}\s*$/

/** Codes whose values are numbers, by the reference of the format: coordinates and reals, and whole numbers. */
const isReal = (code: number) =>
  (code >= 10 && code <= 59) || (code >= 110 && code <= 149) || (code >= 210 && code <= 239)
const isWhole = (code: number) =>
  (code >= 60 && code <= 99) || (code >= 170 && code <= 179) || (code >= 270 && code <= 289)

function checkPair({ code, value, line }: DxfPair): void {
  const number = Number(value)
  const wrong =
    (isReal(code) && !(value.trim() !== '' && Number.isFinite(number))) ||
    (isWhole(code) && !Number.isInteger(value.trim() === '' ? NaN : number))
  if (wrong) throw new Fault('broken-dxf', { line: line + 1 }, `line ${line + 1}`)
}

/**
 * The sections of a drawing by their names, pair by pair. Every code is a number, every number finite, every section
 * ends: what reads them further meets nothing that it could run away with.
 * @throws Fault `broken-dxf` with the line
 */
export function dxfSections(text: string): ReadonlyMap<string, readonly DxfPair[]> {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\n|\r/)
  const sections = new Map<string, DxfPair[]>()
  let open: DxfPair[] | null = null
  let begun = false
  const broken = (line: number) => new Fault('broken-dxf', { line }, `line ${line}`)
  for (let i = 0; i < lines.length; i += 2) {
    const [head = '', value] = [lines[i], lines[i + 1]]
    // Blank lines at the end belong to nothing.
    if (head.trim() === '' && lines.slice(i).every((rest) => rest.trim() === '')) break
    if (!isCode.test(head) || value === undefined) throw broken(i + 1)
    const pair: DxfPair = { code: Number(head), value, line: i + 1 }
    const word = value.trim()
    if (pair.code === 999) continue
    if (begun) {
      if (pair.code !== 2) throw broken(i + 1)
      begun = false
      sections.set(word, (open = []))
    } else if (open === null) {
      if (pair.code !== 0) throw broken(i + 1)
      if (word === 'EOF') return sections
      if (word !== 'SECTION') throw broken(i + 2)
      begun = true
    } else if (pair.code === 0 && word === 'ENDSEC') open = null
    else if (pair.code === 0 && (word === 'SECTION' || word === 'EOF')) throw broken(i + 2)
    else {
      checkPair(pair)
      open.push(pair)
    }
  }
  if (open !== null || begun) throw broken(lines.length)
  return sections
}
