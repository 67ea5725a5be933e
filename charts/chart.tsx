'use client'

import { useEffect, useRef } from 'react'
import { type ApexOptions } from 'apexcharts'
import { useMedia } from '@/stage/use-media'
import { darkPalette, lightPalette, type Palette } from '@/stage/palette'
import { DrawnChart } from './drawn-chart'

interface Props {
  readonly title: string
  readonly type: 'bar' | 'line' | 'area' | 'rangeBar' | 'scatter'
  readonly height: number
  readonly series: ApexAxisChartSeries | ((palette: Palette) => ApexAxisChartSeries)
  readonly options: (palette: Palette) => ApexOptions
  /** Of a page that is printed: in light colours, and drawn at once. */
  readonly still?: boolean
}

/** The page's secret word: its policy lets no style in without it. */
const pageNonce = () => document.querySelector<HTMLElement>('script[nonce]')?.nonce ?? ''

/** A chart in the product's colours, with its title and axes. */
export function Chart({ title, type, height, series, options, still = false }: Props) {
  const dark = useMedia('(prefers-color-scheme: dark)') && !still
  const place = useRef<HTMLDivElement>(null)
  const drawn = useRef<DrawnChart>(null)
  useEffect(() => {
    if (!place.current) return
    const made = new DrawnChart(place.current)
    drawn.current = made
    return () => made.dispose()
  }, [type, height])
  useEffect(() => {
    const palette = dark ? darkPalette : lightPalette
    const own = options(palette)
    drawn.current?.show(
      {
        ...own,
        series: typeof series === 'function' ? series(palette) : series,
        chart: {
          type,
          height,
          width: '100%',
          nonce: pageNonce(),
          animations: { enabled: false },
          toolbar: { show: false },
          zoom: { enabled: false },
          fontFamily: 'inherit',
          foreColor: palette.pencil,
          background: 'transparent',
          ...own.chart,
        },
        theme: { mode: dark ? 'dark' : 'light' },
        dataLabels: { enabled: false, ...own.dataLabels },
        grid: { borderColor: dark ? '#3d474e' : '#ddd5c5', strokeDashArray: 2, ...own.grid },
        legend: { position: 'top', horizontalAlign: 'left', ...own.legend },
      },
      still,
    )
  }, [type, height, series, options, dark, still])
  return (
    <figure aria-label={title}>
      <figcaption className="mb-1 font-semibold">{title}</figcaption>
      {/* It keeps its place until it is drawn; figures of before have no colour, and lose no contrast. */}
      <div ref={place} className="data-stale:grayscale" style={{ minHeight: height }} />
    </figure>
  )
}
