'use client'

import { useMemo } from 'react'
import { type Vec3 } from '@/core/geometry/vector'
import { type PartLight } from '@/core/readers/part-light'
import { type PanelFigures, type RunSummary } from '@/core/readers/summary'
import { farHorizonId } from '@/core/shade/engine'
import { horizonOf } from '@/core/shade/far-horizon'
import { horizonLine } from '@/core/shade/horizon-line'
import { outlinesOf, silhouetteOf } from '@/core/shade/silhouette'
import { zone, zones } from '@/core/shade/sky-zones'
import { sunFrom } from '@/core/shade/sun-from'
import { modelYear } from '@/core/model/model-year'
import { sunAtClock } from '@/core/sun/local-sun'
import { sunHours } from '@/core/sun/sun-hours'
import { hourLine, sunPath, type SunPoint } from '@/core/sun/sun-paths'
import { later } from '@/words/en/later'
import { monthNames, monthStarts, number } from '@/words/format'
import {
  useBench,
  useHouse,
  useNumbers,
  useOption,
  useShade,
  useSayer,
  useSession,
  useSite,
} from '../context'
import { benchKindOf } from '../kinds/index'
import { modulesOf } from '../store/selection'
import { SeenFrom } from './seen-from'
import { apart, type Written } from './written'
import { Behind, Grid, Label, normalOf, planeHorizon, Strip, Way } from './sky-strip'

const words = later.shade

const { width, height } = Strip
const stepDeg = 0.5
/** Days of which the path is drawn: from the one solstice to the other the paths come twice. */
const pathMonths = [5, 6, 7, 8, 9, 10, 11] as const
const pathDay = 20
/** A patch of the sky in which less of the year's beam is lost has no figure. */
const leastShare = 0.005
const mostNames = 6

