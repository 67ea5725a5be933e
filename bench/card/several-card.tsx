'use client'

import { alignments, type Alignment } from '@/core/geometry/align'
import { type AnyObject } from '@/core/kinds/index'
import { later } from '@/words/en/later'
import { Fact, Frame } from './frame'
import { useBench, useHouse, useNumbers, useOption, useSayer } from '../context'
import { hideSelected } from '../store/hiding'
import { modulesOf, objectIdsOf, ofObjects, type Several } from '../store/selection'
import { type ToolContext } from '../tools/chart'
import { alignSelected, axesOf } from '../tools/select/align'
import { partyOf } from '../tools/select/company'
import { joinArrays, splitOff } from '../tools/arrays/deeds'
import { buildingsIn, joinSelected } from '../tools/select/join'
import { isLocked, lockOrUnlock } from '../tools/select/lock'
import { duplicateSelected } from '../tools/select/duplicate'
import { removeSelected } from '../tools/select/edits'
import { mirrorSelected } from '../tools/select/mirror'
import { useToolContext } from '../use-tool-context'
import { TurnField } from './turn-field'

/** What several things in hand have together, and what can be done with all of them. */
export function SeveralCard({ selection }: { readonly selection: Several }) {
  return selection.kind === 'panels' ? (
    <ModulesCard selection={selection} />
  ) : (
    <ObjectsCard ids={objectIdsOf(selection)} />
  )
}

function ModulesCard({ selection }: { readonly selection: Several }) {
  const { session, site } = useBench()
  const { numbers } = useNumbers()
  // Laid anew with either.
  useHouse()
  const option = useOption()
  const context = useToolContext()
  const sayer = useSayer()
  const words = later.severalCard
  const laid = new Set(site().arrays.flatMap((array) => array.panels.map(({ id }) => id)))
  // Others may have gone since they were chosen.
  const chosen = modulesOf(selection).filter(({ id }) => laid.has(id))
  const ids = new Set(chosen.map(({ id }) => id))
  const panels = numbers?.summary.panels.filter(({ id }) => ids.has(id)) ?? []
  const mean = (of: (panel: (typeof panels)[number]) => number) =>
    panels.reduce((sum, panel) => sum + of(panel), 0) / Math.max(1, panels.length)
  const sun = sayer.quantity({ value: mean((panel) => panel.sunKwhM2), unit: 'kWh/m²' })
  const access = sayer.quantity({ value: mean((panel) => panel.sunAccess), unit: 'share' })
  if (chosen.length === 0) return null
  const owners = new Set(chosen.map(({ arrayId }) => arrayId))
  const array = owners.size === 1 ? option[chosen[0]?.arrayId ?? ''] : undefined
  const whole = () => session.setState({ selection: ofObjects(chosen.map(({ arrayId }) => arrayId)) })
  return (
    <Frame
      title={sayer.say(words.modules, { n: chosen.length })}
      kind={words.selected}
      actions={[
        { label: words.wholeArray, hint: words.wholeArrayHint, run: whole },
        ...(array?.kind === 'array'
          ? [
              {
                label: later.arrayDeeds.split,
                hint: later.arrayDeeds.splitHint,
                run: () => splitOff(context, array, chosen),
              },
            ]
          : []),
      ]}
      onDelete={() => removeSelected(context)}
    >
      {panels.length > 0 && (
        <>
          <Fact label={words.meanSun} value={sun.figure} unit={sun.unit} />
          <Fact label={words.meanAccess} value={access.figure} unit={access.unit} />
        </>
      )}
    </Frame>
  )
}

