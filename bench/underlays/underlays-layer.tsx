'use client'

import { useEffect, useMemo } from 'react'
import { useStore } from 'zustand'
import { type Vec2 } from '@/core/geometry/vector'
import { type LineDrawing } from '@/core/imports/line-drawing'
import { ofKind } from '@/core/kinds/documents'
import { linesNear } from '@/core/kinds/underlay/near'
import { type Underlay } from '@/core/kinds/underlay/underlay'
import { type GroundSheet } from '@/stage/ground-sheets'
import { type StageView } from '@/stage/stage-view'
import { useBench, useHouse, useSession } from '../context'
import { fetchFiles, forgetMissing, keptFiles, type KeptFile } from './kept-files'

/** Own pictures and drawings on the stage, the lowest first, and their lines for the tools. */
export function UnderlaysLayer({ view, ink }: { readonly view: StageView; readonly ink: string }) {
  const { underLines } = useBench()
  const house = useHouse()
  const hidden = useSession((s) => s.hidden)
  const files = useStore(keptFiles)
  const shown = useMemo(
    () =>
      ofKind(house, 'underlay')
        .filter(({ id }) => !hidden.includes(id))
        .sort((a, b) => a.order - b.order),
    [house, hidden],
  )
  useEffect(forgetMissing, [])
  useEffect(() => fetchFiles(shown), [shown])
  useEffect(() => {
    view.grounds.show(
      shown.flatMap((underlay) => sheetOf(underlay, files[underlay.fileId]) ?? []),
      ink,
    )
  }, [view, shown, files, ink])
  useEffect(
    () => () => {
      view.grounds.clear()
      view.draw()
    },
    [view],
  )
  useEffect(() => {
    const near = (at: Vec2, reachM: number) =>
      shown.flatMap((underlay) => {
        const file = files[underlay.fileId]
        return file?.is === 'drawing'
          ? linesNear(file.drawing, underlay, underlay.hiddenLayers, at, reachM)
          : []
      })
    underLines.set('drawings', { near })
    return () => underLines.set('drawings', null)
  }, [underLines, shown, files])
  return null
}

function sheetOf(underlay: Underlay, file: KeptFile | undefined): GroundSheet | null {
  const { id, width, height, metresPerUnit, center, rotationDeg, strength } = underlay
  const lie = { id, width, height, metresPerUnit, center, rotationDeg, strength }
  if (file?.is === 'picture') return { ...lie, image: file.image, lines: none }
  return file?.is === 'drawing'
    ? { ...lie, image: null, lines: shownLines(file.drawing, underlay.hiddenLayers) }
    : null
}

const none: readonly Float64Array[] = []
/** The same list as long as the same layers of a drawing are shown, so that it is laid once. */
const remembered = new WeakMap<LineDrawing, Map<string, readonly Float64Array[]>>()

function shownLines(drawing: LineDrawing, hiddenLayers: readonly string[]): readonly Float64Array[] {
  const byLayers = remembered.get(drawing) ?? new Map<string, readonly Float64Array[]>()
  remembered.set(drawing, byLayers)
  const key = JSON.stringify(hiddenLayers)
  const known = byLayers.get(key)
  if (known) return known
  const hidden = new Set(hiddenLayers)
  const lines = drawing.layers.filter(({ name }) => !hidden.has(name)).map((layer) => layer.pieces)
  byLayers.set(key, lines)
  return lines
}