/** The sky as a module or a point sees it: the sun's ways, and what stands before them. */
export function SunPath() {
  const { session, site: standing } = useBench()
  const site = useSite()
  const house = useHouse()
  const option = useOption()
  const sayer = useSayer()
  const { numbers } = useNumbers()
  const selection = useSession((s) => s.selection)
  const { day, hour, lookFrom } = useSession((s) => s)
  const shade = useShade()
  const light = shade?.light
  const summary = numbers?.summary
  const chosen = modulesOf(selection)[0]?.id
  const panel = summary && panelOf(summary, chosen)
  const from = useMemo(() => lookFrom?.at ?? (panel ? middleOf(panel) : null), [lookFrom, panel])
  // Whatever is edited makes another site of it.
  const built = standing()
  const seen = useMemo(() => {
    if (!from) return []
    return built.objects.flatMap(({ id, geometry: { solids, crowns } }) => {
      const outlines = [...solids, ...crowns].flatMap((body) => outlinesOf(silhouetteOf(from, body, stepDeg)))
      return outlines.length === 0 ? [] : [{ id, outlines, leafy: solids.length === 0 }]
    })
  }, [built, from])
  const zoneHours = summary?.timeZoneHours ?? 0
  const { latitudeDeg, longitudeDeg, elevationM } = site
  const ways = useMemo(() => {
    const place = { latitudeDeg, longitudeDeg, elevationM }
    return {
      paths: pathMonths.map((month) => ({
        month,
        points: sunPath(place, zoneHours, (monthStarts[month] ?? 0) + pathDay),
      })),
      hours: Array.from({ length: 24 }, (_, at) => ({ at, points: hourLine(place, zoneHours, at) })),
    }
  }, [latitudeDeg, longitudeDeg, elevationM, zoneHours])
  const heights = site.farHorizon
  const taken = house[lookFrom?.reading ?? '']
  const reading = taken?.kind === 'reading' ? taken : null
  const { reached, measured } = useMemo(() => {
    if (!lookFrom) return { reached: null, measured: null }
    const bodies = built.objects.flatMap(({ geometry: { solids, crowns } }) => [...solids, ...crowns])
    const sun = sunHours({ latitudeDeg, longitudeDeg, elevationM }, zoneHours, 60)
    const { at, normal } = lookFrom
    return {
      reached: sunFrom(at, normal, bodies, sun, horizonOf(heights)),
      measured: reading && sunFrom(at, normal, [], sun, horizonOf(reading.heights)),
    }
  }, [built, lookFrom, reading, heights, latitudeDeg, longitudeDeg, elevationM, zoneHours])
  if (!summary || !from) return null
  const normal = lookFrom ? lookFrom.normal : panel ? normalOf(panel) : null
  const strip = new Strip(latitudeDeg)
  const { x, y } = strip
  const sun = sunAtClock(site, modelYear, day, hour)
  // Losses of several modules are not those of the one that looks out here.
  const isOfThis = !lookFrom && shade?.fresh && light?.modules === 1 && chosen === panel?.id
  const patches = reached
    ? patchesOf(reached.lostByZone, reached.openHours, strip)
    : isOfThis
      ? patchesOf(light.lostByZone, beamOn(light), strip)
      : []
  const most = Math.max(leastShare, ...patches.map(({ share }) => share))
  // From a module what costs most is named; at a point nothing costs, and what stands highest is.
  const named = (
    lookFrom
      ? seen
          .map(({ id, outlines }) => ({ id, top: highestBefore(normal, outlines)?.[1] ?? 0 }))
          .filter(({ top }) => top > 0)
          .sort((a, b) => b.top - a.top)
      : summary.shadeBill.filter(({ id }) => seen.some((one) => one.id === id))
  )
    .slice(0, mostNames)
    .map(({ id }) => id)
  const months = ways.paths.flatMap(({ month, points }): Written[] => {
    const noon = highest(points)
    const [side, lower] = [month % 2 ? -8 : 8, month === 6 ? 13 : -4]
    return noon
      ? [
          {
            x: x(noon.azimuthDeg) + side,
            y: y(noon.elevationDeg) + lower,
            text: monthNames('en')[month] ?? '',
            anchor: side < 0 ? 'end' : 'start',
          },
        ]
      : []
  })
  const figures = patches.map(({ share, box }): Written => ({
    x: box.x + box.width / 2,
    y: box.y + box.height / 2 + 4,
    text: `${number(share * 100, site, 1)} %`,
    anchor: 'middle',
  }))
  const nameAt = (text: string, top: readonly [number, number] | null): Written[] =>
    top ? [{ x: x(top[0]), y: y(top[1]) - 6, text, anchor: 'middle' }] : []
  const names = apart(
    [
      ...named.flatMap((id) =>
        nameAt(sayer.name(id), highestBefore(normal, seen.find((one) => one.id === id)?.outlines ?? [])),
      ),
      ...nameAt(sayer.name(farHorizonId), highestBefore(normal, [site.farHorizon])),
    ],
    [...months, ...figures],
    width,
  )
  const array = panel && (option[panel.arrayId] ?? house[panel.arrayId])
  return (
    <section aria-labelledby="sun-path">
      <h3 id="sun-path" className="text-[15px] font-semibold">
        {words.path}
      </h3>
      <p className="quiet mb-1">
        {lookFrom && reached ? (
          <SeenFrom from={lookFrom} reached={reached} measured={measured} reading={reading} />
        ) : (
          panel &&
          sayer.say(words.pathOf, {
            what: `${chosen === panel.id ? words.chosen : words.most}, ${sayer.say(words.one, { slot: panel.slot })}, ${array ? benchKindOf(array).title(array, sayer, built, house) : ''}`,
          })
        )}
      </p>
      <div className="overflow-x-auto">
        <svg
          viewBox={`-34 -10 ${width + 56} ${height + 42}`}
          role="img"
          aria-label={words.pathTitle}
          className="w-full min-w-[46rem]"
        >
          <rect width={width} height={height} className="fill-paper" />
          {patches.map(({ patch, share, box }) => (
            <rect key={patch} {...box} className="fill-clay" opacity={0.08 + (0.3 * share) / most} />
          ))}
          <Grid strip={strip} />
          <clipPath id="sky-strip">
            <rect width={width} height={height} />
          </clipPath>
          <g clipPath="url(#sky-strip)">
            {site.farHorizon.length > 0 && (
              <g className="fill-ink" opacity={0.34}>
                <title>{sayer.name(farHorizonId)}</title>
                {strip.polygons([[0, 0], ...horizonLine(site.farHorizon, 0), [360, 0]]).map((points, k) => (
                  <polygon key={k} points={points} />
                ))}
              </g>
            )}
            {seen.map(({ id, outlines, leafy }) => (
              <g key={id} opacity={leafy ? 0.4 : 0.62} className={leafy ? 'fill-verdigris' : 'fill-pencil'}>
                <title>{sayer.name(id)}</title>
                {outlines.flatMap((outline, i) =>
                  strip.polygons(outline).map((points, k) => <polygon key={`${i} ${k}`} points={points} />),
                )}
              </g>
            ))}
          </g>
          {reading && (
            <g clipPath="url(#sky-strip)" className="stroke-clay" fill="none" strokeWidth={2}>
              <title>{reading.name}</title>
              {strip.polygons(horizonLine(reading.heights, 0)).map((points, k) => (
                <polyline key={k} points={points} />
              ))}
            </g>
          )}
          {normal && (
            <Behind normal={normal} text={lookFrom ? words.behindPlane : words.behind} strip={strip} />
          )}
          {ways.hours.map(({ at, points }) => (
            <Way key={at} points={points} strip={strip} className="stroke-line" width={0.8} />
          ))}
          {ways.paths.map(({ month, points }) => (
            <Way
              key={month}
              points={points}
              strip={strip}
              className="stroke-ink"
              width={month === 5 || month === 11 ? 1.6 : 0.8}
            />
          ))}
          {months.map((written) => (
            <Label key={written.text} {...written} />
          ))}
          {ways.hours.map(({ at, points }) => {
            const top = highest(points)
            return (
              top && (
                <Label
                  key={at}
                  x={x(top.azimuthDeg)}
                  y={y(top.elevationDeg) - 4}
                  text={String(at)}
                  quiet
                  anchor="middle"
                />
              )
            )
          })}
          {figures.map((written, k) => (
            <Label key={k} {...written} />
          ))}
          {names.map((written, k) => (
            <Label key={k} {...written} strong />
          ))}
          {sun.elevationDeg > 0 && (
            <circle
              cx={x(sun.azimuthDeg)}
              cy={y(sun.elevationDeg)}
              r={7}
              className="fill-straw stroke-ink"
              strokeWidth={1}
            />
          )}
        </svg>
      </div>
      <p className="quiet">
        {words.pathNote} {lookFrom ? words.hoursNote : isOfThis ? words.patchNote : words.choose}
      </p>
      {lookFrom && summary.count > 0 && (
        <button
          type="button"
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => session.setState({ lookFrom: null })}
        >
          {words.backToModules}
        </button>
      )}
      {!lookFrom && panel && chosen === undefined && (
        <button
          type="button"
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() =>
            session.setState({ selection: { kind: 'panel', id: panel.id, arrayId: panel.arrayId } })
          }
        >
          {words.selectMost}
        </button>
      )}
    </section>
  )
}

