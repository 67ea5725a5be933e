import { type Vec3 } from '@/core/geometry/vector'
import { distinctMargins, type Site } from '@/core/site/site'
import { footOutline, railOutline } from '@/core/structure/outlines'
import { type Holding } from '@/core/structure/holding'

/** Free around the arrays, m. */
const aroundM = 0.8

/** Arrays from above with what holds them, north up: planes, modules, rails, attachments; blocks as figures. */
export function RackingPicture({
  site,
  holdings,
  label,
}: {
  readonly site: Site
  readonly holdings: readonly Holding[]
  readonly label: string
}) {
  const arrays = site.arrays.filter(({ margins, panels }) => margins !== null && panels.length > 0)
  const planes = distinctMargins(arrays).map(({ plane }) => plane)
  const all = planes.flatMap(({ corners }) => corners)
  const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)]
  const [left, top] = [Math.min(...xs) - aroundM, -Math.max(...ys) - aroundM]
  const [width, height] = [Math.max(...xs) + aroundM - left, aroundM - Math.min(...ys) - top]
  const points = (ring: readonly Vec3[]) =>
    ring.map(([x, y]) => `${x.toFixed(3)},${(-y).toFixed(3)}`).join(' ')
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${left} ${top} ${width} ${height}`}
      className="max-h-80 w-full"
    >
      {planes.map((plane, i) => (
        <polygon
          key={i}
          points={points(plane.corners)}
          className="fill-fold stroke-pencil"
          strokeWidth={0.05}
        />
      ))}
      {arrays.flatMap(({ panels }) =>
        panels.map(({ id, corners }) => (
          <polygon key={id} points={points(corners)} className="fill-card stroke-ink" strokeWidth={0.025} />
        )),
      )}
      {holdings.flatMap((holding) => {
        if (holding.is === 'unheld') return []
        if (holding.is === 'ballast')
          return holding.trays.map(({ panelId, blocks }) => {
            const corners = arrays.flatMap(({ panels }) => panels).find(({ id }) => id === panelId)?.corners
            if (!corners) return null
            const [x, y] = [0, 1].map((axis) => corners.reduce((sum, c) => sum + (c[axis] ?? 0) / 4, 0)) as [
              number,
              number,
            ]
            return (
              <text key={panelId} x={x} y={-y + 0.2} fontSize={0.55} textAnchor="middle" className="fill-ink">
                {blocks}
              </text>
            )
          })
        return holding.rails.flatMap((rail, i) => [
          <polygon
            key={`${holding.arrayId} ${i}`}
            points={points(railOutline(rail, holding))}
            className="fill-pencil"
          />,
          ...rail.feet.map((foot, k) => (
            <polygon
              key={`${holding.arrayId} ${i} ${k}`}
              points={points(footOutline(foot, rail, holding))}
              className="fill-verdigris"
            />
          )),
        ])
      })}
    </svg>
  )
}
