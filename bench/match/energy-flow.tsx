'use client'

import { useMemo } from 'react'
import { energyFlow, type EnergyFlow } from '@/core/readers/energy-flow'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { useSayer } from '../context'

const words = later.flows

const [width, height, top] = [760, 210, 8]
const node = 10
/** Left edges of what gives, of the battery, and of what takes. */
const columns = { gives: 130, battery: 375, takes: 620 } as const
const between = 26

type NodeName = 'sun' | 'grid' | 'battery' | 'house' | 'out' | 'lost' | 'curtailed'

interface FlowNode {
  readonly name: NodeName
  readonly column: keyof typeof columns
  readonly kwh: number
  readonly y: number
  readonly tall: number
}

interface Band {
  readonly from: NodeName
  readonly to: NodeName
  readonly kwh: number
}

const fills: Readonly<Record<NodeName, string>> = {
  sun: 'fill-straw',
  grid: 'fill-pencil',
  battery: 'fill-panel',
  house: 'fill-verdigris',
  out: 'fill-straw',
  lost: 'fill-clay',
  curtailed: 'fill-clay',
}

/** A year's energy as bands from sun and grid by the battery to the house and out; their breadth is their energy. */
export function EnergyFlowPicture({ summary }: { readonly summary: RunSummary }) {
  const sayer = useSayer()
  const flow = useMemo(() => energyFlow(summary), [summary])
  if (!flow) return null
  const bands = bandsOf(flow)
  const nodes = nodesOf(flow, bands)
  const scale = scaleOf(nodes)
  const said = (band: Band) =>
    sayer.say(words.flow, { from: words[band.from], to: words[band.to], kwh: kwhSaid(sayer, band.kwh) })
  return (
    <figure aria-label={words.title}>
      <figcaption className="mb-1 font-semibold">{words.title}</figcaption>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={bands.map(said).join('; ')}
        className="max-h-[230px] w-full"
      >
        {placed(bands, nodes, scale).map(({ band, path }) => (
          <path key={`${band.from} ${band.to}`} d={path} className={fills[band.from]} opacity={0.4}>
            <title>{said(band)}</title>
          </path>
        ))}
        {nodes.map(({ name, column, kwh, y, tall }) => {
          const x = columns[column]
          const isLeft = column === 'gives'
          const at = column === 'battery' ? x + node / 2 : isLeft ? x - 6 : x + node + 6
          const anchor = column === 'battery' ? 'middle' : isLeft ? 'end' : 'start'
          const middle = column === 'battery' ? y + tall + 14 : y + tall / 2 - 3
          return (
            <g key={name}>
              <rect x={x} y={y} width={node} height={tall} className={fills[name]} />
              <text x={at} y={middle} textAnchor={anchor} fontSize={12} className="fill-ink">
                {words[name]}
                <tspan x={at} dy={14} className={column === 'battery' ? 'fill-ink' : 'fill-pencil'}>
                  {kwhSaid(sayer, kwh)}
                </tspan>
              </text>
            </g>
          )
        })}
      </svg>
    </figure>
  )
}

const kwhSaid = (sayer: Sayer, value: number): string => sayer.written({ value, unit: 'kWh', digits: 0 })

/** Those that carry something, from above in each node. */
function bandsOf(flow: EnergyFlow): Band[] {
  const all: readonly Band[] = [
    { from: 'sun', to: 'house', kwh: flow.sunToHouse },
    { from: 'sun', to: 'battery', kwh: flow.sunToBattery },
    { from: 'sun', to: 'out', kwh: flow.sunToGrid },
    { from: 'sun', to: 'curtailed', kwh: flow.curtailed },
    { from: 'battery', to: 'house', kwh: flow.batteryToHouse },
    { from: 'battery', to: 'out', kwh: flow.batteryToGrid },
    { from: 'battery', to: 'lost', kwh: flow.batteryLost },
    { from: 'grid', to: 'battery', kwh: flow.gridToBattery },
    { from: 'grid', to: 'house', kwh: flow.gridToHouse },
  ]
  return all.filter(({ kwh }) => kwh > 0)
}

function nodesOf(flow: EnergyFlow, bands: readonly Band[]): FlowNode[] {
  const all: readonly [NodeName, keyof typeof columns, number][] = [
    ['sun', 'gives', flow.yield],
    ['grid', 'gives', flow.bought],
    ['battery', 'battery', flow.sunToBattery + flow.gridToBattery],
    ['house', 'takes', flow.consumption],
    ['out', 'takes', flow.sold],
    ['lost', 'takes', flow.batteryLost],
    ['curtailed', 'takes', flow.curtailed],
  ]
  const there = all.filter(([name]) => bands.some(({ from, to }) => from === name || to === name))
  const gaps = (column: keyof typeof columns) => there.filter(([, own]) => own === column).length - 1
  const kwhIn = (column: keyof typeof columns) =>
    there.reduce((sum, [, own, kwh]) => sum + (own === column ? kwh : 0), 0)
  const room = height - 2 * top - between * Math.max(gaps('gives'), gaps('takes')) - 8
  const perKwh = room / Math.max(1, kwhIn('gives'), kwhIn('takes'))
  const next = { gives: top, battery: top + 46, takes: top }
  return there.map(([name, column, kwh]) => {
    const tall = Math.max(1, kwh * perKwh)
    const y = next[column]
    next[column] += Math.max(tall, 6) + between
    return { name, column, kwh, y, tall }
  })
}

const scaleOf = (nodes: readonly FlowNode[]): number => {
  const [first] = [...nodes].sort((a, b) => b.kwh - a.kwh)
  return first ? first.tall / first.kwh : 0
}

/** Each band with its outline, one below the other at both its ends. */
function placed(bands: readonly Band[], nodes: readonly FlowNode[], perKwh: number) {
  const given = new Map<NodeName, number>()
  const taken = new Map<NodeName, number>()
  const take = (at: Map<NodeName, number>, name: NodeName, tall: number): number => {
    const start = (at.get(name) ?? 0) + (nodes.find((one) => one.name === name)?.y ?? 0)
    at.set(name, (at.get(name) ?? 0) + tall)
    return start
  }
  return bands.map((band) => {
    const tall = band.kwh * perKwh
    const [from, to] = [band.from, band.to].map((name) => nodes.find((one) => one.name === name))
    const x0 = columns[from?.column ?? 'gives'] + node
    const x1 = columns[to?.column ?? 'takes']
    const y0 = take(given, band.from, tall)
    const y1 = take(taken, band.to, tall)
    const bend = (x0 + x1) / 2
    const path = `M${x0},${y0} C${bend},${y0} ${bend},${y1} ${x1},${y1} v${tall} C${bend},${y1 + tall} ${bend},${y0 + tall} ${x0},${y0 + tall} Z`
    return { band, path }
  })
}
