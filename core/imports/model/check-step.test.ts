import { Fault } from '../../model/fault'
import { checkStep } from './check-step'
import { boxIfc } from './testing'

const lineOf = (text: string): unknown => {
  try {
    checkStep(text)
    return 'whole'
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return error.data?.['line']
  }
}
const file = (...data: string[]) =>
  ['ISO-10303-21;', 'HEADER;', 'ENDSEC;', 'DATA;', ...data, 'ENDSEC;', 'END-ISO-10303-21;', ''].join('\n')

test('a whole file is passed: texts with quotes, semicolons and brackets, remarks, instances of several types', () => {
  expect(lineOf(boxIfc())).toBe('whole')
  expect(
    lineOf(
      file(
        "#1=IFCA('a;b''(c', #2);/* a remark; with #9",
        'over two lines */',
        '#2 = IFCB ($,*,',
        '  .ENUM.,(1.,2.));',
        "#3=(IFCA('#77')IFCB(#1));",
      ),
    ),
  ).toBe('whole')
})

test('of what is damaged the line is told', () => {
  // The data begin in line 5.
  expect(lineOf(file('#1=IFCA($);', '#2=IFCB(#3);'))).toBe(6)
  expect(lineOf(file('#1=IFCA($);', '#1=IFCB($);'))).toBe(6)
  expect(lineOf(file('#1=IFCA($);', '', '#2=IFCB((1.;'))).toBe(7)
  expect(lineOf(file('#1=IFCA($));'))).toBe(5)
  expect(lineOf(file('#1=IFCA($);', 'IFCB($);'))).toBe(6)
  expect(lineOf(file("#1=IFCA('never ends);"))).toBe(5)
  expect(lineOf(file('#1=IFCA($);', '/* never ends'))).toBe(6)
  expect(lineOf(`ISO-10303-21;DATA;#1=IFCA(${'('.repeat(200)}`)).toBe(1)
  expect(lineOf('')).toBe(1)
})

test('wherever a file breaks off, it is refused', () => {
  const text = boxIfc().trimEnd()
  for (let length = 0; length < text.length; length += 3)
    expect(lineOf(text.slice(0, length))).not.toBe('whole')
})

test('without any one of its instances it is refused unless nothing points at it', () => {
  const lines = boxIfc().split('\n')
  const instances = lines.filter((line) => line.startsWith('#'))
  expect(instances.length).toBeGreaterThan(40)
  for (const gone of instances) {
    const number = /^#\d+/.exec(gone)?.[0] ?? ''
    const rest = lines.filter((line) => line !== gone).join('\n')
    const pointed = new RegExp(`${number}\\b`).test(rest)
    expect([number, lineOf(rest) === 'whole']).toEqual([number, !pointed])
  }
})
