'use client'

import dynamic from 'next/dynamic'
import { type ApexOptions } from 'apexcharts'
import { useMedia } from '@/stage/use-media'
import { darkPalette, lightPalette, type Palette } from '@/stage/palette'

const ApexChart = dynamic(() => import('react-apexcharts'), {
  ssr: false,
  loading: () => <p className="quiet p-4">Drawing …</p>,
})

interface Props {
  readonly title: string
  readonly type: 'bar' | 'line' | 'area' | 'rangeBar' | 'scatter'
  readonly height: number
  readonly series: ApexAxisChartSeries | ((palette: Palette) => ApexAxisChartSeries)
  readonly options: (palette: Palette) => ApexOptions
  readonly still?: boolean
}

/** A chart in the product's colours, with its title and axes. */
/** The page's secret word: its policy lets no style in without it. */
const pageNonce = () =>
  typeof document === 'undefined' ? '' : (document.querySelector<HTMLElement>('script[nonce]')?.nonce ?? '')

export function Chart({ title, type, height, series, options, still }: Props) {
  const dark = useMedia('(prefers-color-scheme: dark)') && !still
  const palette = dark ? darkPalette : lightPalette
  const own = options(palette)
  return (
    <figure aria-label={title}>
      <figcaption className="mb-1 font-semibold">{title}</figcaption>
      <ApexChart
        type={type}
        height={height}
        width="100%"
        series={typeof series === 'function' ? series(palette) : series}
        options={{
          ...own,
          chart: {
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
        }}
      />
    </figure>
  )
}
