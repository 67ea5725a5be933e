/** Who stands at the head of what a customer gets. Texts are empty where nothing is to be said. */
export interface Letterhead {
  readonly name: string
  readonly licence: string
  /** In one line. */
  readonly postal: string
  readonly phone: string
  readonly mail: string
  readonly web: string
  /** Of rules and headings, #rrggbb. */
  readonly colour: string
}

/** Who builds it, as the authority is told. */
export type Contractor = Pick<Letterhead, 'name' | 'licence' | 'phone'>

/** As it is shown. */
export interface LetterheadShown extends Letterhead {
  /** The logo as a `data:` address; null without one. */
  readonly logo: string | null
}

/** Longest texts, in characters. */
export const letterheadMost = { name: 80, licence: 60, postal: 160, phone: 40, mail: 254, web: 120 } as const

/** Our own dark green, until a team has chosen. */
export const usualColour = '#2f5d50'

/** What a logo may have: what is sent along with each offer. */
export const largestLogo = { bytes: 300_000, sidePx: 1200 } as const
