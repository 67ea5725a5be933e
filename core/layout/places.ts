import { bestPhase, type Grid } from './aligned'
import { type Run } from './free-runs'
import { type Stacked } from './stack'
import { filled, nearlyM, type Orientation, type Piece, type Strips } from './strips'

/** Where a module lies: along and across the strips, metres, and its number in the strip and among the strips. */
export interface Place {
  readonly along: number
  readonly foot: number
  readonly strip: number
  readonly place: number
  readonly strips: Pick<Strips, 'widthM' | 'heightM'> & { readonly orientation: Orientation }
}

/** The places of a strict grid. Strips that hold nothing before the first are not counted, nor lines before any. */
export function placesOfGrid({ strips, start, rows, phase }: Grid): Place[] {
  const { widthM, heightM, gapM, rowGapM } = strips
  const pitch = widthM + gapM
  const feet = Array.from({ length: rows }, (_, k) => start + k * (heightM + rowGapM))
    .map((foot) => ({ foot: strips.onGround(foot), runs: strips.runs(foot) }))
    .sort((a, b) => a.foot - b.foot)
  const places: Place[] = []
  feet.forEach(({ foot, runs }, strip) => {
    for (const [from, to] of runs)
      for (
        let line = Math.ceil((from - phase - nearlyM) / pitch);
        phase + line * pitch <= to + nearlyM;
        line++
      ) {
        const along = Math.min(to, Math.max(from, phase + line * pitch))
        places.push({ along, foot, strip, place: line, strips })
      }
  })
  const first = Math.min(...places.map(({ place }) => place))
  const lowest = Math.min(...places.map(({ strip }) => strip))
  return places.map((at) => ({ ...at, strip: at.strip - lowest, place: at.place - first }))
}

/** The places of strips on top of one another, brought into line with each other where their runs leave room. */
export function placesOfStack(top: Stacked): Place[] {
  const rows: { foot: number; strips: Strips; pieces: readonly Piece[] }[] = []
  for (let label: Stacked | null = top; label; label = label.below)
    rows.push({
      foot: label.strips.onGround(label.foot),
      strips: label.strips,
      pieces: freeToSlide(filled(label.strips.runs(label.foot), label.strips), label.strips),
    })
  rows.sort((a, b) => a.foot - b.foot)
  const phases = new Map<Strips, number>()
  for (const { strips } of rows) {
    if (phases.has(strips)) continue
    const slides = rows
      .filter((row) => row.strips === strips)
      .flatMap(({ pieces }) => pieces.map(({ from, slackM }): Run => [from, from + slackM]))
    phases.set(strips, bestPhase(slides, strips.widthM + strips.gapM).phase)
  }
  return rows.flatMap(({ foot, strips, pieces }, strip) => {
    const pitch = strips.widthM + strips.gapM
    let place = 0
    return pieces.flatMap((piece) => {
      const from = piece.from + slide(piece, phases.get(strips) ?? 0, pitch)
      return Array.from({ length: piece.count }, (_, k): Place => {
        return { along: from + k * pitch, foot, strip, place: place++, strips }
      })
    })
  })
}

/** Pieces with no more room than the next piece leaves them. */
function freeToSlide(pieces: readonly Piece[], { widthM, gapM }: Strips): Piece[] {
  return pieces.map((piece, k) => {
    const next = pieces[k + 1]
    const room = next ? next.from - (piece.from + piece.count * (widthM + gapM)) : Infinity
    return { ...piece, slackM: Math.max(0, Math.min(piece.slackM, room)) }
  })
}

/** How far a piece moves to come into phase, or as near to it as its room allows. */
function slide({ from, slackM }: Piece, phase: number, pitch: number): number {
  const wanted = (((phase - from) % pitch) + pitch) % pitch
  if (wanted <= slackM) return wanted
  return wanted - slackM < pitch - wanted ? slackM : 0
}