function ObjectsCard({ ids }: { readonly ids: readonly string[] }) {
  const { session } = useBench()
  const house = useHouse()
  const option = useOption()
  const context = useToolContext()
  const sayer = useSayer()
  const words = later.severalCard
  const party = partyOf(context, ids)
  const objects = ids.flatMap((id) => house[id] ?? option[id] ?? [])
  const arrays = objects.flatMap((object) => (object.kind === 'array' ? [object] : []))
  const movable = party.chosen.length > 0
  // Somebody else has deleted them.
  if (objects.length === 0) return null
  return (
    <Frame
      title={sayer.say(words.objects, { n: objects.length })}
      kind={words.selected}
      actions={[
        ...(movable
          ? [
              { label: words.copy, hint: words.copyHint, run: () => duplicateSelected(context) },
              {
                label: words.flipEast,
                hint: words.flipEastHint,
                run: () => mirrorSelected(context, 'east-west'),
              },
              {
                label: words.flipNorth,
                hint: words.flipNorthHint,
                run: () => mirrorSelected(context, 'north-south'),
              },
            ]
          : []),
        ...(buildingsIn(house, ids).length > 1
          ? [{ label: words.join, hint: words.joinHint, run: () => joinSelected(context) }]
          : []),
        ...(arrays.length > 1 && arrays.length === objects.length
          ? [
              {
                label: later.arrayDeeds.join,
                hint: later.arrayDeeds.joinHint,
                run: () => joinArrays(context, arrays),
              },
            ]
          : []),
        ...(movable
          ? [
              {
                label: party.chosen.every(({ object }) => isLocked(object)) ? words.unlock : words.lock,
                hint: words.lockHint,
                run: () => lockOrUnlock(context),
              },
            ]
          : []),
        { label: words.hide, hint: words.hideHint, run: () => hideSelected(session) },
      ]}
      onDelete={() => removeSelected(context)}
    >
      <p className="quiet">{countsOf(objects, sayer.words.kinds).join(', ')}</p>
      {movable && <TurnField />}
      {party.chosen.length > 1 && (
        <AlignButtons context={context} plane={axesOf(context, party).on === 'plane'} />
      )}
    </Frame>
  )
}

/** How many there are of each kind, in the order they were chosen. */
function countsOf(
  objects: readonly AnyObject[],
  kinds: ReturnType<typeof useSayer>['words']['kinds'],
): string[] {
  const counts = new Map<AnyObject['kind'], number>()
  for (const { kind } of objects) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  return [...counts].map(([kind, n]) => `${kinds[kind].one} × ${n}`)
}

function AlignButtons({ context, plane }: { readonly context: ToolContext; readonly plane: boolean }) {
  const words = later.severalCard[plane ? 'onPlane' : 'onGround']
  return (['across', 'up'] as const).map((along) => (
    <div key={along} role="group" aria-label={words.align[along]} className="mt-1 flex items-center gap-1">
      <span className="flex-1 text-pencil">{words.align[along]}</span>
      {alignments.map((alignment) => (
        <button
          key={alignment}
          type="button"
          title={words[along][alignment]}
          aria-label={words[along][alignment]}
          className="cursor-pointer rounded border border-line p-[3px] hover:border-verdigris"
          onClick={() => alignSelected(context, along, alignment)}
        >
          <AlignMark along={along} alignment={alignment} />
        </button>
      ))}
    </div>
  ))
}

/** Two bars and the line that they are brought to; two bars between two lines for equal room. */
function AlignMark({ along, alignment }: { readonly along: 'across' | 'up'; readonly alignment: Alignment }) {
  const line = { low: 1.5, middle: 7, high: 12.5 }
  const bars: Readonly<Record<Alignment, readonly (readonly [number, number, number])[]>> = {
    low: [
      [2.5, 3, 8],
      [2.5, 8, 5],
    ],
    middle: [
      [3, 3, 8],
      [4.5, 8, 5],
    ],
    high: [
      [3.5, 3, 8],
      [6.5, 8, 5],
    ],
    even: [
      [2, 4, 2],
      [6, 4, 2],
      [10, 4, 2],
    ],
  }
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden>
      <g transform={along === 'up' ? 'rotate(-90 7 7)' : undefined}>
        {bars[alignment].map(([x, y, width]) => (
          <rect
            key={`${x} ${y}`}
            x={x}
            y={y}
            width={width}
            height={alignment === 'even' ? 6 : 3}
            className="fill-pencil"
          />
        ))}
        {alignment !== 'even' && (
          <path d={`M${line[alignment]} 1v12`} className="fill-none stroke-ink" strokeWidth={1} />
        )}
      </g>
    </svg>
  )
}
