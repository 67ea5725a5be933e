import { hatchOf } from '../geometry/hatch'
import { boundsOf } from '../geometry/bounds'
import { length3, sub3, type Vec2, type Vec3 } from '../geometry/vector'
import { planeParts } from '../layout/kept-free'
import { fromFrame } from '../layout/plane-frame'
import { formatLength, type UnitSystem } from '../model/units'
import { distinctMargins, isRoofed, panelsOf, type LaidArray } from '../site/site'
import { footOutline, railOutline } from '../structure/outlines'
import { type Drawn } from './drawn'

/** What stands on a plan in words. */
export interface PlanLabels {
  /** Lines of the title block. */
  readonly heading: readonly string[]
  /** @param scale metres in nature for one on paper */
  readonly scale: (scale: number) => string
  readonly north: string
  readonly array: (array: LaidArray) => string
}

/** Sheets across, mm. */
const papers = { A4: [297, 210], Letter: [279.4, 215.9] } as const
export type Paper = keyof typeof papers

/** Scales people draw in, metric and feet to the inch; the largest that has room is taken. */
const scales = {
  metric: [20, 25, 50, 75, 100, 125, 150, 200, 250, 500, 1000, 2000, 5000],
  imperial: [24, 32, 48, 64, 96, 128, 192, 240, 360, 480, 600, 1200, 2400, 4800],
} as const

/** Free around the sheet, and what the title block takes at its foot, mm. */
const marginMm = 10
const titleMm = 24
/** Free around the house for its dimensions, mm. */
const aroundMm = 14
const textMm = 2.6
/** Hatching, m; finer on paper is a grey. */
const hatchM = 0.25
/** Figures stay readable over lines. */
const halo = 'stroke="#fff" stroke-width="0.8" stroke-linejoin="round" paint-order="stroke"'
/** Edges shorter than this on paper have no dimension, mm. */
const leastDimensionMm = 9

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
const mm = (value: number) => String(Math.round(value * 1000) / 1000)

/**
 * The roof from above as a drawing to scale: millimetres on paper, north up. Planes, setbacks, walkways, obstructions,
 * modules, rails and their attachments in groups of their own; edges with their true lengths.
 * @returns an SVG document
 */
