'use client'

import { theOne } from '@/core/kinds/documents'
import { coverId, usualSunAccess } from '@/core/kinds/cover/cover'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useBench, useNumbers, useOption, useSession, useSite } from '../../context'
import { LayAll } from '../../cover/lay-all'
import { ModuleChoice } from '../../cover/module-choice'
import { SetbackFields } from '../../cover/setback-fields'
import { TrimFields } from '../../cover/trim-fields'
import { PercentField } from '../../fields/fields'
import { ObjectList, useListed } from '../object-list'
import { ToolButtons } from '../tool-button'

/** Which module, how far from the edges, and the arrays that lie there. */
export function CoverChapter() {
  const { session, site: standing } = useBench()
  const option = useOption()
  const site = useSite()
  const optionId = useSession((s) => s.optionId)
  const sunMap = useSession((s) => s.sunMap)
  const racking = useSession((s) => s.racking)
  const { numbers } = useNumbers()
  const cover = theOne(option, 'cover', coverId)
  const listed = useListed('cover')
  const arrays = listed.filter(({ kind }) => kind !== 'walkway')
  const walkways = listed.filter(({ kind }) => kind === 'walkway')
  const { objects, arrays: laid } = standing()
  const drawn = objects.some(({ geometry }) => geometry.faces.length > 0)
  const note = ({ id }: { readonly id: string }): string => {
    const found = laid.find((array) => array.id === id)
    const panels = numbers?.summary.panels.filter((panel) => panel.arrayId === id) ?? []
    const access = panels.reduce((sum, panel) => sum + panel.sunAccess, 0) / Math.max(1, panels.length)
    return found ? `${found.panels.length} · ${number(access * 100, site)} %` : ''
  }
  return (
    <>
      <div className="grid grid-cols-2 gap-1.5">
        <ToolButtons chapter="cover" />
        <button
          type="button"
          aria-pressed={sunMap}
          className={`h-8 cursor-pointer rounded-md border px-2 text-left ${sunMap ? 'border-pencil bg-fold' : 'border-line bg-card'}`}
          onClick={() => session.setState({ sunMap: !sunMap })}
        >
          Sun map
        </button>
        <button
          type="button"
          className="h-8 cursor-pointer rounded-md border border-line bg-card px-2 text-left hover:border-pencil"
          onClick={() => session.setState({ dialog: 'shade' })}
        >
          {later.shade.open}
        </button>
        <button
          type="button"
          aria-pressed={racking}
          className={`h-8 cursor-pointer rounded-md border px-2 text-left ${racking ? 'border-pencil bg-fold' : 'border-line bg-card'}`}
          onClick={() => session.setState({ racking: !racking })}
        >
          {later.structure.show}
        </button>
      </div>
      {!drawn && (
        <p className="quiet mt-2">Draw the house in Shape first; then its roof planes can be covered.</p>
      )}
      <ModuleChoice />
      <LayAll />
      <h3 className="quiet mt-2">Arrays: modules, sun access</h3>
      {arrays.length === 0 && <p className="quiet">None yet.</p>}
      <ObjectList objects={arrays} note={note} />
      {arrays.length > 0 && (
        <button
          type="button"
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => session.setState({ dialog: 'arrays' })}
        >
          {later.arrayTable.open}
        </button>
      )}
      {arrays.length > 0 && (
        <button
          type="button"
          className="block cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => session.setState({ dialog: 'structure' })}
        >
          {later.structure.open}
        </button>
      )}
      {walkways.length > 0 && (
        <>
          <h3 className="quiet mt-2">{later.setbacks.walkways}</h3>
          <ObjectList objects={walkways} />
        </>
      )}
      {arrays.length > 0 && (
        <>
          <h3 className="quiet mt-2">{later.trim.title}</h3>
          {/* Another option is another thing to trim. */}
          <TrimFields key={optionId} />
        </>
      )}
      <PercentField
        documentId={optionId}
        objectId={coverId}
        digits={0}
        label={later.fields.cover.leastSunAccess}
        name={later.fields.cover.leastSunAccess}
        value={cover.leastSunAccess ?? usualSunAccess}
        fields={(leastSunAccess) => ({ leastSunAccess })}
      />
      <SetbackFields />
    </>
  )
}
