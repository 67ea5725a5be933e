import { usualPitchDeg } from '@/core/kinds/dormer/dormer'
import { type Vec2 } from '@/core/geometry/vector'
import { toRadians } from '@/core/model/units'
import { type RoofEdge } from '@/core/kinds/volume/volume'
import { type Lot, type TownVolume } from '../lot'

/** A building in the frame of its lot, the street to the south: what stands there before it is turned and put down. */
export interface Drawn {
  readonly volumes: readonly TownVolume[]
  readonly dormers: Lot['dormers']
}

/** Chance, in the measures of builders. */
export interface Chance {
  readonly between: (low: number, high: number) => number
  readonly yes: (share: number) => boolean
  readonly pick: <T>(from: readonly [T, ...T[]]) => T
}

export const chanceOf = (random: () => number): Chance => ({
  between: (low, high) => low + (high - low) * random(),
  yes: (share) => random() < share,
  pick: (from) => from[Math.floor(random() * from.length)] ?? from[0],
})

const gable: RoofEdge = { gable: true }
const tenth = (value: number) => Math.round(value * 10) / 10

/** A rectangle from its south-west corner. */
const box = (x: number, y: number, width: number, depth: number): Vec2[] => [
  [x, y],
  [x + width, y],
  [x + width, y + depth],
  [x, y + depth],
]

const volume = (
  name: string,
  outline: readonly Vec2[],
  edges: readonly RoofEdge[],
  eaveHeightM: number,
  flat: TownVolume['flat'] = null,
): TownVolume => ({ name, outline, edges, eaveHeightM: tenth(eaveHeightM), flat })

const pitchOf = ({ between }: Chance) => Math.round(between(18, 42))
const eaveOf = ({ between, yes }: Chance) => (yes(0.4) ? between(4.8, 6) : between(2.5, 3.4))
const all = (count: number, pitchDeg: number): RoofEdge[] =>
  Array.from({ length: count }, () => ({ pitchDeg }))
/** Sloping sides, with gables at some of them. */
const gabledAt = (count: number, pitchDeg: number, ...at: number[]): RoofEdge[] =>
  all(count, pitchDeg).map((edge, i) => (at.includes(i) ? gable : edge))

type Shape = (chance: Chance) => Drawn

/** Ridge along the street; sometimes one side steeper than the other, sometimes a dormer to the street. */
const gabled: Shape = (chance) => {
  const { between, yes } = chance
  const [width, depth] = [between(9, 14), between(7, 9.5)]
  const pitch = pitchOf(chance)
  const other = yes(0.25) ? Math.max(16, pitch - Math.round(between(3, 9))) : pitch
  const edges: RoofEdge[] = [{ pitchDeg: pitch }, gable, { pitchDeg: other }, gable]
  const house = volume('House', box(-width / 2, -depth / 2, width, depth), edges, eaveOf(chance))
  return {
    volumes: [house],
    dormers: yes(0.4) && pitch >= 28 ? [dormerOn(chance, width, -depth / 2, pitch)] : [],
  }
}

/** A dormer on the plane that rises from the south side. */
function dormerOn(
  { between, pick }: Chance,
  width: number,
  southM: number,
  pitchDeg: number,
): Drawn['dormers'][number] {
  const form = pick<'gable' | 'shed' | 'hip'>(['gable', 'shed', 'hip'])
  const back = between(0.8, 1.2)
  const wide = form === 'shed' ? between(2.6, 4) : between(1.8, 2.6)
  // The wall ends well under the ridge: what of it rises over the plane is a share of the way up.
  const wall = Math.min(1.5, 0.45 * 3.2 * Math.tan(toRadians(pitchDeg)))
  return {
    name: 'Dormer',
    locked: false,
    form,
    front: [between(-width / 5, width / 5), southM + back],
    widthM: tenth(wide),
    wallHeightM: tenth(wall),
    pitchDeg: form === 'shed' ? 8 : Math.min(usualPitchDeg[form], pitchDeg + 6),
    clearanceM: 0.3,
  }
}

const hipped: Shape = (chance) => {
  const [width, depth] = [chance.between(9.5, 14), chance.between(7, 9.5)]
  const outline = box(-width / 2, -depth / 2, width, depth)
  return { volumes: [volume('House', outline, all(4, pitchOf(chance)), eaveOf(chance))], dormers: [] }
}

/** Gables cut off at the top by a small slope. */
const halfHipped: Shape = (chance) => {
  const [width, depth] = [chance.between(10, 14), chance.between(8, 10)]
  const pitch = Math.round(chance.between(30, 45))
  const fromM = tenth(0.55 * (depth / 2) * Math.tan(toRadians(pitch)))
  const half: RoofEdge = {
    profile: [
      [0, 90],
      [fromM, pitch],
    ],
  }
  const outline = box(-width / 2, -depth / 2, width, depth)
  const edges: RoofEdge[] = [{ pitchDeg: pitch }, half, { pitchDeg: pitch }, half]
  return { volumes: [volume('House', outline, edges, eaveOf(chance))], dormers: [] }
}

