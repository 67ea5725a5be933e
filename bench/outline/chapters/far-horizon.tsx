'use client'

import { useState } from 'react'
import { type Site } from '@/core/kinds/site/site'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { fromSouth, readHorizon } from '@/core/readers/horizon-csv'
import { horizonLine } from '@/core/shade/horizon-line'
import { sideOf } from '@/words/direction'
import { number } from '@/words/format'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite, useWords } from '../../context'
import { FileButton } from '../../fields/file-button'
import { houseId } from '../../store/documents'

const words = later.farHorizon
/** A table of 720 points has some 12 kB. */
const mostBytes = 1_000_000

/** Hills and mountains around the site, from a table. */
export function FarHorizon() {
  const { documents } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const { compassPlaces } = useWords()
  const [wrong, setWrong] = useState<string | null>(null)
  const heights = site.farHorizon
  const set = (farHorizon: [number, number][]) => {
    const fault = documents.set(words.label, houseId, site.id, { farHorizon })
    setWrong(fault && sayer.fault(fault))
  }
  const take = async (file: File) => {
    try {
      checkFileSize(file.size, mostBytes)
      set(readHorizon(await file.text()))
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(sayer.fault(error))
    }
  }
  const top = heights.reduce<Site['farHorizon'][number] | null>((a, b) => (!a || b[1] > a[1] ? b : a), null)
  return (
    <>
      <h3 className="quiet mt-2">{words.title}</h3>
      {top ? (
        <>
          <Profile heights={heights} southern={site.latitudeDeg < 0} />
          <p className="text-[12px] text-pencil">
            {sayer.say(words.told, {
              count: heights.length,
              highest: `${number(top[1], site, 1)}°`,
              side: compassPlaces[sideOf(top[0])],
            })}
          </p>
        </>
      ) : (
        <p className="text-[12px] text-pencil">{words.none}</p>
      )}
      <div className="my-1 grid grid-cols-2 gap-1.5">
        <FileButton
          label={`${words.import}: ${words.title}`}
          shown={words.import}
          hint={words.hint}
          accept=".csv,.txt,.hor,text/csv,text/plain"
          className="button"
          onTake={([file]) => file && void take(file)}
        />
        <button type="button" className="button" disabled={heights.length === 0} onClick={() => set([])}>
          {words.remove}
        </button>
      </div>
      {heights.length > 0 && (
        <button
          type="button"
          className="button w-full"
          title={words.turnHint}
          onClick={() => set(fromSouth(heights))}
        >
          {words.turn}
        </button>
      )}
      {wrong !== null && (
        <p role="alert" className="mt-0.5 text-[12px] text-clay">
          {wrong}
        </p>
      )}
    </>
  )
}

const [width, height, sky] = [190, 54, 40] as const
const sides = ['N', 'E', 'S', 'W'] as const

/** Elevation over azimuth, the side of the sun in the middle. */
function Profile({
  heights,
  southern,
}: {
  readonly heights: Site['farHorizon']
  readonly southern: boolean
}) {
  const from = southern ? 180 : 0
  const most = Math.max(10, Math.ceil(Math.max(...heights.map(([, high]) => high)) / 10) * 10)
  const x = (azimuthDeg: number) => ((azimuthDeg - from) / 360) * width
  const y = (elevationDeg: number) => sky - (elevationDeg / most) * (sky - 2)
  const line = horizonLine(heights, from)
    .map(([azimuth, elevation]) => `${x(azimuth)},${y(elevation)}`)
    .join(' ')
  return (
    <svg viewBox={`-1 0 ${width + 2} ${height}`} role="img" aria-label={words.picture} className="w-full">
      <polygon
        points={`0,${sky} ${line} ${width},${sky}`}
        className="fill-line stroke-pencil"
        strokeWidth={0.8}
      />
      <text x={1} y={9} className="fill-pencil text-[9px]">
        {most}°
      </text>
      {Array.from({ length: 5 }, (_, i) => (
        <text
          key={i}
          x={(i * width) / 4}
          y={height - 3}
          textAnchor={i === 0 ? 'start' : i === 4 ? 'end' : 'middle'}
          className="fill-pencil text-[9px]"
        >
          {sides[(i + from / 90) % sides.length]}
        </text>
      ))}
    </svg>
  )
}
