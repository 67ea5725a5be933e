import { type RoofPlane } from '../roof/plane'
import { setbackOf, type EdgeKind, type Setbacks } from './edges'
import { type RuleSet } from './rule-set'

export type Rules = Pick<RuleSet, 'edgesM' | 'flatM' | 'crowded' | 'pathways' | 'clearancesM'>

/** What rules ask from the edges of planes, where modules cover this share of the roof. */
export const askedOf = ({ edgesM, flatM, crowded }: Rules, covered: number): Setbacks => ({
  ...edgesM,
  ridge: crowded && covered > crowded.overShare ? Math.max(edgesM.ridge, crowded.ridgeM) : edgesM.ridge,
  flat: flatM,
})

/** An edge that modules are laid nearer to than the rules ask. */
export interface Narrow {
  readonly edge: number
  readonly kind: EdgeKind
  readonly keptM: number
  readonly askedM: number
}

/** Distances that differ by less are the same, m. */
const sameM = 5e-4

/** Edges of a plane that too little is kept from, each with what is asked. */
export function narrowEdges(
  asked: Setbacks,
  plane: Pick<RoofPlane, 'edges' | 'pitchDeg'>,
  keptM: readonly number[],
): Narrow[] {
  return plane.edges.flatMap(({ kind }, edge): Narrow[] => {
    const [kept, least] = [keptM[edge] ?? 0, setbackOf(asked, plane, kind)]
    return kept < least - sameM ? [{ edge, kind, keptM: kept, askedM: least }] : []
  })
}
