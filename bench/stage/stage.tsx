'use client'

import { carrierOf } from '@/core/kinds/removed'
import { monthOfDay } from '@/core/model/model-year'
import { useEffect, useMemo, useRef, useState, type PointerEvent as ReactPointerEvent } from 'react'
import { useStore } from 'zustand'
import { rayLevel } from '@/core/geometry/ray'
import { distance2, type Vec2 } from '@/core/geometry/vector'
import { useBench, useHouse, useNumbers, useOption, useSession, useSite, useSunMap } from '../context'
import { showsSunMap } from '../store/session'
import { ofKind } from '@/core/kinds/documents'
import { frameOfSite } from '@/core/site/frame'
import { pick } from '@/core/site/pick'
import { withoutObjects, type Site } from '@/core/site/site'
import { type Emphasis } from '@/stage/maquette'
import { cssColour, darkPalette, lightPalette, sunMapColour } from '@/stage/palette'
import { StageView } from '@/stage/stage-view'
import { useMedia } from '@/stage/use-media'
import { lazyPart } from '../lazy-parts'
import { chosenIds, soleOwner } from '../store/selection'
import { type Grip, type PointerInput } from '../tools/chart'
import { gripsOf } from '../tools/grips'
import { middleOf } from '../tools/middle-of'
import { CardPlace } from './card-place'
import { useLaterDrawing } from './use-later-drawing'
import { PlaneLabels } from './plane-labels'
import { SheetNote } from './sheet-note'
import { sunShown } from './sun-shown'
import { ViewButtons } from './view-buttons'

const SelectionCard = lazyPart('SelectionCard')
const Overlay = lazyPart('OverlayLayer')
const UnderlaysLayer = lazyPart('UnderlaysLayer')
const HeightLines = lazyPart('HeightLinesLayer')
const SunLegend = lazyPart('SunLegendPanel')
const AccessLabels = lazyPart('AccessLabelsLayer')
const Strings = lazyPart('StringsLayer')
const CommentPins = lazyPart('CommentPinsLayer')

/** Pixels within which a grip or a snap is meant. */
const gripPx = 11
const leastGripPx = 5
/** Of the way to the next grip, what belongs to a grip. */
const apartShare = 0.4
const snapPx = 11

