'use client'

import { useId, useState, type CSSProperties, type KeyboardEvent, type PointerEvent } from 'react'
import { type BoardDay, type BoardRows, type Stroke } from '@/core/tariff/board'
import { monthNames } from '@/words/format'
import { later } from '@/words/en/later'
import { useSayer } from '../context'

const words = later.tariff
const tints = ['clay', 'straw', 'verdigris', 'panel', 'pencil'] as const

/** How a price looks: its colour, and stripes from the sixth on. */
export function paintStyle(paint: number): CSSProperties {
  if (paint < 0) return {}
  const tint = `color-mix(in srgb, var(--tg-${tints[paint % tints.length] ?? 'pencil'}) 38%, var(--tg-card))`
  return paint < tints.length
    ? { background: tint }
    : { background: `repeating-linear-gradient(45deg, ${tint} 0 4px, var(--tg-card) 4px 6px)` }
}

interface Cell {
  readonly month: number
  readonly hour: number
}

const hours = Array.from({ length: 24 }, (_, hour) => hour)
const held = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value))

/** Months by hours for one kind of day. A drag, or arrows with Shift, spans hours; letting go or Enter paints them. */
export function PriceBoard({
  days,
  rows,
  nameOf,
  onStroke,
}: {
  readonly days: BoardDay
  readonly rows: BoardRows
  /** What a price is called, and what it is. */
  readonly nameOf: (paint: number) => string
  readonly onStroke: (stroke: Stroke) => void
}) {
  const sayer = useSayer()
  const id = useId()
  const months = monthNames(sayer.place.locale)
  const [from, setFrom] = useState<Cell>({ month: 0, hour: 0 })
  const [to, setTo] = useState<Cell>({ month: 0, hour: 0 })
  const [drawing, setDrawing] = useState(false)
  const [focused, setFocused] = useState(false)

  const paint = (a: Cell, b: Cell) => onStroke({ days, months: [a.month, b.month], hours: [a.hour, b.hour] })
  /** The cell under the pointer, or the nearest one. */
  const cellAt = (event: PointerEvent<HTMLElement>): Cell => {
    const first = event.currentTarget.querySelector('[data-cell="0 0"]')?.getBoundingClientRect()
    const last = event.currentTarget.querySelector('[data-cell="11 23"]')?.getBoundingClientRect()
    if (!first || !last) return from
    const at = (value: number, low: number, high: number, count: number) =>
      held(Math.floor(((value - low) / (high - low)) * count), 0, count - 1)
    return {
      month: at(event.clientY, first.top, last.bottom, 12),
      hour: at(event.clientX, first.left, last.right, 24),
    }
  }
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key]
    if (event.key !== 'Escape' && event.key !== 'Tab') event.stopPropagation()
    if (step) {
      event.preventDefault()
      const next = {
        month: held(to.month + (step[0] ?? 0), 0, 11),
        hour: held(to.hour + (step[1] ?? 0), 0, 23),
      }
      setTo(next)
      if (!event.shiftKey) setFrom(next)
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      paint(from, to)
    }
  }
  const isWithin = ({ month, hour }: Cell) =>
    (drawing || focused) &&
    month >= Math.min(from.month, to.month) &&
    month <= Math.max(from.month, to.month) &&
    hour >= Math.min(from.hour, to.hour) &&
    hour <= Math.max(from.hour, to.hour)

  return (
    <section className="min-w-0 flex-1">
      <h3 className="mb-1 font-semibold" id={`${id}-title`}>
        {words.days[days]}
      </h3>
      <div
        role="grid"
        tabIndex={0}
        aria-labelledby={`${id}-title`}
        aria-activedescendant={`${id}-${to.month}-${to.hour}`}
        className="touch-none select-none"
        onFocus={() => setFocused(true)}
        onBlur={() => setFocused(false)}
        onKeyDown={onKey}
        onPointerDown={(event) => {
          if (event.button !== 0) return
          event.currentTarget.setPointerCapture(event.pointerId)
          const cell = cellAt(event)
          setFrom(cell)
          setTo(cell)
          setDrawing(true)
        }}
        onPointerMove={(event) => {
          if (drawing) setTo(cellAt(event))
        }}
        onPointerUp={(event) => {
          if (!drawing) return
          setDrawing(false)
          paint(from, cellAt(event))
        }}
        onPointerCancel={() => setDrawing(false)}
      >
        {rows.map((row, month) => (
          <div key={month} role="row" className="flex h-[18px] items-stretch">
            <span role="rowheader" className="w-8 shrink-0 text-[12px] leading-[18px] text-pencil">
              {months[month]}
            </span>
            {row.map((own, hour) => (
              <span
                key={hour}
                id={`${id}-${month}-${hour}`}
                role="gridcell"
                data-cell={`${month} ${hour}`}
                data-paint={own}
                aria-selected={isWithin({ month, hour })}
                aria-label={sayer.say(words.cell, {
                  month: months[month] ?? '',
                  from: hour,
                  to: hour + 1,
                  price: nameOf(own),
                })}
                className={`flex-1 cursor-crosshair border-t border-l border-line/70 text-center text-[12px] leading-[17px] ${
                  isWithin({ month, hour }) ? 'outline-2 -outline-offset-1 outline-ink' : ''
                }`}
                style={paintStyle(own)}
              >
                {own >= 0 && row[hour - 1] !== own ? own + 1 : ''}
              </span>
            ))}
          </div>
        ))}
        <div role="presentation" className="flex text-[12px] text-pencil">
          <span className="w-8 shrink-0" />
          {hours.map((hour) => (
            <span key={hour} className="w-0 flex-1">
              {hour % 3 === 0 ? hour : ''}
            </span>
          ))}
        </div>
      </div>
    </section>
  )
}
