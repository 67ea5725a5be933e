import { useStore } from 'zustand'
import { lineIds, type LineId } from '@/core/model/ledger'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { useBench, useHouse, useOptions, useSayer } from '../context'
import { objectName } from '../saving/object-names'
import { deskOf, type CommentDesk, type Thread } from './comment-desk'

const linePrefix = 'line:'

/** What a comment on a line of the ledger is about. */
export const aboutLine = (id: string) => `${linePrefix}${id}`

export function useDesk(): { readonly desk: CommentDesk; readonly threads: readonly Thread[] | null } {
  const desk = deskOf(useBench())
  return { desk, threads: useStore(desk.store, (s) => s.threads) }
}

/** What a comment is about, and how to get there; null where there is nothing to be shown. */
export interface About {
  readonly name: string
  readonly show: (() => void) | null
}

/** Tells what comments are about, whatever has become of it. */
export function useAbout(): (about: string) => About {
  const { session } = useBench()
  const sayer = useSayer()
  const house = useHouse()
  const options = useOptions()
  const words = later.comments
  return (about) => {
    if (about === '') return { name: words.wholeJob, show: null }
    if (about.startsWith(linePrefix)) {
      const line = about.slice(linePrefix.length)
      if (!isLine(line)) return { name: words.gone, show: null }
      return {
        name: sayer.say(words.line, { line: sayer.line(line) }),
        show: () => session.setState({ dialog: null, why: line, rightFolded: false }),
      }
    }
    const option = options.find(({ objects }) => objects[about])
    const object = house[about] ?? option?.objects[about]
    if (!object) return { name: words.gone, show: null }
    return {
      name: nameOf(sayer, object),
      show: () =>
        session.setState({
          dialog: null,
          // Where it has its card: beside charts the stage is small.
          chapter: option ? 'cover' : 'shape',
          selection: { kind: 'object', id: about },
          tool: 'select',
          ...(option ? { optionId: option.id } : {}),
        }),
    }
  }
}

function nameOf(sayer: Sayer, object: Parameters<typeof objectName>[1]): string {
  const name = sayer.name(object.id)
  return name === object.id ? objectName(sayer, object) : name
}

const isLine = (id: string): id is LineId => (lineIds as readonly string[]).includes(id)
