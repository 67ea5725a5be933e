'use client'

import { useEffect, useMemo, useRef } from 'react'
import { rampCss } from '@/stage/palette'
import { useSayer } from '../context'
import { paintSeries, type Clocked } from '../carpet/carpet-image'
import { MonthsBelow } from '../carpet/months-below'

/** A series of the year as a picture: days across, hours up by the clock of the house, and what its colours mean. */
export function YearCarpet({
  title,
  carpet,
  values,
  most,
  unit,
  over,
}: {
  readonly title: string
  readonly carpet: Clocked
  readonly values: Float32Array
  /** What is painted lightest; what is more, too. */
  readonly most: number
  readonly unit: 'h' | 'kW'
  /** How the lightest is told. */
  readonly over: string
}) {
  const sayer = useSayer()
  const canvas = useRef<HTMLCanvasElement>(null)
  const picture = useMemo(() => paintSeries(carpet, values, 0, most), [carpet, values, most])
  useEffect(() => {
    const image = new ImageData(picture.pixels, 365, picture.rows)
    canvas.current?.getContext('2d')?.putImageData(image, 0, 0)
  }, [picture])
  return (
    <figure className="my-2">
      <figcaption className="font-semibold">{title}</figcaption>
      <div className="relative h-[150px] pb-[18px] pl-7">
        {[6, 12, 18].map((hour) => (
          <span
            key={hour}
            aria-hidden
            className="absolute left-0 w-6 -translate-y-1/2 text-right text-[12px] text-pencil"
            style={{ top: `calc((100% - 18px) * ${1 - hour / 24})` }}
          >
            {hour}
          </span>
        ))}
        <canvas
          ref={canvas}
          width={365}
          height={picture.rows}
          role="img"
          aria-label={title}
          className="h-full w-full bg-fold [image-rendering:pixelated]"
        />
        <MonthsBelow language={sayer.language} />
      </div>
      <div className="mt-1 flex items-center gap-2 pl-7 text-[12px] text-pencil">
        <span>{sayer.written({ value: 0, unit, digits: 0 })}</span>
        <span className="h-1.5 w-40 rounded" style={{ background: rampCss }} aria-hidden />
        <span>{over}</span>
      </div>
    </figure>
  )
}
