'use client'

import {
  asDrawn,
  drawnOf,
  joined,
  reversed,
  splitAfter,
  strungAs,
  wholeOf,
  withModules,
} from '@/core/electrical/edit-strings'
import { thereAndBack } from '@/core/electrical/electronics'
import { inputName, type SideBySide } from '@/core/electrical/side-by-side'
import { type PanelString } from '@/core/electrical/stringing'
import { theOne } from '@/core/kinds/documents'
import { electricalId, longestDrawn, type DrawnString } from '@/core/kinds/electrical/electrical'
import { later } from '@/words/en/later'
import { useBench, useOption, useSayer, useSession } from '../context'
import { ChoiceField } from '../fields/fields'
import { modulesOf } from '../store/selection'
import { toast } from '../store/session'
import { Action } from './action'

const words = later.wiring

/** Sets what is drawn by hand, as one step. */
function useDraw() {
  const { documents, session } = useBench()
  const optionId = useSession((s) => s.optionId)
  const { drawn } = theOne(useOption(), 'electrical', electricalId)
  const set = (step: string, next: readonly DrawnString[] | null) => {
    if (next) documents.set(step, optionId, electricalId, { drawn: next })
    else toast(session, words.drawMany)
  }
  return { drawn, set }
}

/** Selected modules of all arrays, each beside the one before it where they are of one array. */
function useSelectedModules(): readonly string[] {
  const { site } = useBench()
  const selection = useSession((s) => s.selection)
  const chosen = new Set(modulesOf(selection).map(({ id }) => id))
  if (chosen.size === 0) return []
  return site().arrays.flatMap(({ panels }) =>
    thereAndBack(panels.filter(({ id }) => chosen.has(id))).map(({ id }) => id),
  )
}

/** What can be done with all strings, and with the modules that are selected. */
export function StringsActions({
  strings,
  isBranches,
}: {
  readonly strings: readonly PanelString[]
  readonly isBranches: boolean
}) {
  const { drawn, set } = useDraw()
  const sayer = useSayer()
  const selected = useSelectedModules()
  return (
    <div className="flex flex-wrap gap-x-3 gap-y-0.5 pb-1">
      {selected.length > 0 && selected.length <= longestDrawn && (
        <Action
          onClick={() => set(words.drawStep, strungAs(drawn, [], [{ input: null, panelIds: selected }]))}
        >
          {sayer.say(words.stringSelected, { modules: selected.length })}
        </Action>
      )}
      {strings.some((string) => string.drawn === undefined) && (
        <Action onClick={() => set(words.keepAll, strungAs(drawn, strings, strings.map(asDrawn)))}>
          {isBranches ? words.keepAllBranches : words.keepAll}
        </Action>
      )}
      {drawn.length > 0 && <Action onClick={() => set(words.releaseAll, [])}>{words.releaseAll}</Action>}
    </div>
  )
}

/** What can be done with one string; on whichever it is done, that is drawn by hand from then on. */
export function StringActions({
  string,
  strings,
  beside,
}: {
  readonly string: PanelString
  readonly strings: readonly PanelString[]
  /** The inverters that have the inputs; none where branches hang on breakers of their own. */
  readonly beside: SideBySide | null
}) {
  const { drawn, set } = useDraw()
  const sayer = useSayer()
  const selected = useSelectedModules()
  const { id } = string
  const whole = wholeOf(drawn, string)
  const { panelIds } = whole
  const become = (step: string, ...parts: DrawnString[]) => set(step, strungAs(drawn, [whole], parts))
  const after = strings[strings.indexOf(string) + 1]
  const next = after && { id: after.id, ...wholeOf(drawn, after) }
  const [only] = selected
  const cut = selected.length === 1 && only !== undefined ? panelIds.indexOf(only) + 1 : 0
  const others = selected.filter((panel) => !panelIds.includes(panel))
  const kept = drawnOf(drawn, string)
  const inputs = beside ? beside.inverters * beside.mppInputs : 0
  return (
    <div
      className="flex flex-wrap gap-x-3 gap-y-0.5 px-2 pb-1"
      role="group"
      aria-label={sayer.say(words.actions, { id })}
    >
      {kept ? (
        <Action onClick={() => become(words.releaseStep)}>{words.release}</Action>
      ) : (
        <Action onClick={() => become(words.keepStep, asDrawn(whole))}>{words.keep}</Action>
      )}
      {panelIds.length > 1 && (
        <>
          <Action onClick={() => become(words.reverseStep, reversed(whole))}>{words.reverse}</Action>
          <Action
            onClick={() =>
              become(
                words.splitStep,
                ...splitAfter(whole, cut > 0 && cut < panelIds.length ? cut : Math.ceil(panelIds.length / 2)),
              )
            }
          >
            {cut > 0 && cut < panelIds.length ? words.splitAt : words.split}
          </Action>
        </>
      )}
      {next && panelIds.length + next.panelIds.length <= longestDrawn && (
        <Action onClick={() => set(words.joinStep, strungAs(drawn, [whole, next], [joined(whole, next)]))}>
          {sayer.say(words.join, { other: next.id })}
        </Action>
      )}
      {others.length > 0 && panelIds.length + others.length <= longestDrawn && (
        <Action onClick={() => become(words.addStep, withModules(whole, others))}>
          {sayer.say(words.addSelected, { modules: others.length })}
        </Action>
      )}
      {beside && kept && (
        <div className="w-full">
          <ChoiceField
            label={<span className="text-[12px]">{sayer.say(words.onInput, { id })}</span>}
            value={kept.input === null || kept.input >= inputs ? '' : String(kept.input)}
            choices={[
              { value: '', label: words.inputFree },
              ...Array.from({ length: inputs }, (_, input) => ({
                value: String(input),
                label: sayer.say(words.inputOf, { input: inputName(input, beside) }),
              })),
            ]}
            onChoose={(input) =>
              become(words.inputStep, { ...kept, input: input === '' ? null : Number(input) })
            }
          />
        </div>
      )}
    </div>
  )
}