/** The stage: canvas, overlay, card, and the pointer in the terms of the house. */
export function Stage({ small }: { readonly small: boolean }) {
  const bench = useBench()
  const { session, tools, catalogue } = bench
  const house = useHouse()
  const option = useOption()
  const site = useSite()
  const { numbers } = useNumbers()
  const { selection, hover, lit, plan, day, hour, tool, chapter } = useSession((s) => s)
  const tracing = useSession((s) => (s.sketch?.points.length ?? 0) > 0)
  const guided = useSession((s) => s.heights !== null)
  const sketching = useSession((s) => s.sketch !== null)
  const running = useStore(bench.documents.store, (s) => s.mark !== null)
  const dark = useMedia('(prefers-color-scheme: dark)')
  const box = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const [view, setView] = useState<StageView | null>(null)
  const [lost, setLost] = useState(false)
  // Remembered by the bench for the documents on the screen.
  const standing = bench.site()
  const hidden = useSession((s) => s.hidden)
  const shown = useMemo(() => withoutObjects(standing, new Set(hidden)), [standing, hidden])
  const hasUnderlays = useMemo(() => ofKind(house, 'underlay').length > 0, [house])
  const measured = useMemo(() => ofKind(house, 'dimension').length > 0, [house])
  const palette = dark ? darkPalette : lightPalette
  const grips = useMemo(
    () => (small ? [] : gripsOf(standing, (id) => house[id] ?? option[id], selection)),
    [standing, house, option, selection, small],
  )
  const owner = soleOwner(selection)
  const slotsOf = owner !== null && carrierOf(option, owner) ? owner : null

  useEffect(() => {
    if (!canvas.current) return
    let made: StageView
    try {
      made = new StageView(canvas.current)
    } catch (error) {
      // Without WebGL three throws; everything but the stage still works.
      if (!(error instanceof Error)) throw error
      queueMicrotask(() => setLost(true))
      return
    }
    queueMicrotask(() => setView(made))
    return () => {
      made.dispose()
      setView(null)
    }
  }, [])

  useEffect(() => {
    const element = box.current
    if (!view || !element) return
    const observer = new ResizeObserver(() => view.resize(element.clientWidth, element.clientHeight))
    observer.observe(element)
    return () => observer.disconnect()
  }, [view])

  const panels = numbers?.summary.panels
  // From nought to what the sunniest module would have in the open: colours mean the same on every roof of a site.
  const roofs = useSunMap()
  // Each run brings its map, and shares what is the same with the one before.
  const faces = roofs?.faces
  // Of another state's modules it is not known which is which.
  const ofSpan = roofs && roofs.objects === numbers?.objects ? roofs.panels.values : undefined
  const bestOfPanels = roofs?.panels.best ?? 0
  const span = useSession((s) => s.sunSpan)
  const best = useMemo(
    () =>
      Math.max(
        0,
        ...(span === 'year' ? (panels ?? []) : []).map(
          ({ sunKwhM2, sunAccess }) => sunKwhM2 / Math.max(0.01, sunAccess),
        ),
        bestOfPanels,
        ...(faces ?? []).map(({ map }) => map.open),
      ),
    [panels, faces, bestOfPanels, span],
  )
  // A month's map takes its time; its legend stays meanwhile.
  const showMap = useSession(showsSunMap) && (best > 0 || span !== 'year')
  const labels = useSession((s) => s.accessLabels)
  const commented = useStore(bench.line.store, (s) => s.comments.open > 0)
  const mapped = useMemo(() => (showMap && faces ? { faces, best } : null), [showMap, faces, best])
  const meanLight = useMemo(() => (mapped ? meanOf(mapped.faces).toFixed(1) : 'none'), [mapped])
  // While an outline is traced or a house is changed, the picture under it can be followed.
  const shaped = selection?.kind === 'object' && house[selection.id]?.kind === 'volume'
  const glass = (tracing || (running && shaped)) && !small
  const drawMargins = useLaterDrawing('marginLines', chapter === 'cover' || slotsOf !== null)
  const racked = useSession((s) => s.racking && s.chapter === 'cover')
  const drawRacking = useLaterDrawing('rackingLines', racked)
  const racking = useMemo(
    () => (racked && drawRacking ? drawRacking(shown, { house, option, catalogue }) : null),
    [racked, drawRacking, shown, house, option, catalogue],
  )
  const emphasis = useMemo((): Emphasis => {
    const byId = new Map((panels ?? []).map((panel) => [panel.id, panel]))
    const places = new Map((panels ?? []).map(({ id }, i) => [id, i]))
    const string = selection?.kind === 'panel' && chapter === 'wire' ? byId.get(selection.id)?.stringId : null
    const broken =
      numbers?.summary.checks
        .filter((check) => check.severity === 'broken')
        .flatMap((check) => check.objects) ?? []
    return {
      selected: new Set(chosenIds(selection)),
      lit: new Set([
        ...lit,
        ...(hover ? [hover] : []),
        ...(string ? (panels ?? []).filter((p) => p.stringId === string).map((p) => p.id) : []),
      ]),
      broken: new Set(broken),
      slotsOf,
      racking,
      margins: drawMargins && { of: chapter === 'cover' ? 'all' : 'selected', draw: drawMargins },
      glass,
      panelColour: (id) => {
        const panel = byId.get(id)
        if (!showMap || !panel) return undefined
        const value = span === 'year' ? panel.sunKwhM2 : ofSpan?.[places.get(id) ?? -1]
        return value === undefined ? undefined : cssColour(sunMapColour(value / (best || 1)))
      },
      sunMap: mapped,
    }
  }, [
    panels,
    selection,
    lit,
    hover,
    chapter,
    numbers?.summary.checks,
    ofSpan,
    showMap,
    best,
    span,
    mapped,
    slotsOf,
    drawMargins,
    racking,
    glass,
  ])

  const inHand = useRef(false)
  useEffect(() => {
    inHand.current = running
  }, [running])
  // A new design or new figures may wait a moment to be drawn; a selection or a hover may not.
  const drawn = useRef<{ standing: unknown; panels: unknown }>({ standing: null, panels: null })
  useEffect(() => {
    const same = drawn.current.standing === standing && drawn.current.panels === panels
    drawn.current = { standing, panels }
    view?.show(shown, palette, emphasis, inHand.current || same)
  }, [view, standing, shown, palette, emphasis, panels])
  // The sheet's many tiles wait until the first numbers are there.
  const counted = numbers !== undefined
  useEffect(() => {
    if (counted)
      view?.showSheet(
        { latitudeDeg: site.latitudeDeg, longitudeDeg: site.longitudeDeg },
        `/world/tiles/{z}/{x}/{y}.png${site.sheetPicture === null ? '' : `?picture=${site.sheetPicture}`}`,
        site.sheetStrength,
        site.sheetShiftM,
      )
  }, [
    view,
    counted,
    site.latitudeDeg,
    site.longitudeDeg,
    site.sheetStrength,
    site.sheetPicture,
    site.sheetShiftM,
  ])
  useEffect(() => view?.setSun(sunShown(site, day, hour).direction, monthOfDay(day)), [view, site, day, hour])
  useEffect(() => view?.sight.setPlan(plan), [view, plan])
  useFirstLook(view, standing, small, site.latitudeDeg < 0)
  useRememberedLook(view, small)

  const inputOf = (event: ReactPointerEvent): PointerInput | null => {
    const frame = canvas.current?.getBoundingClientRect()
    if (!view || !frame) return null
    const screen: Vec2 = [event.clientX - frame.left, event.clientY - frame.top]
    const ray = view.sight.rayAt(screen)
    const ground = rayLevel(ray, 0)
    return {
      at: ground ? [ground[0], ground[1]] : [0, 0],
      ray,
      screen,
      project: (point) => view.sight.project(point),
      hit: pick(shown, ray, slotsOf),
      grip: tool === 'select' ? gripAt(view, grips, screen) : null,
      shift: event.shiftKey,
      reachM: snapPx * view.sight.metresPerPixel(),
    }
  }

  return (
    <div
      ref={box}
      className="relative h-full w-full overflow-hidden bg-paper"
      data-stage={numbers ? 'live' : 'waiting'}
      data-sun-map={meanLight}
    >
      <canvas
        ref={canvas}
        tabIndex={0}
        aria-label="Stage: the house as a model. Use the lists in the outline to select parts by keyboard, and the arrow keys to go from module to module."
        className={`absolute inset-0 h-full w-full touch-none ${tool === 'select' ? '' : 'cursor-crosshair'}`}
        onContextMenu={(event) => event.preventDefault()}
        onPointerDown={(event) => {
          const input = event.button === 0 && event.isPrimary ? inputOf(event) : null
          if (!input) return
          event.currentTarget.setPointerCapture(event.pointerId)
          event.currentTarget.focus({ preventScroll: true })
          tools.chart.press(input)
        }}
        onPointerMove={(event) => {
          if (event.buttons > 1) return
          const input = inputOf(event)
          if (!input) return
          tools.point(input)
          tools.chart.move(input)
        }}
        onPointerUp={(event) => {
          const input = event.button === 0 ? inputOf(event) : null
          if (input) tools.chart.release(input)
        }}
        onPointerCancel={() => tools.chart.cancel()}
        onPointerLeave={() => {
          tools.point(null)
          if (session.getState().hover) session.setState({ hover: null })
        }}
      />
      {lost && (
        <p className="absolute inset-x-8 top-1/3 text-center">
          The 3D stage needs WebGL, which this browser does not offer. The numbers and all lists work without
          it.
        </p>
      )}
      {view && hasUnderlays && <UnderlaysLayer view={view} ink={palette.ink} />}
      {!small && view && chapter === 'shape' && guided && <HeightLines view={view} />}
      {!small && view && chapter === 'wire' && <Strings view={view} />}
      {!small && view && (selection || sketching || measured) && <Overlay view={view} grips={grips} />}
      {!small && view && chapter === 'shape' && tool === 'select' && (
        <PlaneLabels view={view} standing={shown} />
      )}
      {!small && view && showMap && labels && <AccessLabels view={view} />}
      {!small && view && commented && <CommentPins view={view} />}
      {!small && view && <ViewButtons view={view} />}
      {!small && view && (
        <div className="pointer-events-none absolute bottom-3 left-3.5 flex flex-col items-start gap-1.5">
          {showMap && <SunLegend best={best} />}
          <SheetNote view={view} muted={!glass} />
        </div>
      )}
      {!small && !running && view && selection && (
        <CardPlace view={view} about={middleOf(standing, selection)} of={chosenIds(selection).join()}>
          <SelectionCard />
        </CardPlace>
      )}
    </div>
  )
}

