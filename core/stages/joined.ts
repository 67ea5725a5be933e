import { Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { kindNamed, type KindName } from '../kinds/index'
import { type Geometry, type Rank } from '../kinds/standing'
import { joinedRoofs, roofsThatMeet } from '../site/joined-roofs'
import { dormerStage, groundStage, objectsOfRank } from './standing'
import { type Design } from './world'

interface Kinds {
  readonly ground: readonly KindName[]
  readonly dormers: readonly KindName[]
}

interface Stood {
  readonly ground: readonly Keyed<Geometry>[]
  readonly dormers: readonly Keyed<Geometry>[]
}

/** What has roofs that become one where they meet: its place among all of them, and its geometry. */
function roofsIn(kinds: Kinds, { ground, dormers }: Stood) {
  const all = [...kinds.ground, ...kinds.dormers]
  return [...ground, ...dormers].flatMap((roof, at) => {
    const kind = all[at]
    return kind && kindNamed(kind).standing?.joins ? [{ at, roof }] : []
  })
}

type Roofs = ReturnType<typeof roofsIn>

const groupsOf = (roofs: Roofs): Roofs[] =>
  roofsThatMeet(roofs.map(({ roof }) => roof.value)).map((group) =>
    roofs.filter((_roof, k) => group.includes(k)),
  )

const kindsOf = (design: Design, rank: Rank) => objectsOfRank(design, rank).map(({ kind }) => kind)

/** Roofs that reach into each other, group by group, as they are seen. */
export const meetingStage: Stage<Design, readonly Keyed<readonly Geometry[]>[]> = itemStage({
  name: 'roofs that meet',
  version: 1,
  after: { ground: groundStage, dormers: dormerStage },
  reads: (design: Design) => ({ ground: kindsOf(design, 'ground'), dormers: kindsOf(design, 'dormer') }),
  each: (kinds, { ground, dormers }) =>
    groupsOf(roofsIn(kinds, { ground: ground.value, dormers: dormers.value })).map((group) => ({
      roofs: group.map(({ roof }) => roof),
    })),
  compute: ({ roofs }) => joinedRoofs(roofs),
  bytes: (roofs) =>
    roofs.reduce((sum, { faces, strokes }) => sum + 1_500 * faces.length + 200 * strokes.length, 0),
})

/**
 * Everything on the ground and every dormer, with the roofs that meet as they are seen. The keys stay: they tell apart
 * what stops light, and that is the same.
 */
export function seen(kinds: Kinds, built: Stood, meeting: readonly Keyed<readonly Geometry[]>[]): Stood {
  const all = [...built.ground, ...built.dormers]
  groupsOf(roofsIn(kinds, built)).forEach((group, g) => {
    group.forEach(({ at, roof }, k) => {
      all[at] = new Keyed(roof.key, meeting[g]?.value[k] ?? roof.value)
    })
  })
  return { ground: all.slice(0, built.ground.length), dormers: all.slice(built.ground.length) }
}
