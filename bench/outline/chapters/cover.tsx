'use client'

import { ofKind, theOne } from '@/core/model/document'
import { coverId } from '@/core/model/kinds/cover'
import { formatLength } from '@/core/model/units'
import { arrayName } from '../../card/array-card'
import { useBench, useHouse, useNumbers, useOption, useSession, useSite } from '../../context'
import { ChoiceField, LengthField } from '../../fields/fields'
import { number } from '../../format'
import { ToolButton } from '../tool-button'

const edges = [
  ['eave', 'Eave'],
  ['ridge', 'Ridge'],
  ['rake', 'Rake'],
  ['hip', 'Hip'],
  ['valley', 'Valley'],
] as const

/** Which module, how far from the edges, and the arrays that lie there. */
export function CoverChapter() {
  const { documents, session, catalogue, scene } = useBench()
  const house = useHouse()
  const option = useOption()
  const site = useSite()
  const optionId = useSession((s) => s.optionId)
  const selected = useSession((s) => (s.selection?.kind === 'panel' ? s.selection.arrayId : s.selection?.id))
  const sunMap = useSession((s) => s.sunMap)
  const { numbers } = useNumbers()
  const cover = theOne(option, 'cover', coverId)
  const module = catalogue.modules.find((m) => m.id === cover.moduleId)
  const arrays = [...ofKind(option, 'array'), ...ofKind(option, 'rack')]
  const laid = scene().laid.arrays
  const drawn = ofKind(house, 'volume').length > 0
  return (
    <>
      <div className="grid grid-cols-[1.45fr_1fr] gap-1.5">
        <ToolButton tool="lay" label="Lay on plane" shortcut="L" />
        <button
          type="button"
          aria-pressed={sunMap}
          className={`h-8 cursor-pointer rounded-md border px-2 text-left ${sunMap ? 'border-pencil bg-fold' : 'border-line bg-card'}`}
          onClick={() => session.setState({ sunMap: !sunMap })}
        >
          Sun map
        </button>
        <ToolButton tool="rack" label="Ground rack" shortcut="R" />
      </div>
      {!drawn && (
        <p className="quiet mt-2">Draw the house in Shape first; its roof planes can then be covered.</p>
      )}
      <ChoiceField
        label="Module"
        value={cover.moduleId}
        choices={catalogue.modules.map((m) => ({ value: m.id, label: m.name }))}
        onChoose={(moduleId) => documents.set('Module', optionId, coverId, { moduleId })}
      />
      {module && (
        <p className="quiet">
          {module.powerW} W, {formatLength(module.lengthM, site.units)} ×{' '}
          {formatLength(module.widthM, site.units)}
        </p>
      )}
      <h3 className="quiet mt-2">Arrays</h3>
      {arrays.length === 0 && <p className="quiet">None yet.</p>}
      <ul>
        {arrays.map((array) => {
          const found = laid.find((a) => a.id === array.id)
          const panels = numbers?.summary.panels.filter((panel) => panel.arrayId === array.id) ?? []
          const access = panels.reduce((sum, panel) => sum + panel.sunAccess, 0) / Math.max(1, panels.length)
          return (
            <li key={array.id}>
              <button
                type="button"
                aria-pressed={selected === array.id}
                className={`flex w-full cursor-pointer items-baseline gap-2 rounded px-2 py-1 text-left hover:bg-fold ${selected === array.id ? 'bg-verdigris-soft' : ''}`}
                onClick={() => session.setState({ selection: { kind: 'object', id: array.id } })}
              >
                <span className="flex-1">
                  {array.kind === 'rack'
                    ? array.name
                    : found
                      ? arrayName(found.plane.azimuthDeg)
                      : 'Plane is gone'}
                </span>
                <span className="quiet">
                  {found ? `${found.panels.length} · ${number(access * 100, site)} %` : ''}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
      <h3 className="quiet mt-2">Setbacks</h3>
      {edges.map(([kind, label]) => (
        <LengthField
          key={kind}
          label={label}
          name={`Setback, ${label.toLowerCase()}`}
          documentId={optionId}
          objectId={coverId}
          value={cover.setbacksM[kind]}
          fields={(metres) => ({ setbacksM: { ...cover.setbacksM, [kind]: metres } })}
        />
      ))}
    </>
  )
}
