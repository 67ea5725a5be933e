import { checks, phrases, remedies } from './checks'
import { faults, problems, rules } from './faults'
import { chapters, compass, edges, kinds, loadShapes, tools } from './kinds'
import { assumptions, formulas, lines, losses, sources, terms } from './ledger'
import { charts, proposal, units } from './proposal'
import { type Speech } from '../words'

/** English: every sentence that the core and the documents ask for. */
export const en = {
  lines,
  losses,
  formulas,
  terms,
  sources,
  assumptions,
  checks,
  remedies,
  phrases,
  rules,
  faults,
  problems,
  kinds,
  loadShapes,
  edges,
  compass,
  chapters,
  tools,
  proposal,
  charts,
  units,
} as const

/** For whoever speaks English alone, and need not load the others. */
export const english: Speech = { language: 'en', words: en }
