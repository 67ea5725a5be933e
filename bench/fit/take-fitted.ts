import { type FoundAround } from '@/core/fit/around'
import {
  type ChimneyDraft,
  type DormerDraft,
  type FittedObjects,
  type TreeDraft,
  type VolumeDraft,
} from '@/core/fit/drafts'
import { objectsOf } from '@/core/fit/objects'
import { centroid, containsPoint, signedArea } from '@/core/geometry/polygon'
import { distance2, type Vec2 } from '@/core/geometry/vector'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { defaultDormer } from '@/core/kinds/dormer/dormer'
import { type AnyObject } from '@/core/kinds/index'
import { type Site } from '@/core/kinds/site/site'
import { broadleafTransmissivity } from '@/core/kinds/tree/tree'
import { type Volume } from '@/core/kinds/volume/volume'
import { newId } from '@/core/model/new-id'
import { type Sayer } from '@/words/sayer'

/** One thing that can be accepted or left: a part of the house, a dormer, a block, a tree, or a neighbouring building. */
export type Piece =
  | { readonly is: 'volume'; readonly draft: VolumeDraft; readonly drawn: Volume | null }
  | { readonly is: 'dormer'; readonly draft: DormerDraft }
  | { readonly is: 'chimney'; readonly draft: ChimneyDraft }
  | { readonly is: 'tree'; readonly draft: TreeDraft }
  | { readonly is: 'neighbour'; readonly draft: VolumeDraft }

export interface Listed {
  readonly piece: Piece
  /** Something of its kind stands there already. */
  readonly stands: boolean
}

/** Things of one kind nearer to each other than this are one, m. */
const sameM = 1.5
/** Outlines of one building are no more than so many times as large as each other. */
const mostAlike = 1.8

const standsNear = (
  objects: readonly { readonly center: readonly [number, number] }[],
  p: readonly [number, number],
) => objects.some(({ center }) => distance2(center, p) < sameM)

/** Whether two outlines are of one building: a stair house on a roof is none with the house. */
function isSame(one: readonly Vec2[], other: readonly Vec2[]): boolean {
  const share = Math.abs(signedArea(one) / signedArea(other))
  return (
    share > 1 / mostAlike &&
    share < mostAlike &&
    containsPoint(one, centroid(other)) &&
    containsPoint(other, centroid(one))
  )
}

/** What was found, piece by piece, with what is drawn already. */
export function listed(
  { house: around, neighbours }: FoundAround,
  objects: FittedObjects,
  house: Objects,
): Listed[] {
  const drawn = ofKind(house, 'volume')
  const own = drawn.filter(({ role }) => role === 'house')
  const isDrawn = ({ outline }: VolumeDraft) =>
    drawn.some((volume) => containsPoint(volume.outline, centroid(outline)))
  const others = neighbours.flatMap((one) => objectsOf(one, 'neighbour').volumes)
  const middle = centroid(around.outline)
  const nearestFirst = <T extends { readonly center: Vec2 }>(things: readonly T[]) =>
    things.toSorted((a, b) => distance2(a.center, middle) - distance2(b.center, middle))
  const [dormers, chimneys, trees] = [
    ofKind(house, 'dormer'),
    ofKind(house, 'chimney'),
    ofKind(house, 'tree'),
  ]
  return [
    ...objects.volumes.map((draft): Listed => {
      const drawnAs = own.find((volume) => isSame(volume.outline, draft.outline)) ?? null
      return { piece: { is: 'volume', draft, drawn: drawnAs }, stands: drawnAs?.locked === true }
    }),
    ...objects.dormers.map((draft): Listed => ({
      piece: { is: 'dormer', draft },
      stands: dormers.some(({ front }) => distance2(front, draft.front) < sameM),
    })),
    ...objects.chimneys.map((draft): Listed => ({
      piece: { is: 'chimney', draft },
      stands: standsNear(chimneys, draft.center),
    })),
    ...nearestFirst(objects.trees).map((draft): Listed => ({
      piece: { is: 'tree', draft },
      stands: standsNear(trees, draft.center),
    })),
    ...others.map((draft): Listed => ({ piece: { is: 'neighbour', draft }, stands: isDrawn(draft) })),
  ]
}

/** The house's document with the pieces in it: what is drawn keeps its id and takes on what was read. */
export function withPieces(before: Objects, pieces: readonly Piece[], sayer: Sayer, site: Site): Objects {
  let after = before
  const id = (kind: AnyObject['kind']) => newId(kind, Math.random)
  const named = (kind: 'volume' | 'dormer' | 'chimney' | 'tree') =>
    sayer.say(sayer.words.kinds[kind].named, { n: ofKind(after, kind).length + 1 })
  const put = (object: AnyObject) => {
    after = { ...after, [object.id]: object }
  }
  const add = (draft: VolumeDraft) => put({ ...draft, id: id('volume'), name: named('volume') })
  for (const piece of pieces) {
    if (piece.is === 'volume') {
      const { draft } = piece
      const { outline, edges, eaveHeightM, flat } = draft
      // As it is now: somebody may have changed it since it was listed, or taken it away.
      const drawn = piece.drawn && after[piece.drawn.id]
      if (drawn?.kind !== 'volume') add(draft)
      else {
        const { planeNames, ...rest } = drawn
        // Names of planes go by sides: they hold where the sides are the same.
        const names = planeNames && drawn.outline.length === outline.length ? { planeNames } : {}
        put({ ...rest, ...names, outline, edges, eaveHeightM, flat })
      }
    } else if (piece.is === 'dormer')
      put({ ...defaultDormer, ...piece.draft, id: id('dormer'), name: named('dormer') })
    else if (piece.is === 'chimney') {
      const { is: _is, ...draft } = piece.draft
      put({ ...defaultChimney, ...draft, id: id('chimney'), name: named('chimney') })
    } else if (piece.is === 'tree')
      put({
        ...piece.draft,
        id: id('tree'),
        name: named('tree'),
        foliage: 'broadleaf',
        transmissivity: broadleafTransmissivity(site.latitudeDeg),
      })
    else add(piece.draft)
  }
  return after
}
