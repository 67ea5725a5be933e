'use client'

import { useEffect, useRef } from 'react'
import { type AnyObject } from '@/core/kinds/index'
import { alterationsIn } from '@/core/stages/alterations'
import { useBench, useHouse, useOption, useSayer, useSession } from '../context'
import { intoView } from '../fields/into-view'
import { benchKindOf } from '../kinds/index'
import { showAll } from '../store/hiding'
import { ofObjects, ownerIds, toggled } from '../store/selection'
import { type Chapter } from '../store/session'
import { isLocked } from '../tools/select/lock'

/** What is listed in a chapter, in the order of the documents. */
export function useListed(chapter: Chapter): readonly AnyObject[] {
  const house = useHouse()
  const option = useOption()
  return [...Object.values(house), ...Object.values(option)].filter(
    (object) => benchKindOf(object).listedIn === chapter,
  )
}

/** Objects by their names, to be chosen. */
export function ObjectList({
  objects,
  note,
}: {
  readonly objects: readonly AnyObject[]
  /** What stands beside each; what its kind says when not given. */
  readonly note?: (object: AnyObject) => string
}) {
  const { session, site, documents } = useBench()
  const sayer = useSayer()
  const selection = useSession((s) => s.selection)
  const selected = ownerIds(selection)
  const hidden = useSession((s) => s.hidden)
  const option = useOption()
  const altered = new Map(
    alterationsIn({ house: documents.house, option }).map(({ alteration: { of, what } }) => [of, what]),
  )
  const gone = objects.filter(({ id }) => hidden.includes(id)).length
  const list = useRef<HTMLUListElement>(null)
  // What is chosen on the stage, or has just been put there, is seen in its list.
  useEffect(() => {
    // After the next frame: before it the whole page would be set out for this alone.
    const timer = setTimeout(() => intoView(list.current?.querySelector('[aria-pressed="true"]') ?? null), 50)
    return () => clearTimeout(timer)
  }, [selection])
  return (
    <>
      <ul ref={list} className="mt-2">
        {objects.map((object) => {
          const kind = benchKindOf(object)
          return (
            <li key={object.id}>
              <button
                type="button"
                aria-pressed={selected.includes(object.id)}
                className={`flex w-full cursor-pointer items-baseline gap-2 rounded px-2 py-1 text-left hover:bg-fold ${selected.includes(object.id) ? 'bg-verdigris-soft' : ''}`}
                onClick={(event) => {
                  const one = ofObjects([object.id])
                  const more = event.shiftKey || event.ctrlKey || event.metaKey
                  session.setState({ selection: more ? toggled(selection, one) : one })
                }}
                onMouseEnter={() => session.setState({ hover: object.id })}
                onMouseLeave={() => session.setState({ hover: null })}
              >
                <span className={`min-w-0 flex-1 truncate ${hidden.includes(object.id) ? 'italic' : ''}`}>
                  {kind.title(object, sayer, site(), documents.house)}
                </span>
                <span className="quiet">
                  {hidden.includes(object.id)
                    ? 'hidden'
                    : altered.has(object.id)
                      ? `what if ${altered.get(object.id)}`
                      : isLocked(object)
                        ? 'locked'
                        : note
                          ? note(object)
                          : kind.note(object, sayer)}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
      {gone > 0 && (
        <p className="quiet mt-1 px-2">
          {gone} hidden; the figures count {gone === 1 ? 'it' : 'them'}.{' '}
          <button type="button" className="cursor-pointer text-verdigris" onClick={() => showAll(session)}>
            Show all
          </button>
        </p>
      )}
    </>
  )
}
