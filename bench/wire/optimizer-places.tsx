'use client'

import { electricalId, mostOptimizersAt } from '@/core/kinds/electrical/electrical'
import { theOne } from '@/core/kinds/documents'
import { later } from '@/words/en/later'
import { useBench, useOption, useSayer, useSession } from '../context'
import { ChoiceField } from '../fields/fields'
import { modulesOf } from '../store/selection'
import { toast } from '../store/session'
import { Action } from './action'

const words = later.optimizers

/** Which modules have an optimizer, where it is one that may stand at some: all of them, or those that are chosen on the roof. */
export function OptimizerPlaces() {
  const { documents, session, site } = useBench()
  const optionId = useSession((s) => s.optionId)
  const selection = useSession((s) => s.selection)
  const { optimizersAt } = theOne(useOption(), 'electrical', electricalId)
  const sayer = useSayer()
  const selected = modulesOf(selection).map(({ id }) => id)
  const laid = () => site().arrays.flatMap(({ panels }) => panels.map(({ id }) => id))
  const chosen = new Set(optimizersAt ?? laid())
  const set = (step: string, next: readonly string[] | null) => {
    if (next && next.length > mostOptimizersAt) toast(session, words.many)
    else documents.set(step, optionId, electricalId, { optimizersAt: next && [...next] })
  }
  /** In the order they are laid, and without those that are gone. */
  const inOrder = (wanted: (id: string) => boolean) => laid().filter(wanted)
  const without = selected.filter((id) => !chosen.has(id))
  const having = selected.filter((id) => chosen.has(id))
  return (
    <>
      <ChoiceField
        label={words.where}
        value={optimizersAt === null ? 'each' : 'some'}
        choices={[
          { value: 'each', label: words.each },
          {
            value: 'some',
            label: sayer.say(words.some, {
              modules: inOrder((id) => chosen.has(id)).length,
              all: laid().length,
            }),
          },
        ]}
        onChoose={(where) =>
          where === 'each'
            ? set(words.everyStep, null)
            : set(
                words.step,
                inOrder((id) => chosen.has(id)),
              )
        }
      />
      <div className="flex flex-wrap gap-x-3 gap-y-0.5 pb-1">
        {selected.length === 0 && <p className="quiet">{words.select}</p>}
        {without.length > 0 && (
          <Action
            onClick={() =>
              set(
                words.step,
                inOrder((id) => chosen.has(id) || without.includes(id)),
              )
            }
          >
            {sayer.say(words.give, { modules: without.length })}
          </Action>
        )}
        {having.length > 0 && (
          <Action
            onClick={() =>
              set(
                words.step,
                inOrder((id) => chosen.has(id) && !having.includes(id)),
              )
            }
          >
            {sayer.say(words.takeAway, { modules: having.length })}
          </Action>
        )}
      </div>
    </>
  )
}
