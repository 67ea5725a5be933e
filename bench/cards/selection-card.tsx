'use client'

import { kindOf, type AnyObject } from '@/core/kinds/index'
import { Frame } from '../card/frame'
import { PanelCard } from '../card/panel-card'
import { PhotoStrip } from '../card/photo-strip'
import { CommentsOn } from '../comments/comments-on'
import { useBench, useHouse, useOption, useSayer, useSession } from '../context'
import { benchKindOf } from '../kinds/index'
import { lazyCard } from '../kinds/lazy-card'
import { type Several } from '../store/selection'
import { hideOrShow } from '../store/hiding'
import { type ToolContext } from '../tools/chart'
import { duplicateSelected } from '../tools/select/duplicate'
import { removeObjects } from '../tools/select/edits'
import { isLocked, lockOrUnlock } from '../tools/select/lock'
import { mirrorSelected } from '../tools/select/mirror'
import { useToolContext } from '../use-tool-context'

const TurnField = lazyCard<object>('TurnField')
const SeveralCard = lazyCard<{ readonly selection: Several }>('SeveralCard')

/** The small panel by what is selected, with its measures, all of them editable. */
export function SelectionCard() {
  const selection = useSession((s) => s.selection)
  const house = useHouse()
  const option = useOption()
  if (!selection) return null
  if (selection.kind === 'panel') return <PanelCard id={selection.id} arrayId={selection.arrayId} />
  if (selection.kind !== 'object') return <SeveralCard selection={selection} />
  const object = house[selection.id] ?? option[selection.id]
  return object ? <ObjectCard object={object} /> : null
}

function ObjectCard({ object }: { readonly object: AnyObject }) {
  const { site, session, documents } = useBench()
  const isHidden = useSession((s) => s.hidden.includes(object.id))
  const hide = () => hideOrShow(session, object.id)
  const context = useToolContext()
  const sayer = useSayer()
  const { Card: Measures, title, note } = benchKindOf(object)
  if (!Measures) return null
  const { standing } = kindOf(object)
  return (
    <Frame
      title={title(object, sayer, site(), documents.house)}
      kind={note(object, sayer)}
      actions={[
        ...(standing?.move ? actionsOf(context, standing.move.mirrored !== undefined) : []),
        ...(standing?.move || standing?.shifted
          ? [
              {
                label: isLocked(object) ? 'Unlock' : 'Lock',
                hint: lockingHint,
                run: () => lockOrUnlock(context),
              },
            ]
          : []),
        ...(standing ? [{ label: isHidden ? 'Show' : 'Hide', hint: hidingHint, run: hide }] : []),
      ]}
      onDelete={() => removeObjects(context, [object.id])}
    >
      <Measures object={object} />
      <PhotoStrip id={object.id} />
      <CommentsOn key={object.id} about={object.id} name={title(object, sayer, site(), documents.house)} />
      {standing?.move?.turned && !('rotationDeg' in object) && !('azimuthDeg' in object) && <TurnField />}
    </Frame>
  )
}

const lockingHint = 'Kept from hands on the stage, still changed by its card: N'
const hidingHint = 'Out of the picture, not out of the figures: Z'

const actionsOf = (context: ToolContext, canMirror: boolean) => [
  { label: 'Copy', hint: 'Duplicate beside it: Ctrl D', run: () => duplicateSelected(context) },
  ...(canMirror
    ? [
        {
          label: 'Flip E–W',
          hint: 'Mirror east for west: X',
          run: () => mirrorSelected(context, 'east-west'),
        },
        {
          label: 'Flip N–S',
          hint: 'Mirror north for south: J',
          run: () => mirrorSelected(context, 'north-south'),
        },
      ]
    : []),
]
