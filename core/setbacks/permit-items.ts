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

/** What the model knows a part of, and the rest is added by hand. */
export const permitInPart = ['device-places'] as const

/** What no model knows: put in by hand. */
export const permitByHand = ['owner-signature'] as const

/** What an authority may ask for before it lets somebody build. */
export const permitItems = [...permitSheets, ...permitFacts, ...permitInPart, ...permitByHand] as const
export type PermitItem = (typeof permitItems)[number]