/** A bar along the street with a wing to it: an L where the wing stands at the end, else a T. */
const winged: Shape = (chance) => {
  const { between, yes } = chance
  const [width, depth] = [between(11, 15), between(7, 9)]
  const [wing, out] = [between(4.6, 6.2), between(2.8, 5)]
  const [w, d] = [width / 2, depth / 2]
  const pitch = pitchOf(chance)
  const gables = yes(0.6)
  if (yes(0.5)) {
    const outline: Vec2[] = [
      [-w, -d],
      [w - wing, -d],
      [w - wing, -d - out],
      [w, -d - out],
      [w, d],
      [-w, d],
    ]
    const edges = gables ? gabledAt(6, pitch, 2, 5) : all(6, pitch)
    return { volumes: [volume('House', outline, edges, eaveOf(chance))], dormers: [] }
  }
  const from = between(-w + 1, w - wing - 1)
  const outline: Vec2[] = [
    [-w, -d],
    [from, -d],
    [from, -d - out],
    [from + wing, -d - out],
    [from + wing, -d],
    [w, -d],
    [w, d],
    [-w, d],
  ]
  const edges = gables ? gabledAt(8, pitch, 2, 5, 7) : all(8, pitch)
  return { volumes: [volume('House', outline, edges, eaveOf(chance))], dormers: [] }
}

/** Two wings around a yard. */
const aroundYard: Shape = (chance) => {
  const { between, yes } = chance
  const [width, depth, wing, out] = [between(13, 16), between(6.5, 8), between(4.4, 5.2), between(3, 5)]
  const [w, d] = [width / 2, depth / 2]
  const outline: Vec2[] = [
    [-w, -d],
    [w, -d],
    [w, d + out],
    [w - wing, d + out],
    [w - wing, d],
    [-w + wing, d],
    [-w + wing, d + out],
    [-w, d + out],
  ]
  const pitch = pitchOf(chance)
  const edges = yes(0.5) ? gabledAt(8, pitch, 2, 6) : all(8, pitch)
  return { volumes: [volume('House', outline, edges, eaveOf(chance))], dormers: [] }
}

/** One slope to the garden. */
const sloped: Shape = (chance) => {
  const [width, depth] = [chance.between(8, 13), chance.between(6, 9)]
  const outline = box(-width / 2, -depth / 2, width, depth)
  const pitchDeg = Math.round(chance.between(5, 18))
  const edges: RoofEdge[] = [gable, gable, { pitchDeg }, gable]
  return { volumes: [volume('House', outline, edges, eaveOf(chance))], dormers: [] }
}

/** A level roof within a parapet, often with a stair house on it. */
const level: Shape = (chance) => {
  const { between, yes } = chance
  const [width, depth] = [between(9, 13), between(8, 11)]
  const eave = yes(0.6) ? between(5.8, 6.6) : between(3, 3.6)
  const parapetM = tenth(between(0.3, 1))
  const house = volume('House', box(-width / 2, -depth / 2, width, depth), all(4, 10), eave, { parapetM })
  if (!yes(0.6)) return { volumes: [house], dormers: [] }
  const [x, y] = [between(-width / 2 + 1, width / 2 - 4.4), between(-depth / 2 + 1, depth / 2 - 4.2)]
  const stair = volume('Stair house', box(x, y, 3.2, 3), all(4, 10), eave + 2.4, { parapetM: 0 })
  return { volumes: [house, stair], dormers: [] }
}

/** Two storeys, and beside them one. */
const stepped: Shape = (chance) => {
  const { between, yes } = chance
  const [width, depth] = [between(7.5, 10), between(7.5, 9)]
  const [low, lowDepth] = [between(4, 6), between(5.5, depth - 0.8)]
  const pitch = pitchOf(chance)
  const tall = volume(
    'House',
    box(-width / 2 - 2, -depth / 2, width, depth),
    yes(0.5) ? all(4, pitch) : gabledAt(4, pitch, 1, 3),
    between(5.2, 6),
  )
  // Its roof ends at the wall of the taller one: the outlines share that line.
  const x = width / 2 - 2
  const y = between(-depth / 2, depth / 2 - lowDepth)
  const lowPitch = Math.min(pitch, 30)
  const annex = volume(
    'Annex',
    box(x, y, low, lowDepth),
    yes(0.5)
      ? gabledAt(4, lowPitch, 1, 3)
      : [{ pitchDeg: lowPitch }, { pitchDeg: lowPitch }, { pitchDeg: lowPitch }, gable],
    between(2.5, 2.9),
  )
  return { volumes: [tall, annex], dormers: [] }
}

/** What is built in each of the towns, as often as it stands here. */
export const shapesOf: Readonly<
  Record<'pellworth' | 'tarrowee' | 'valdecorva', readonly [Shape, ...Shape[]]>
> = {
  pellworth: [gabled, gabled, winged, winged, halfHipped, stepped, hipped, aroundYard],
  tarrowee: [hipped, hipped, winged, gabled, aroundYard, sloped, stepped],
  valdecorva: [level, level, level, sloped, gabled, stepped, winged],
}
