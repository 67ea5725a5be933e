import { mayMeet, type Outlook } from './outlook'

/** Width of the slices of the horizon that directions are sorted by. */
const slices = 72
const sliceRad = (2 * Math.PI) / slices

/** Directions by the slice that they lie in. */
interface Slices {
  readonly starts: Int32Array
  readonly which: Int32Array
}

const slicesOf = new WeakMap<Float64Array, Slices>()

const sliceAt = (radians: number) => ((Math.floor(radians / sliceRad) % slices) + slices) % slices

function sliced(directions: Float64Array): Slices {
  const known = slicesOf.get(directions)
  if (known) return known
  const count = directions.length / 3
  const own = new Int32Array(count)
  const starts = new Int32Array(slices + 1)
  for (let k = 0; k < count; k++) {
    const slice = sliceAt(Math.atan2(directions[k * 3 + 1] as number, directions[k * 3] as number))
    own[k] = slice
    starts[slice + 1] = (starts[slice + 1] as number) + 1
  }
  for (let s = 0; s < slices; s++) starts[s + 1] = (starts[s + 1] as number) + (starts[s] as number)
  const filled = starts.slice()
  const which = new Int32Array(count)
  for (let k = 0; k < count; k++) {
    const slice = own[k] as number
    const at = filled[slice] as number
    filled[slice] = at + 1
    which[at] = k
  }
  const made: Slices = { starts, which }
  slicesOf.set(directions, made)
  return made
}

/**
 * Which bodies may be met in each direction, in their order.
 * @returns for each direction where its bodies begin in `which`; one more than directions
 */
export function inSight(
  outlooks: readonly Outlook[],
  directions: Float64Array,
): { readonly starts: Int32Array; readonly which: Int32Array } {
  const count = directions.length / 3
  const { starts: sliceStarts, which: bySlice } = sliced(directions)
  const starts = new Int32Array(count + 1)
  const seen = outlooks.map((outlook) => {
    const own = new Int32Array(count)
    let length = 0
    const half = Math.acos(Math.max(-1, outlook.cosHalf))
    const middle = Math.atan2(outlook.middle[1], outlook.middle[0])
    // One slice more to each side, for what rounding does.
    const first = Math.floor((middle - half) / sliceRad) - 1
    const last = Math.min(first + slices - 1, Math.floor((middle + half) / sliceRad) + 1)
    for (let s = first; s <= last; s++) {
      const slice = ((s % slices) + slices) % slices
      for (let i = sliceStarts[slice] as number; i < (sliceStarts[slice + 1] as number); i++) {
        const k = bySlice[i] as number
        const isMet = mayMeet(
          outlook,
          directions[k * 3] as number,
          directions[k * 3 + 1] as number,
          directions[k * 3 + 2] as number,
        )
        if (!isMet) continue
        own[length++] = k
        starts[k + 1] = (starts[k + 1] as number) + 1
      }
    }
    return own.subarray(0, length)
  })
  for (let k = 0; k < count; k++) starts[k + 1] = (starts[k + 1] as number) + (starts[k] as number)
  const filled = starts.slice()
  const which = new Int32Array(starts[count] as number)
  seen.forEach((own, body) => {
    for (const k of own) {
      const at = filled[k] as number
      filled[k] = at + 1
      which[at] = body
    }
  })
  return { starts, which }
}
