import { accountFaults } from './en/account-faults'
import { tableFaults } from './en/table-faults'
import { laterFaults } from './en/later-faults'
import { learnFaults } from './learned-faults'
import { meterProblems } from './en/meter-problems'
import { problems } from './en/weather-problems'
import { weatherProblem } from './weather-problem'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { IntlMessageFormat } from 'intl-messageformat'
import { ruleOf } from '@/core/model/rules'
import { en } from './en/index'
import { caseFaults, caseRules } from './en/command-line'
import * as explaining from './en/explaining'
import { later } from './en/later'
import * as spanishExplaining from './es/explaining'
import { es } from './es/index'
import { languages } from './language'
import { speechOf } from './languages'
import { english } from './english'
import { plainEnglish } from './plain-english'
import { Sayer } from './sayer'
import { proposalWords } from './proposal-words'

const root = new URL('..', import.meta.url).pathname

/** Every message by its place. */
function messagesOf(words: unknown, at = ''): [string, string][] {
  if (typeof words === 'string') return [[at, words]]
  return Object.entries(words ?? {}).flatMap(([name, inner]) =>
    messagesOf(inner, at ? `${at}/${name}` : name),
  )
}

interface Part {
  readonly type: number
  readonly value?: string
  readonly options?: Readonly<Record<string, { readonly value: readonly Part[] }>>
}
/** What a message asks to be told. */
const argumentsOf = (parts: readonly Part[]): string[] =>
  parts.flatMap((part) => [
    ...(part.type > 0 && part.type < 7 && part.value !== undefined ? [part.value] : []),
    ...Object.values(part.options ?? {}).flatMap(({ value }) => argumentsOf(value)),
  ])
const askedBy = (message: string) =>
  [
    ...new Set(argumentsOf(new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true }).getAst())),
  ].sort()

test.each(languages)('every message of %s can be read by the formatter', (language) => {
  for (const [at, message] of messagesOf({
    ...speechOf(language).words,
    later,
    problems,
    meterProblems,
    accountFaults,
    caseFaults,
    caseRules,
    tableFaults,
    laterFaults,
    proposal: proposalWords(language),
    explaining: language === 'es' ? spanishExplaining : explaining,
  })) {
    // A tool that shows by itself what it wants needs no hint.
    if (!/^tools\/.*\/(hint|wrong)$/.test(at)) expect(`${at}: ${message}`).toMatch(/: \S/)
    expect(() => askedBy(message)).not.toThrow()
  }
})

test('Spanish asks for nothing that English is not told', () => {
  const english = new Map(messagesOf({ ...en, ...explaining, proposal: proposalWords('en') }))
  for (const [at, message] of messagesOf({ ...es, ...spanishExplaining, proposal: proposalWords('es') })) {
    const asked = new Set(askedBy(english.get(at) ?? ''))
    expect({ at, more: askedBy(message).filter((name) => !asked.has(name)) }).toEqual({ at, more: [] })
  }
})

test('Spanish has all ledger lines and all that the customer’s page says', () => {
  const own = new Set(messagesOf(es).map(([at]) => at))
  const needed = messagesOf({
    lines: en.lines,
    losses: en.losses,
    charts: en.charts,
    units: en.units,
  })
  expect(needed.map(([at]) => at).filter((at) => !own.has(at))).toEqual([])
})

function* sources(folder: string): Generator<string> {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) yield* sources(path)
    else if (/\.tsx?$/.test(name) && !name.includes('.test.')) yield readFileSync(path, 'utf8')
  }
}

test('every fault, rule and problem that the code can raise has its sentence', () => {
  const folders = ['app', 'bench', 'cli', 'core', 'proposal', 'server', 'services', 'stage', 'workers']
  const raised = { faults: new Set<string>(), rules: new Set<string>(), problems: new Set<string>() }
  const patterns = [
    ['faults', /new Fault\(\s*'([\w-]+)'/g],
    ['faults', /faultOf\([^),]*, '([\w-]+)'/g],
    ['rules', /ruleMessage\('([\w-]+)'/g],
    ['problems', /problems\.add\(\s*'([\w-]+)'/g],
  ] as const
  for (const folder of folders)
    for (const text of sources(join(root, folder)))
      for (const [what, pattern] of patterns)
        for (const [, code] of text.matchAll(pattern)) if (code) raised[what].add(code)
  expect(raised.faults.size).toBeGreaterThan(40)
  const { faults, rules } = plainEnglish.words
  const sentences = { faults, rules, problems }
  const missing = Object.entries(raised).flatMap(([what, codes]) =>
    [...codes]
      .filter((code) => !Object.hasOwn(sentences[what as keyof typeof raised], code))
      .map((code) => `${what} ${code}`),
  )
  expect(missing).toEqual([])
  // And no sentence is left that nothing says.
  const all = folders.flatMap((folder) => [...sources(join(root, folder))]).join('\n')
  const unused = Object.keys(plainEnglish.words.faults).filter((code) => !all.includes(`'${code}'`))
  expect(unused).toEqual([])
})

test('a fault in a field says the place in a file, and only the rule to who stands before it', () => {
  const fault = {
    code: 'bad-object',
    data: {
      at: 'house.tree-1.heightM',
      rule: ruleOf('{"code":"at-most","data":{"limit":{"value":60,"unit":"m"}}}'),
    },
  }
  expect(plainEnglish.fault(fault)).toBe('house.tree-1.heightM: at most 60.00 m')
  expect(plainEnglish.faultHere(fault)).toBe('at most 60.00 m')
  expect(plainEnglish.fault({ code: 'never-heard-of', data: {} })).toMatch(/^Something went wrong/)
  // A sentence that is not told all it asks for is not shown in pieces.
  expect(plainEnglish.fault({ code: 'bad-option', data: {} })).toMatch(/^Something went wrong/)
})

test('a fault of what comes later has its sentence once that has come', () => {
  const bench = new Sayer(english, plainEnglish.place)
  const fault = { code: 'bad-step', data: { step: 7 } }
  expect(bench.fault(fault)).toMatch(/^Something went wrong/)
  learnFaults(tableFaults)
  expect(bench.fault(fault)).toMatch(/^Rows follow each other by 7 minutes/)
  expect(plainEnglish.fault(fault)).toBe(bench.fault(fault))
  // What is known from the beginning is not said otherwise.
  for (const code of [...Object.keys(laterFaults), ...Object.keys(tableFaults)])
    expect(Object.hasOwn(english.words.faults, code)).toBe(false)
})

test('a problem of a weather file in a sentence; one that has none goes by its code', () => {
  expect(weatherProblem(plainEnglish, { code: 'no-wind', data: { assumed: 1 } })).toBe(
    'The file has no wind speed: 1 m/s is assumed throughout.',
  )
  expect(weatherProblem(plainEnglish, { code: 'toString', data: {} })).toBe('toString')
})
