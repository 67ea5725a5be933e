/** Drawings and lists of a permit set, in their order. */
export const permitSheets = [
  'site-plan',
  'roof-plan',
  'single-line',
  'structure',
  'labels',
  'data-sheets',
] as const

/** What the job itself answers. */
export const permitFacts = [
  'applicant',
  'authority',
  'rules',
  'setbacks',
  'checks',
  'wired',
  'held',
  'roof-reserve',
  'heights',
  'photos',
  'licence',
  'lot-lines',
] as const

/** What no model knows: put in by hand. */
export const permitByHand = ['device-places', 'owner-signature'] as const

/** What an authority may ask for before it lets somebody build. */
export const permitItems = [...permitSheets, ...permitFacts, ...permitByHand] as const
export type PermitItem = (typeof permitItems)[number]
