'use client'

import { useBench, useHouse, useSession } from '../../context'
import { listed } from '../../card/card'
import { ToolButton } from '../tool-button'

const kinds = { volume: 'building', chimney: 'on roof', tree: 'tree' } as const

/** Tools to draw with, and what has been drawn. */
export function ShapeChapter() {
  const { session } = useBench()
  const house = useHouse()
  const selected = useSession((s) => s.selection?.id)
  const objects = listed(house)
  return (
    <>
      <div className="grid grid-cols-2 gap-1.5">
        <ToolButton tool="trace" label="Outline" shortcut="O" />
        <ToolButton tool="gable" label="Gable" shortcut="G" />
        <ToolButton tool="chimney" label="Chimney" shortcut="C" />
        <ToolButton tool="tree" label="Tree" shortcut="T" />
      </div>
      {objects.length === 0 && (
        <p className="quiet mt-2">
          Take “Outline” and click the corners of the house on the aerial sheet. The first corner closes it.
        </p>
      )}
      <ul className="mt-2">
        {objects.map((object) => (
          <li key={object.id}>
            <button
              type="button"
              aria-pressed={selected === object.id}
              className={`flex w-full cursor-pointer items-baseline gap-2 rounded px-2 py-1 text-left hover:bg-fold ${selected === object.id ? 'bg-verdigris-soft' : ''}`}
              onClick={() => session.setState({ selection: { kind: 'object', id: object.id } })}
              onMouseEnter={() => session.setState({ hover: object.id })}
              onMouseLeave={() => session.setState({ hover: null })}
            >
              <span className="min-w-0 flex-1 truncate">{object.name}</span>
              <span className="quiet">
                {object.kind === 'volume' && object.role === 'neighbour' ? 'neighbour' : kinds[object.kind]}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </>
  )
}
