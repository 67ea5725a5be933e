import { checks, phrases, remedies } from './checks'
import { faults, problems, rules } from './faults'
import {
  chapters,
  compass,
  dormerForms,
  edgeForms,
  edges,
  kinds,
  loadShapes,
  roofForms,
  fixtureForms,
  fixtureUses,
  tape,
  tools,
} from './kinds'
import { assumptions, formulas, lines, losses, sources, terms } from './ledger'
import { charts, proposal, units } from './proposal'

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
  roofForms,
  fixtureForms,
  fixtureUses,
  dormerForms,
  edgeForms,
  compass,
  chapters,
  tape,
  tools,
  proposal,
  charts,
  units,
} as const
