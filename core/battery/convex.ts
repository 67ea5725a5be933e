/**
 * A convex function that is straight in parts, over an interval: where it begins, what it is there, and its slopes,
 * rising, with the lengths over which they hold. It grows in place.
 */
export class Convex {
  /** Where it begins, and its value there. */
  low = 0
  base = 0
  /** Lengths of all parts together. */
  #span = 0
  #changes = 0
  /** Parts `first..end`, slopes and lengths. */
  first: number
  end: number
  slope: Float64Array
  length: Float64Array

  constructor(room = 256) {
    this.slope = new Float64Array(room)
    this.length = new Float64Array(room)
    this.first = this.end = room >> 1
  }

  /** A single point. */
  setPoint(at: number, value = 0): this {
    this.low = at
    this.base = value
    this.first = this.end = this.slope.length >> 1
    this.#span = 0
    return this
  }

  get high(): number {
    return this.low + this.#span
  }

  /** Whether another is the same but for a constant. */
  isLike(other: Convex): boolean {
    const count = this.end - this.first
    if (other.end - other.first !== count || Math.abs(other.low - this.low) > near) return false
    for (let k = 0; k < count; k++) {
      if (this.slope[this.first + k] !== other.slope[other.first + k]) return false
      const [a, b] = [this.length[this.first + k] as number, other.length[other.first + k] as number]
      if (Math.abs(a - b) > near) return false
    }
    return true
  }

  /** Puts a part in its place among the slopes. */
  add(slope: number, length: number): void {
    if (length < sliver) return
    this.#span += length
    if (this.first === 0 || this.end === this.slope.length) this.#makeRoom()
    let [low, high] = [this.first, this.end]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((this.slope[middle] as number) < slope) low = middle + 1
      else high = middle
    }
    if (low < this.end && this.slope[low] === slope) {
      this.length[low] = (this.length[low] as number) + length
      return
    }
    if (low - this.first < this.end - low) {
      this.slope.copyWithin(this.first - 1, this.first, low)
      this.length.copyWithin(this.first - 1, this.first, low)
      this.first--
      low--
    } else {
      this.slope.copyWithin(low + 1, low, this.end)
      this.length.copyWithin(low + 1, low, this.end)
      this.end++
    }
    this.slope[low] = slope
    this.length[low] = length
  }

  /** Leaves what lies between two places. */
  cut(low: number, high: number): void {
    // Sums of many small changes drift.
    if (++this.#changes % 64 === 0) this.#sum()
    let over = low - this.low
    while (over > 0 && this.first < this.end) {
      const own = this.length[this.first] as number
      const part = Math.min(own, over)
      this.base += part * (this.slope[this.first] as number)
      this.low += part
      this.#span -= part
      over -= part
      if (own - part < sliver) this.first++
      else this.length[this.first] = own - part
    }
    if (this.low < low) this.low = low
    over = this.high - high
    while (over > 0 && this.first < this.end) {
      const own = this.length[this.end - 1] as number
      const part = Math.min(own, over)
      this.#span -= part
      over -= part
      if (own - part < sliver) this.end--
      else this.length[this.end - 1] = own - part
    }
  }

  #sum(): void {
    this.#span = 0
    for (let k = this.first; k < this.end; k++) this.#span += this.length[k] as number
  }

  /** Value at a place within. */
  at(place: number): number {
    let [rest, value] = [place - this.low, this.base]
    for (let k = this.first; k < this.end && rest > 0; k++) {
      const part = Math.min(rest, this.length[k] as number)
      value += part * (this.slope[k] as number)
      rest -= part
    }
    return value
  }

  /** Where it is least; the lowest of such places. */
  least(): number {
    let place = this.low
    for (let k = this.first; k < this.end && (this.slope[k] as number) < 0; k++)
      place += this.length[k] as number
    return place
  }

  #makeRoom(): void {
    const [slope, length] = [this.slope, this.length]
    const count = this.end - this.first
    const room = Math.max(2 * slope.length, 2 * count)
    const first = (room - count) >> 1
    this.slope = new Float64Array(room)
    this.length = new Float64Array(room)
    this.slope.set(slope.subarray(this.first, this.end), first)
    this.length.set(length.subarray(this.first, this.end), first)
    this.first = first
    this.end = first + count
  }
}

/** Shorter parts than these say nothing, and lead astray. */
const sliver = 1e-12
/** Lengths that are alike but for rounding. */
const near = 1e-9