/** The selected module, or the one that shade takes most from. */
const panelOf = ({ panels }: RunSummary, chosen: string | undefined): PanelFigures | undefined =>
  panels.find(({ id }) => id === chosen) ??
  panels.reduce<PanelFigures | undefined>((a, b) => (!a || b.sunAccess < a.sunAccess ? b : a), undefined)

function middleOf({ corners: [a, , c] }: PanelFigures): Vec3 {
  return [(a[0] + c[0]) / 2, (a[1] + c[1]) / 2, (a[2] + c[2]) / 2]
}

/** The year's beam on modules, kWh/m². */
const beamOn = ({ beam }: PartLight): number => beam.open.reduce((sum, value) => sum + value, 0)

/** Patches of the sky with the share of a whole that is lost there, where it counts. */
function patchesOf(lostByZone: Float64Array, whole: number, strip: Strip) {
  return Array.from(lostByZone, (lost, patch) => {
    const azimuth = (patch % zones.across) * zone.azimuthDeg
    const elevation = Math.floor(patch / zones.across) * zone.elevationDeg
    const box = strip.patch(azimuth, elevation, zone.azimuthDeg, zone.elevationDeg)
    return { patch, share: whole > 0 ? lost / whole : 0, box }
  }).filter(({ share }) => share >= leastShare)
}

const highest = (points: readonly SunPoint[]) =>
  points.reduce<SunPoint | null>((a, b) => (!a || b.elevationDeg > a.elevationDeg ? b : a), null)

/** The highest point of outlines that lies before a plane, not behind it; of all where there is none. */
function highestBefore(
  normal: Vec3 | null,
  outlines: readonly (readonly (readonly [number, number])[])[],
): readonly [number, number] | null {
  const horizon = normal ? planeHorizon(normal) : () => 0
  return outlines
    .flat()
    .filter(([azimuth, elevation]) => elevation > horizon(azimuth) + 0.5)
    .reduce<readonly [number, number] | null>((a, b) => (!a || b[1] > a[1] ? b : a), null)
}
