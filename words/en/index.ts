import { phrases } from './phrases'
import { faults, rules } from './faults'
import {
  arrayParts,
  barrierUses,
  lotSources,
  canopyUses,
  compass,
  compassPlaces,
  dormerForms,
  edges,
  fixtureUses,
  planeEdges,
  roofForms,
  roofPlanes,
  underlayContents,
} from './choices'
import { kinds } from './kinds'
import { chapters, laying, outlines, pitching, tape, tools } from './tools'
import { lines, losses } from './ledger'
import { charts, units } from './charts'

/** English: every sentence that the core and the documents ask for. */
export const en = {
  lines,
  losses,
  phrases,
  rules,
  faults,
  kinds,
  outlines,
  pitching,
  edges,
  fixtureUses,
  canopyUses,
  arrayParts,
  barrierUses,
  lotSources,
  underlayContents,
  laying,
  dormerForms,
  compass,
  compassPlaces,
  roofForms,
  roofPlanes,
  planeEdges,
  chapters,
  tape,
  tools,
  charts,
  units,
} as const