function gripAt(view: StageView, grips: readonly Grip[], screen: Vec2): Grip | null {
  const shown = grips
    .filter(({ handle }) => !view.sight.isPlan || handle.moves !== 'up')
    .flatMap((grip) => {
      const at = view.sight.project(grip.handle.at)
      return at ? [{ grip, at }] : []
    })
  let nearest = Infinity
  let found: Grip | null = null
  for (const { grip, at } of shown) {
    const away = distance2(at, screen)
    // Grips that stand close together leave room for the object between them.
    const apart = Math.min(
      ...shown.filter((other) => other.grip !== grip).map((other) => distance2(at, other.at)),
    )
    if (away < nearest && away <= Math.min(gripPx, Math.max(leastGripPx, apart * apartShare)))
      [nearest, found] = [away, grip]
  }
  return found
}

/** The mean of the light on the roofs. */
function meanOf(faces: NonNullable<ReturnType<typeof useSunMap>>['faces']): number {
  let [sum, cells] = [0, 0]
  for (const { map } of faces)
    for (const value of map.values) {
      sum += value
      if (value > 0) cells++
    }
  return sum / Math.max(1, cells)
}

/** Frames the house once when it first stands on the stage, and again when the stage changes its size class. */
function useFirstLook(view: StageView | null, standing: Site, small: boolean, southern: boolean): void {
  const looked = useRef<string | null>(null)
  useEffect(() => {
    if (!view) return
    const frame = frameOfSite(standing)
    const key = `${small}/${frame !== null}`
    if (looked.current === key) return
    // A house that is being drawn is not run away from.
    if (looked.current === `${small}/false`) {
      looked.current = key
      return
    }
    looked.current = key
    if (frame) view.sight.lookAt(frame.middle, frame.radiusM * 1.12, 3, southern)
    else view.sight.lookAt([0, 0], 24, 0, southern)
  }, [view, standing, small, southern])
}

/** Rest of the hand before the address remembers where the stage is looked at from. */
const lookRestMs = 400
const isNear = (a: readonly number[], b: readonly number[]) =>
  a.every((value, k) => Math.abs(value - (b[k] ?? 0)) < 0.01)

/** Looks from where the address says, and tells it where that is now. */
function useRememberedLook(view: StageView | null, small: boolean): void {
  const { session } = useBench()
  const camera = useSession((s) => s.camera)
  useEffect(() => {
    if (view && camera && !small && !isNear(camera, view.sight.eye())) view.sight.lookThrough(camera)
  }, [view, camera, small])
  useEffect(() => {
    if (!view || small) return
    let timer: ReturnType<typeof setTimeout> | undefined
    let last = view.sight.eye()
    const stop = view.onDraw(() => {
      const eye = view.sight.eye()
      if (isNear(eye, last)) return
      last = eye
      clearTimeout(timer)
      timer = setTimeout(
        () => session.setState({ camera: eye.map((value) => Number(value.toFixed(2))) }),
        lookRestMs,
      )
    })
    return () => {
      clearTimeout(timer)
      stop()
    }
  }, [view, small, session])
}
