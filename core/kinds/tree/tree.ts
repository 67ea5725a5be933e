import { z } from 'zod'
import {
  idSchema,
  lockedSchema,
  nameSchema,
  point2Schema,
  shareSchema,
  type DeepReadonly,
} from '../../model/object-base'
import { between, ruleMessage } from '../../model/rules'

export const lowestTreeM = 0.5
export const highestTreeM = 60
export const narrowestCrownM = 0.3
export const widestCrownM = 40

/** General kinds of trees, by what their crowns do with the light over the year. */
export const foliages = ['broadleaf', 'evergreen', 'conifer', 'palm'] as const
export type Foliage = (typeof foliages)[number]

/** A tree with a round crown that lets part of the light through. */
export const treeSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('tree'),
  name: nameSchema,
  locked: lockedSchema,
  center: point2Schema,
  /** Ground to top. */
  heightM: between(lowestTreeM, highestTreeM, 'm'),
  crownDiameterM: between(narrowestCrownM, widestCrownM, 'm'),
  /** Ground to the lowest leaves; the crown keeps a tenth of the height, whatever this says. */
  clearStemM: between(0, highestTreeM, 'm'),
  foliage: z.enum(foliages),
  /** Share of the beam that passes the crown, for January to December. */
  transmissivity: z.array(shareSchema).length(12, ruleMessage('twelve-months')),
})
export type Tree = DeepReadonly<z.infer<typeof treeSchema>>

export const treeVersion = 2
export const treeMigrations = [
  ({ heightM, ...value }: Record<string, unknown>) => ({
    ...value,
    heightM,
    clearStemM: typeof heightM === 'number' ? heightM / 4 : 0,
    foliage: 'broadleaf',
  }),
]

const leafOn = 0.2
const leafOff = 0.6

/**
 * Monthly transmissivity of a broad-leaved crown: 0.2 in leaf, 0.6 bare (Konarska et al. 2014, Theor. Appl.
 * Climatol. 117, measured 0.01-0.05 foliated and 0.4-0.5 bare trunks and crowns in winter; crowns in gardens are
 * thinner than street trees, so both are set higher). In leaf from May to October north of the equator.
 */
export function broadleafTransmissivity(latitudeDeg: number): number[] {
  return Array.from({ length: 12 }, (_, month) => {
    const northMonth = latitudeDeg >= 0 ? month : (month + 6) % 12
    return northMonth >= 4 && northMonth <= 9 ? leafOn : leafOff
  })
}

/** The same all year round: a eucalypt's hanging leaves let much light through, needles little. */
const evergreen: Readonly<Record<Exclude<Foliage, 'broadleaf'>, number>> = {
  evergreen: 0.35,
  conifer: 0.15,
  palm: 0.4,
}

/** Share of the beam that passes a crown of a general kind, for January to December. */
export const transmissivityOf = (foliage: Foliage, latitudeDeg: number): number[] =>
  foliage === 'broadleaf'
    ? broadleafTransmissivity(latitudeDeg)
    : Array.from({ length: 12 }, () => evergreen[foliage])

/** Proportions that a general kind begins with; heights are to be checked against the tree. */
export const usualTrees: Readonly<Record<Foliage, Pick<Tree, 'heightM' | 'crownDiameterM' | 'clearStemM'>>> =
  {
    broadleaf: { heightM: 8, crownDiameterM: 5, clearStemM: 2 },
    evergreen: { heightM: 10, crownDiameterM: 6, clearStemM: 3 },
    conifer: { heightM: 12, crownDiameterM: 4, clearStemM: 1 },
    palm: { heightM: 8, crownDiameterM: 4, clearStemM: 6 },
  }

/** What a garden tree gains in a year, m: rules of thumb, for want of a look at the tree. */
const growthM: Readonly<Record<Foliage, { readonly height: number; readonly crown: number }>> = {
  broadleaf: { height: 0.35, crown: 0.3 },
  evergreen: { height: 0.5, crown: 0.35 },
  conifer: { height: 0.4, crown: 0.12 },
  palm: { height: 0.3, crown: 0 },
}

const toMillimetres = (metres: number) => Math.round(metres * 1000) / 1000

/** A tree some years on, or back; a palm's crown goes up with its top, another's lowest leaves stay where they are. */
export function grown(
  { heightM, crownDiameterM, clearStemM, foliage }: Tree,
  years: number,
): Pick<Tree, 'heightM' | 'crownDiameterM' | 'clearStemM'> {
  const { height, crown } = growthM[foliage]
  const top = Math.max(lowestTreeM, Math.min(highestTreeM, heightM + years * height))
  const wide = Math.max(narrowestCrownM, Math.min(widestCrownM, crownDiameterM + years * crown))
  const stem = foliage === 'palm' ? Math.max(0, clearStemM + top - heightM) : clearStemM
  return {
    heightM: toMillimetres(top),
    crownDiameterM: toMillimetres(wide),
    clearStemM: toMillimetres(Math.min(highestTreeM, stem)),
  }
}

/** The months a tree is in leaf, 0 to 11, from the first to the last and round the turn of the year; null where it always is. */
export function leafSeason(
  transmissivity: readonly number[],
): { readonly from: number; readonly to: number } | null {
  const least = Math.min(...transmissivity)
  const inLeaf = (month: number) => transmissivity[(month + 12) % 12] === least
  const months = transmissivity.map((_, month) => month)
  const from = months.find((month) => inLeaf(month) && !inLeaf(month - 1))
  const to = months.find((month) => inLeaf(month) && !inLeaf(month + 1))
  return from === undefined || to === undefined ? null : { from, to }
}

/** The same shares of light with other months in leaf. */
export function inLeaf(transmissivity: readonly number[], from: number, to: number): number[] {
  const [least, most] = [Math.min(...transmissivity), Math.max(...transmissivity)]
  return transmissivity.map((_, month) => ((month - from + 12) % 12 <= (to - from + 12) % 12 ? least : most))
}

export const defaultTree = {
  kind: 'tree',
  name: 'Tree',
  foliage: 'broadleaf',
  ...usualTrees.broadleaf,
} as const
