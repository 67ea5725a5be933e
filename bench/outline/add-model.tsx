'use client'

import { useState } from 'react'
import { useWords } from '../context'
import { FileButton, lineButton } from '../fields/file-button'
import { lazyPart } from '../lazy-parts'

const AddModelPanel = lazyPart('AddModelPanel')

/** The way to a 3D model from a file; what reads it is fetched when there is one. */
export function AddModel() {
  const { addModel, modelForms } = useWords().outlines
  const [taken, setTaken] = useState<{ readonly file: File; readonly turn: number } | null>(null)
  return (
    <div className="mt-1 px-2">
      <FileButton
        label={addModel}
        hint={modelForms}
        accept=".obj,.glb,.gltf,.ifc"
        className={lineButton}
        onTake={([file]) => file && setTaken((before) => ({ file, turn: (before?.turn ?? 0) + 1 }))}
      />
      {taken && <AddModelPanel key={taken.turn} file={taken.file} onDone={() => setTaken(null)} />}
    </div>
  )
}
