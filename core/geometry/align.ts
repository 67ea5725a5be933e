/** What something takes up along an axis, m. */
export interface Span {
  readonly low: number
  readonly high: number
}

/** Where things are put along an axis: at its low end, in the middle, at its high end, or with equal room between. */
export const alignments = ['low', 'middle', 'high', 'even'] as const
export type Alignment = (typeof alignments)[number]

/**
 * How far each of some things goes along an axis to stand in line with the others, or as far apart as the others; the
 * outermost ends are where they were.
 * @returns m, in the order of the spans; nothing goes anywhere where fewer than two are given, or three for `even`
 */
export function shiftsTo(spans: readonly Span[], alignment: Alignment): number[] {
  const low = Math.min(...spans.map((span) => span.low))
  const high = Math.max(...spans.map((span) => span.high))
  if (spans.length < 2) return spans.map(() => 0)
  if (alignment === 'even') return evenShifts(spans, low, high)
  return spans.map((span) => {
    if (alignment === 'low') return low - span.low
    if (alignment === 'high') return high - span.high
    return middleOf({ low, high }) - middleOf(span)
  })
}

/** The order along the axis stays. Where there is no room for all of them, their middles stand equally far apart. */
function evenShifts(spans: readonly Span[], low: number, high: number): number[] {
  const shifts = spans.map(() => 0)
  if (spans.length < 3) return shifts
  const inOrder = spans
    .map((span, index) => ({ span, index }))
    .sort((a, b) => middleOf(a.span) - middleOf(b.span) || a.index - b.index)
  const taken = spans.reduce((sum, span) => sum + span.high - span.low, 0)
  const gap = (high - low - taken) / (spans.length - 1)
  const [first, last] = [inOrder[0], inOrder.at(-1)]
  if (gap < 0 && first && last) {
    const step = (middleOf(last.span) - middleOf(first.span)) / (spans.length - 1)
    inOrder.forEach(({ span, index }, k) => {
      shifts[index] = middleOf(first.span) + k * step - middleOf(span)
    })
    return shifts
  }
  let at = low
  for (const { span, index } of inOrder) {
    shifts[index] = at - span.low
    at += span.high - span.low + gap
  }
  return shifts
}

const middleOf = ({ low, high }: Span) => (low + high) / 2
