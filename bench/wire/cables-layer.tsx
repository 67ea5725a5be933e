'use client'

import { placeNames, type CablePlan, type PlaceName } from '@/core/cables/cable-plan'
import { length3, middle3, sub3, type Vec2, type Vec3 } from '@/core/geometry/vector'
import { pick } from '@/core/site/pick'
import { type Site } from '@/core/site/site'
import { type StageView } from '@/stage/stage-view'
import { later } from '@/words/en/later'
import { useBench, useHouse, useNumbers, useOption } from '../context'
import { placesOf } from './places'

const words = later.wiring

/** Nearer to the eye than this before a cable, something hides it, m. */
const beforeM = 0.25
/** Room that a name takes, px. */
const [nameWidePx, nameHighPx] = [80, 13]
/** More modules than this, and cables are drawn alike before and behind the house, for the hand that turns it. */
const mostModules = 300

/** Where inverter, load centre and battery hang, and the cables between them; fainter where the house hides them. */
export function CablesLayer({ view }: { readonly view: StageView }) {
  const { site } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const { numbers, fresh } = useNumbers()
  const cables = numbers?.summary.cables
  const standing = site()
  const places = placesOf(house, option)
  const isMicro = numbers?.summary.electronics === 'microinverters'
  const devices = placeNames.flatMap((name) => {
    // Microinverters hang under their modules, whatever was placed before them.
    const place = isMicro && name === 'inverter' ? null : places[name]
    const at = place && (placedAt(cables, name) ?? ([...place.at, place.heightM] as const))
    const seen = at && view.sight.project(at)
    return seen ? [{ name, seen, isHidden: hides(standing, view, at) }] : []
  })
  const isMany = (numbers?.summary.count ?? 0) > mostModules
  return (
    <g className={fresh ? '' : 'opacity-60'}>
      {cables &&
        waysOf(cables).map((way, w) => (
          <g key={w} data-cable={way.side}>
            {way.points.slice(1).map((to, k) => (
              <Piece
                key={k}
                view={view}
                from={way.points[k] ?? to}
                to={to}
                tone={way.side === 'dc' ? 'text-clay' : 'text-verdigris'}
                site={isMany ? null : standing}
              />
            ))}
          </g>
        ))}
      {labelled(devices).map(({ name, seen, downPx, isHidden }) => (
        <Device
          key={name}
          id={name}
          at={seen}
          downPx={downPx}
          name={words.places[name]}
          isHidden={isHidden}
        />
      ))}
    </g>
  )
}

/** On its wall as the plan has it. */
const placedAt = (cables: CablePlan | undefined, name: string): Vec3 | undefined =>
  cables?.devices.find((device) => device.name === name)?.at

const waysOf = ({ dc, ac, battery }: CablePlan) => [
  ...dc.flatMap(({ ways }) => ways.map(({ points }) => ({ side: 'dc', points }) as const)),
  ...[...ac, ...(battery ? [battery] : [])].flatMap(({ ways }) =>
    ways.map(({ points }) => ({ side: 'ac', points }) as const),
  ),
]

function Piece({
  view,
  from,
  to,
  tone,
  site,
}: {
  readonly view: StageView
  readonly from: Vec3
  readonly to: Vec3
  readonly tone: string
  /** What may hide it; null where nobody looks. */
  readonly site: Site | null
}) {
  const [a, b] = [view.sight.project(from), view.sight.project(to)]
  if (!a || !b) return null
  const isHidden = site !== null && hides(site, view, middle3(from, to))
  return (
    <line
      x1={a[0]}
      y1={a[1]}
      x2={b[0]}
      y2={b[1]}
      className={`${tone} stroke-current`}
      strokeWidth={2.2}
      strokeLinecap="round"
      strokeDasharray={isHidden ? '2 5' : undefined}
      opacity={isHidden ? 0.45 : 1}
    />
  )
}

/** Whether something stands between the eye and a point. */
function hides(site: Site, view: StageView, point: Vec3): boolean {
  const seen = view.sight.project(point)
  if (!seen) return false
  const ray = view.sight.rayAt(seen)
  const hit = pick(site, ray, null)
  if (!hit) return false
  const far = (p: Vec3) => length3(sub3(p, ray.origin))
  return far(hit.point) < far(point) - beforeM
}

interface Seen {
  readonly name: PlaceName
  readonly seen: Vec2
  readonly isHidden: boolean
}

/** Names over their devices; one that would lie over another stands below. */
function labelled(devices: readonly Seen[]): (Seen & { readonly downPx: number })[] {
  const set: (Seen & { readonly downPx: number })[] = []
  for (const device of devices.toSorted((a, b) => a.seen[1] - b.seen[1])) {
    const [x, y] = device.seen
    const isFree = (downPx: number) =>
      set.every(
        ({ seen, downPx: other }) =>
          Math.abs(seen[0] - x) > nameWidePx || Math.abs(seen[1] + other - (y + downPx)) > nameHighPx,
      )
    set.push({ ...device, downPx: [-11, 19, 33, 47].find(isFree) ?? -11 })
  }
  return set
}

function Device({
  at: [x, y],
  downPx,
  id,
  name,
  isHidden,
}: {
  readonly id: PlaceName
  readonly at: Vec2
  readonly downPx: number
  readonly name: string
  readonly isHidden: boolean
}) {
  return (
    <g opacity={isHidden ? 0.6 : 1} data-device={id}>
      <rect
        x={x - 5}
        y={y - 6}
        width={10}
        height={12}
        rx={2}
        className="fill-card stroke-ink"
        strokeWidth={2}
        strokeDasharray={isHidden ? '2 2' : undefined}
      />
      <text
        x={x}
        y={y + downPx}
        textAnchor="middle"
        className="fill-ink stroke-card text-[12px] font-semibold"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {name}
      </text>
    </g>
  )
}
