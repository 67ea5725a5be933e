'use client'

import { AddModel } from '../add-model'
import { ExportDrawing } from '../export-drawing'
import { ImportOutlines } from '../import-outlines'
import { ObjectList, useListed } from '../object-list'
import { RoofPlanes } from '../roof-planes'
import { ToolButtons } from '../tool-button'

/** Tools to draw with, and what has been drawn. */
export function ShapeChapter() {
  const objects = useListed('shape')
  return (
    <>
      <div className="grid grid-cols-2 gap-1.5">
        <ToolButtons chapter="shape" />
      </div>
      {objects.length === 0 && (
        <p className="quiet mt-2">
          Choose “Outline” and click the corners of the house on the aerial sheet. Click the first corner
          again to close it. Or read it from heights.
        </p>
      )}
      <ObjectList objects={objects} />
      <RoofPlanes />
      <ImportOutlines />
      <AddModel />
      {objects.length > 0 && <ExportDrawing />}
    </>
  )
}
