'use client'

import { modelYear } from '@/core/model/model-year'
import { useEffect, useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { daylightHours } from '@/core/sun/local-sun'
import { clockOfHour } from '@/core/model/moment'
import { useBench, useNumbers, usePart, useShade, useSession, useSite } from '../context'
import { Pills } from '../fields/pills'
import { lazyPart } from '../lazy-parts'
import { dayName, number } from '@/words/format'
import { rampCss } from '@/stage/palette'
import { sunShown } from '../stage/sun-shown'
import { type CarpetLayer } from '../store/session'
import { paintCarpet } from './carpet-image'
import { useLoadPart } from './load-part'
import { Moment } from './moment'
import { MonthsBelow } from './months-below'

const layerNames: readonly (readonly [CarpetLayer, string])[] = [
  ['sun', 'Sun'],
  ['shade', 'Shade'],
  ['yield', 'Yield'],
  ['load', 'Load'],
  ['net', 'In / out'],
  ['price', 'Price'],
  ['battery', 'Battery'],
]

const ShadeMoment = lazyPart('ShadeMomentPanel')
const LoadParts = lazyPart('LoadPartsPanel')

const compass = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west']

/** The year as a carpet, days across and hours up, and the clock of the stage. */
export function Carpet() {
  const { session } = useBench()
  const site = useSite()
  const { numbers, fresh } = useNumbers()
  const { day, hour, layer } = useSession((s) => s)
  const canvas = useRef<HTMLCanvasElement>(null)
  const shade = useShade()
  const part = layer === 'shade' ? shade?.light : null
  const whole = numbers?.summary.carpet
  const { kwh: load, fresh: isLoadToday } = useLoadPart()
  const carpet = useMemo(
    () => whole && { ...whole, ...(part ? { shade: part.shade } : {}), ...(load ? { load } : {}) },
    [whole, part, load],
  )
  const isToday = fresh && isLoadToday && (!part || shade?.fresh === true)
  const isPart = usePart().length > 0
  const isBare = numbers?.summary.count === 0
  const picture = useMemo(() => (carpet ? paintCarpet(carpet, layer) : null), [carpet, layer])
  const { sun, hidden } = sunShown(site, day, hour)
  const light = daylightHours(site, modelYear, day)
  const suns = useMemo(() => {
    const place = {
      latitudeDeg: site.latitudeDeg,
      longitudeDeg: site.longitudeDeg,
      elevationM: site.elevationM,
      timeZone: site.timeZone,
    }
    const daylight = Array.from({ length: 74 }, (_, k) => Math.min(364, k * 5)).flatMap((at) => {
      const light = daylightHours(place, modelYear, at)
      return light ? [{ at, light }] : []
    })
    return (['rise', 'set'] as const).map((end) =>
      daylight.map(({ at, light }) => `${(at / 365) * 100},${100 - (light[end] / 24) * 100}`).join(' '),
    )
  }, [site.latitudeDeg, site.longitudeDeg, site.elevationM, site.timeZone])

  useEffect(() => {
    if (!picture || !canvas.current) return
    const image = new ImageData(picture.pixels, 365, picture.rows)
    canvas.current.getContext('2d')?.putImageData(image, 0, 0)
  }, [picture])

  const take = (event: PointerEvent<HTMLDivElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const share = (value: number) => Math.max(0, Math.min(0.9999, value))
    session.setState({
      day: Math.floor(share((event.clientX - box.left) / box.width) * 365),
      hour: Math.round((1 - share((event.clientY - box.top) / box.height)) * 24 * 12) / 12,
    })
  }
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key]
    if (!step) return
    event.preventDefault()
    event.stopPropagation()
    const times = event.shiftKey ? 7 : 1
    session.setState((s) => ({
      day: (s.day + (step[0] ?? 0) * times + 365) % 365,
      hour: Math.max(0, Math.min(23.99, s.hour + (step[1] ?? 0) * (event.shiftKey ? 0.25 : 1))),
    }))
  }
  const toward = compass[Math.round(sun.azimuthDeg / 45) % 8]
  const spoken = `${dayName(day, site.locale)}, ${clockOfHour(hour)}, sun ${sun.elevationDeg > 0 ? `${sun.elevationDeg.toFixed(0)} degrees high in the ${toward}` : 'below the horizon'}`

  return (
    <section
      aria-label="Carpet"
      className="grid h-full grid-cols-[220px_1fr_260px] grid-rows-[minmax(0,1fr)] overflow-hidden border-t border-line bg-card max-[900px]:grid-cols-[200px_1fr_0px] [@media(max-height:520px)]:hidden"
    >
      <div className="px-3 py-2">
        <Moment />
        {layer === 'shade' ? (
          <ShadeMoment />
        ) : (
          <p className="quiet mt-1">
            {sun.elevationDeg > 0
              ? `sun ${sun.elevationDeg.toFixed(0)}° high, in ${sun.azimuthDeg.toFixed(0)}° (${toward})${hidden ? ', behind the far horizon' : ''}`
              : 'sun is down'}
            {light && `, up ${clockOfHour(light.rise)} to ${clockOfHour(light.set)}`}
          </p>
        )}
      </div>
      <div className="relative min-w-0 pt-1.5 pb-[18px] pl-7">
        {[6, 12, 18].map((mark) => (
          <span
            key={mark}
            className="absolute left-0 w-6 -translate-y-1/2 text-right text-[12px] text-pencil"
            style={{ top: `calc(6px + (100% - 24px) * ${1 - mark / 24})` }}
          >
            {mark}
          </span>
        ))}
        <div
          role="slider"
          tabIndex={0}
          aria-label="Day and hour"
          aria-valuemin={0}
          aria-valuemax={364}
          aria-valuenow={day}
          aria-valuetext={spoken}
          onKeyDown={onKey}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId)
            take(event)
          }}
          onPointerMove={(event) => event.buttons === 1 && take(event)}
          className="relative h-full cursor-crosshair touch-none bg-fold"
        >
          <canvas
            ref={canvas}
            width={365}
            height={picture?.rows ?? 24}
            className={`absolute inset-0 h-full w-full [image-rendering:pixelated] ${isToday ? '' : 'opacity-60'}`}
          />
          <svg
            className="absolute inset-0 h-full w-full"
            viewBox="0 0 100 100"
            preserveAspectRatio="none"
            aria-hidden
          >
            {suns.map((points) => (
              <polyline
                key={points}
                points={points}
                fill="none"
                stroke="#E2B84B"
                strokeWidth={1}
                vectorEffect="non-scaling-stroke"
                opacity={0.9}
              />
            ))}
            <line
              x1={((day + 0.5) / 365) * 100}
              x2={((day + 0.5) / 365) * 100}
              y1={0}
              y2={100}
              stroke="#C2502F"
              strokeWidth={1.2}
              vectorEffect="non-scaling-stroke"
            />
            <line
              x1={0}
              x2={100}
              y1={100 - (hour / 24) * 100}
              y2={100 - (hour / 24) * 100}
              stroke="#C2502F"
              strokeWidth={1.2}
              vectorEffect="non-scaling-stroke"
            />
          </svg>
        </div>
        <MonthsBelow language="en" />
      </div>
      <div className="px-3.5 py-2">
        <Pills
          label="Layer"
          value={layer}
          choices={layerNames}
          onChoose={(id) => session.setState({ layer: id })}
        />
        {picture && (
          <div className="mt-1.5">
            <div className="h-1.5 rounded-full" style={{ background: rampCss }} />
            <p className="quiet flex justify-between">
              <span>{number(picture.low, site, picture.high > 20 ? 0 : 1)}</span>
              <span>
                {layer === 'load' ? (
                  <LoadParts title={picture.title} />
                ) : isBare && layer === 'sun' ? (
                  'Sun on level ground'
                ) : (
                  picture.title
                )}
                {part && isPart && ', selection'}
              </span>
              <span>
                {number(picture.high, site, picture.high > 20 ? 0 : 1)} {picture.unit}
              </span>
            </p>
          </div>
        )}
      </div>
    </section>
  )
}
