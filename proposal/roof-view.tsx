'use client'

import { modelYear } from '@/core/model/model-year'
import { useEffect, useMemo, useRef, useState } from 'react'
import { distance2, type Vec2 } from '@/core/geometry/vector'
import { sunAtClock } from '@/core/sun/local-sun'
import { sunDirection } from '@/core/sun/position'
import { lightPalette } from '@/bench/stage/palette'
import { stageScene } from '@/bench/stage/scene'
import { StageView } from '@/bench/stage/stage-view'
import { type ProposalData } from './proposal-data'

/** A spring afternoon, when shadows are readable. */
const day = 110
const hour = 14.5
const nothing = new Set<string>()

/** The house with its modules, to be turned with the hand; a still picture on paper. */
export function RoofView({ data, print }: { readonly data: ProposalData; readonly print: boolean }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const box = useRef<HTMLDivElement>(null)
  const [picture, setPicture] = useState<string | null>(null)
  const [lost, setLost] = useState(false)
  const scene = useMemo(
    () => stageScene(data.house, data.cover, { modules: data.modules, inverters: [], batteries: [] }),
    [data],
  )
  useEffect(() => {
    const frame = box.current
    if (!canvas.current || !frame) return
    let view: StageView
    try {
      view = new StageView(canvas.current)
    } catch (error) {
      if (!(error instanceof Error)) throw error
      queueMicrotask(() => setLost(true))
      return
    }
    view.turnWithLeft()
    view.show(scene, lightPalette, {
      selected: nothing,
      lit: nothing,
      broken: nothing,
      slotsOf: null,
      panelColour: () => undefined,
    })
    view.setSun(sunDirection(sunAtClock(data.site, modelYear, day, hour)))
    const corners = scene.volumes
      .filter(({ volume }) => volume.role === 'house')
      .flatMap(({ volume }) => volume.outline)
    const middle = corners.reduce<Vec2>(
      (s, p) => [s[0] + p[0] / corners.length, s[1] + p[1] / corners.length],
      [0, 0],
    )
    const observer = new ResizeObserver(() => view.resize(frame.clientWidth, frame.clientHeight))
    view.resize(frame.clientWidth, frame.clientHeight)
    observer.observe(frame)
    view.lookAt(middle, Math.max(8, ...corners.map((p) => distance2(p, middle))), 3)
    // From the side the sun comes from: south in the north, north in the south.
    view.lookFrom(data.site.latitudeDeg < 0 ? 30 : 205, 36)
    if (print) queueMicrotask(() => setPicture(view.picture()))
    return () => {
      observer.disconnect()
      view.dispose()
    }
  }, [scene, data, print])
  return (
    <div
      ref={box}
      className={`relative w-full overflow-hidden rounded-lg border border-line ${print ? 'h-[250px]' : 'h-[330px]'}`}
      data-roof={picture || lost ? 'drawn' : 'live'}
    >
      {/* A canvas is not always printed: on paper stands its picture. */}
      {picture && (
        <div
          role="img"
          aria-label="The house with its modules"
          className="absolute inset-0 bg-cover bg-center"
          style={{ backgroundImage: `url(${picture})` }}
        />
      )}
      <canvas
        ref={canvas}
        aria-label="The house with its modules; drag to turn it"
        className={`h-full w-full touch-none ${picture ? 'opacity-0' : 'cursor-grab'}`}
      />
      {!print && !lost && <p className="quiet pointer-events-none absolute bottom-2 left-3">drag to turn</p>}
      {lost && (
        <p className="absolute inset-0 grid place-items-center">The picture of the roof needs WebGL.</p>
      )}
    </div>
  )
}
