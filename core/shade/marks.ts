/**
 * Which points of one receiver a caster stands before, for the directions in which it does, ascending. Masks: layer
 * after layer, the words of each together.
 */
export interface Marks {
  readonly at: Int32Array
  readonly masks: Int32Array
}

export const noMarks: Marks = { at: new Int32Array(0), masks: new Int32Array(0) }

/** Marks as they come, one direction after the other, sorted by receiver in the end. */
export class MarkStream {
  private count = 0
  private heads = new Int32Array(2 * 256)
  private words: Int32Array
  private readonly counts: Int32Array

  constructor(
    receivers: number,
    private readonly size: number,
  ) {
    this.words = new Int32Array(size * 256)
    this.counts = new Int32Array(receivers)
  }

  take(receiver: number, direction: number, masks: Int32Array, from: number): void {
    if (2 * this.count === this.heads.length) {
      this.heads = twice(this.heads)
      this.words = twice(this.words)
    }
    this.heads[2 * this.count] = receiver
    this.heads[2 * this.count + 1] = direction
    for (let w = 0; w < this.size; w++) this.words[this.count * this.size + w] = masks[from + w] as number
    this.counts[receiver] = (this.counts[receiver] as number) + 1
    this.count++
  }

  /** None at all where nothing was taken. */
  byReceiver(): readonly (Marks | null)[] {
    if (this.count === 0) return []
    const marks = Array.from(this.counts, (count) =>
      count === 0 ? null : { at: new Int32Array(count), masks: new Int32Array(count * this.size) },
    )
    const filled = new Int32Array(this.counts.length)
    for (let k = 0; k < this.count; k++) {
      const receiver = this.heads[2 * k] as number
      const own = marks[receiver]
      if (!own) continue
      const row = filled[receiver] as number
      filled[receiver] = row + 1
      own.at[row] = this.heads[2 * k + 1] as number
      for (let w = 0; w < this.size; w++)
        own.masks[row * this.size + w] = this.words[k * this.size + w] as number
    }
    return marks
  }
}

function twice(values: Int32Array): Int32Array<ArrayBuffer> {
  const more = new Int32Array(2 * values.length)
  more.set(values)
  return more
}
