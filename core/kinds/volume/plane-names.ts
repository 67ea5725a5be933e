import { type Volume } from './volume'

/** The key of a plane among the names of its building: its side, and which stretch of the side's profile it is. */
export const planeKey = ({
  edgeIndex,
  step,
}: {
  readonly edgeIndex: number
  readonly step: number
}): string => `${edgeIndex}:${step}`

/** Names that stay with their planes when the sides get other numbers; of two planes that become one, the first. */
export function namesAfter(
  { planeNames }: Pick<Volume, 'planeNames'>,
  sideAfter: (side: number) => number,
): Pick<Volume, 'planeNames'> {
  if (!planeNames) return {}
  const names: Record<string, string> = {}
  for (const [key, name] of Object.entries(planeNames)) {
    const [side = 0, step = 0] = key.split(':').map(Number)
    names[planeKey({ edgeIndex: sideAfter(side), step })] ??= name
  }
  return { planeNames: names }
}

/** The building with a plane called so; without text it is named by the way it looks again. */
export function withPlaneName(
  { planeNames = {} }: Pick<Volume, 'planeNames'>,
  key: string,
  text: string,
): Pick<Volume, 'planeNames'> {
  const { [key]: _before, ...others } = planeNames
  return { planeNames: text.trim() === '' ? others : { ...others, [key]: text.trim() } }
}
