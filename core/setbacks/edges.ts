import { type RoofPlane } from '../roof/plane'

/** Kinds of plane edges in the order they are listed. */
export const edgeKinds = ['eave', 'ridge', 'rake', 'hip', 'valley', 'wall'] as const
export type EdgeKind = (typeof edgeKinds)[number]

/** Distances that modules keep from a plane's edges, by the edges' kinds; `flat` from all but walls where the roof is flat. */
export type Setbacks = Readonly<Record<EdgeKind, number>> & { readonly flat: number | null }

/** Planes with less pitch than this are flat roofs to the rules: 2 in 12. */
export const flatBelowDeg = 9.46

/** One edge of a plane, by its kind and which of that kind it is, such as "rake:1". */
export type EdgeKey = `${EdgeKind}:${number}`

/** A key for each edge of a plane, counted in the order of its corners. */
export function edgeKeysOf({ edges }: Pick<RoofPlane, 'edges'>): EdgeKey[] {
  const seen = new Map<EdgeKind, number>()
  return edges.map(({ kind }): EdgeKey => {
    const nth = seen.get(kind) ?? 0
    seen.set(kind, nth + 1)
    return `${kind}:${nth}`
  })
}

/** How far an edge of this kind is kept off on a plane of this pitch, m. */
export const setbackOf = (
  setbacks: Setbacks,
  { pitchDeg }: Pick<RoofPlane, 'pitchDeg'>,
  kind: EdgeKind,
): number => (kind !== 'wall' && pitchDeg < flatBelowDeg ? setbacks.flat : null) ?? setbacks[kind]

/**
 * How far modules keep from each edge of a plane, m.
 * @param own distances of single edges, which go before those of their kind
 */
export const setbacksOn = (
  setbacks: Setbacks,
  plane: Pick<RoofPlane, 'edges' | 'pitchDeg'>,
  own: Readonly<Record<string, number>> = {},
): number[] =>
  edgeKeysOf(plane).map((key, i) => own[key] ?? setbackOf(setbacks, plane, plane.edges[i]?.kind ?? 'eave'))
