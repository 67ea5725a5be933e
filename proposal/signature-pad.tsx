'use client'

import { useRef, useState, type PointerEvent } from 'react'
import { type Signature } from './answer'

const width = 480
const height = 150
/** Points nearer to the last one say nothing new; shares of the width. */
const nearest = 0.004

/** Strokes as a path of a picture. */
const pathOf = (strokes: Signature): string =>
  strokes
    .map((stroke) =>
      // A dot is a line of no length.
      [...stroke, ...(stroke.length === 1 ? stroke : [])]
        .map(([x, y], k) => `${k === 0 ? 'M' : 'L'}${(x * width).toFixed(1)} ${(y * height).toFixed(1)}`)
        .join(''),
    )
    .join('')

export function SignatureDrawing({
  strokes,
  label,
}: {
  readonly strokes: Signature
  readonly label: string
}) {
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="h-20 max-w-full" role="img" aria-label={label}>
      <path d={pathOf(strokes)} fill="none" stroke="currentColor" strokeWidth={2.5} strokeLinecap="round" />
    </svg>
  )
}

/** A field that a name is written in with finger, pen or mouse. */
export function SignaturePad({
  strokes,
  label,
  onDraw,
}: {
  readonly strokes: Signature
  readonly label: string
  readonly onDraw: (strokes: Signature) => void
}) {
  const box = useRef<SVGSVGElement>(null)
  const [under, setUnder] = useState<Signature[number] | null>(null)
  const at = (event: PointerEvent): [number, number] => {
    const frame = box.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 1, 1)
    const share = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 10_000) / 10_000
    return [
      share((event.clientX - frame.left) / frame.width),
      share((event.clientY - frame.top) / frame.height),
    ]
  }
  const move = (event: PointerEvent) => {
    const last = under?.at(-1)
    if (!under || !last) return
    const next = at(event)
    if (Math.hypot(next[0] - last[0], next[1] - last[1]) >= nearest && under.length < 600)
      setUnder([...under, next])
  }
  const end = () => {
    if (under && strokes.length < 60) onDraw([...strokes, under])
    setUnder(null)
  }
  return (
    <svg
      ref={box}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      className="w-full max-w-[30rem] cursor-crosshair touch-none rounded-md border border-line bg-white text-ink"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        setUnder([at(event)])
      }}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
    >
      <line x1={20} x2={width - 20} y1={height - 30} y2={height - 30} stroke="#bbb" strokeWidth={1} />
      <path
        d={pathOf(under ? [...strokes, under] : strokes)}
        fill="none"
        stroke="#1d2a33"
        strokeWidth={2.5}
        strokeLinecap="round"
      />
    </svg>
  )
}