export function planSvg(
  { site, holdings = [] }: Drawn,
  { units, locale }: { readonly units: UnitSystem; readonly locale: string },
  paper: Paper,
  labels: PlanLabels,
): string {
  const roofs = site.objects.filter(isRoofed)
  const corners = [
    ...roofs.flatMap(({ geometry }) => geometry.faces.flatMap((face) => face.corners)),
    ...panelsOf(site).flatMap((panel) => panel.corners),
  ]
  const [low, high] = corners.length === 0 ? [[0, 0, 0] as Vec3, [1, 1, 0] as Vec3] : boundsOf(corners)
  const [paperW, paperH] = papers[paper]
  const [roomW, roomH] = [paperW - 2 * (marginMm + aroundMm), paperH - 2 * (marginMm + aroundMm) - titleMm]
  const scale =
    scales[units].find(
      (one) => ((high[0] - low[0]) * 1000) / one <= roomW && ((high[1] - low[1]) * 1000) / one <= roomH,
    ) ?? Math.ceil((Math.max((high[0] - low[0]) / roomW, (high[1] - low[1]) / roomH) * 1000) / 1000) * 1000
  const perM = 1000 / scale
  const middle: Vec2 = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
  const at = (p: Vec2 | Vec3): Vec2 => [
    paperW / 2 + (p[0] - middle[0]) * perM,
    (paperH - titleMm) / 2 - (p[1] - middle[1]) * perM,
  ]
  const points = (ring: readonly (Vec2 | Vec3)[]) => ring.map((p) => at(p).map(mm).join(',')).join(' ')
  const polygon = (ring: readonly (Vec2 | Vec3)[]) => `<polygon points="${points(ring)}"/>`
  const line = (a: Vec2 | Vec3, b: Vec2 | Vec3) => {
    const [[x1, y1], [x2, y2]] = [at(a), at(b)]
    return `<line x1="${mm(x1)}" y1="${mm(y1)}" x2="${mm(x2)}" y2="${mm(y2)}"/>`
  }
  const text = ([x, y]: Vec2, said: string, turnDeg = 0, anchor = 'middle') =>
    `<text x="${mm(x)}" y="${mm(y)}" text-anchor="${anchor}"${turnDeg === 0 ? '' : ` transform="rotate(${mm(turnDeg)} ${mm(x)} ${mm(y)})"`}>${escaped(said)}</text>`
  const group = (id: string, style: string, parts: readonly string[]) =>
    `<g id="${id}" ${style}>${parts.join('')}</g>`

  const margins = distinctMargins(site.arrays).map(planeParts)
  const walkways = site.objects.filter(({ kind }) => kind === 'walkway')
  const things = site.objects.filter(
    ({ kind, geometry }) => geometry.faces.length === 0 && kind !== 'walkway' && geometry.keepOuts.length > 0,
  )
  const dimensions = dimensioned(
    roofs.flatMap(({ geometry }) => geometry.faces.map((face) => face.corners)),
  ).filter(({ from, to }) => Math.hypot(to[0] - from[0], to[1] - from[1]) * perM >= leastDimensionMm)
  const [titleX, titleY] = [marginMm, paperH - marginMm - titleMm]
  return [
    `<?xml version="1.0" encoding="UTF-8"?>`,
    `<svg xmlns="http://www.w3.org/2000/svg" width="${paperW}mm" height="${paperH}mm" viewBox="0 0 ${paperW} ${paperH}" font-family="sans-serif" font-size="${textMm}">`,
    `<rect width="${paperW}" height="${paperH}" fill="#fff"/>`,
    group(
      'planes',
      'fill="#f4f1ea" stroke="#222" stroke-width="0.35" stroke-linejoin="round"',
      roofs.flatMap(({ geometry }) => geometry.faces.map((face) => polygon(face.corners))),
    ),
    group(
      'setbacks',
      'fill="none" stroke="#777" stroke-width="0.13"',
      margins.flatMap(({ frame, free, usable }) => [
        ...hatchOf(free, hatchM).map(([a, b]) => line(fromFrame(frame, a), fromFrame(frame, b))),
        ...usable.map((ring) => polygon(ring.map((p) => fromFrame(frame, p)))),
      ]),
    ),
    group(
      'walkways',
      'fill="#dfe8e4" stroke="#333" stroke-width="0.25"',
      walkways.flatMap(({ geometry }) => geometry.keepOuts.map(({ base }) => polygon(base))),
    ),
    group(
      'modules',
      'fill="#cfdbe8" stroke="#1d3347" stroke-width="0.25"',
      panelsOf(site).map((panel) => polygon(panel.corners)),
    ),
    group(
      'racking',
      'fill="#fff" stroke="#111" stroke-width="0.13"',
      holdings.flatMap((holding) =>
        holding.is === 'rails' ? holding.rails.map((rail) => polygon(railOutline(rail, holding))) : [],
      ),
    ),
    group(
      'attachments',
      'fill="#8a3b12" stroke="none"',
      holdings.flatMap((holding) =>
        holding.is === 'rails'
          ? holding.rails.flatMap((rail) =>
              rail.feet.map((foot) => polygon(footOutline(foot, rail, holding))),
            )
          : [],
      ),
    ),
    group(
      'obstructions',
      'fill="#bbb" stroke="#222" stroke-width="0.3"',
      things.flatMap(({ geometry }) => geometry.keepOuts.map(({ base }) => polygon(base))),
    ),
    group(
      'dimensions',
      `fill="#222" ${halo}`,
      dimensions.map(({ from, to }) => {
        const [a, b] = [at(from), at(to)]
        const turn = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI
        const upright = turn > 90 ? turn - 180 : turn <= -90 ? turn + 180 : turn
        const length = Math.hypot(b[0] - a[0], b[1] - a[1])
        // To the right of the way round, which is outside the plane; y runs down on paper.
        const out: Vec2 = [-(b[1] - a[1]) / length, (b[0] - a[0]) / length]
        const off = 1 + textMm / 2
        const middleOf: Vec2 = [
          (a[0] + b[0]) / 2 + out[0] * off,
          (a[1] + b[1]) / 2 + out[1] * off + textMm / 3,
        ]
        return text(middleOf, formatLength(length3(sub3(to, from)), units, locale), upright)
      }),
    ),
    group(
      'arrays',
      `fill="#0c4a3e" font-weight="bold" ${halo}`,
      site.arrays.flatMap((array) => {
        if (array.panels.length === 0) return []
        const [least, most] = boundsOf(array.panels.flatMap((panel) => panel.corners))
        return [text(at([(least[0] + most[0]) / 2, (least[1] + most[1]) / 2]), labels.array(array))]
      }),
    ),
    group('title', 'fill="#222"', [
      `<line x1="${titleX}" y1="${titleY}" x2="${paperW - marginMm}" y2="${titleY}" stroke="#222" stroke-width="0.35"/>`,
      ...labels.heading.map((said, i) => text([titleX, titleY + 6 + i * 4.4], said, 0, 'start')),
      ...scaleBar(paperW - marginMm - 70, titleY + 8, perM, units, locale, text),
      text([paperW - marginMm - 70, titleY + 18], labels.scale(scale), 0, 'start'),
      `<path d="M${paperW - marginMm - 10} ${titleY + 16} l4 -11 l4 11 l-4 -3 z" fill="#222"/>`,
      text([paperW - marginMm - 6, titleY + 21], labels.north),
    ]),
    `</svg>`,
    '',
  ].join('\n')
}

/** A bar of round lengths beside which anything may be measured, whatever a printer made of the scale. */
function scaleBar(
  x: number,
  y: number,
  perM: number,
  units: UnitSystem,
  locale: string,
  text: (at: Vec2, said: string, turnDeg?: number, anchor?: string) => string,
): string[] {
  const oneM = units === 'imperial' ? 0.3048 : 1
  const whole = [1, 2, 5, 10, 20, 50, 100].filter((n) => n * oneM * perM <= 40).at(-1) ?? 1
  const width = whole * oneM * perM
  return [
    `<rect x="${mm(x)}" y="${mm(y)}" width="${mm(width)}" height="1.6" fill="none" stroke="#222" stroke-width="0.25"/>`,
    `<rect x="${mm(x)}" y="${mm(y)}" width="${mm(width / 2)}" height="1.6" fill="#222"/>`,
    text([x, y - 1], '0'),
    text([x + width, y - 1], formatLength(whole * oneM, units, locale)),
  ]
}

/** Edges of planes, each once: two planes share a ridge. */
function dimensioned(rings: readonly (readonly Vec3[])[]): { readonly from: Vec3; readonly to: Vec3 }[] {
  const found = new Map<string, { readonly from: Vec3; readonly to: Vec3 }>()
  for (const ring of rings)
    ring.forEach((from, i) => {
      const to = ring[(i + 1) % ring.length] ?? from
      const key = [from, to].map((p) => p.map((v) => v.toFixed(3)).join(' ')).sort()
      const known = key.join('/')
      if (!found.has(known)) found.set(known, { from, to })
    })
  return [...found.values()]
}
