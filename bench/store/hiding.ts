import { type SessionStore } from './session'

/** Takes an object out of the picture, or brings it back. What is hidden is not in hand any more. */
export function hideOrShow(session: SessionStore, id: string): void {
  session.setState(({ hidden, selection }) =>
    hidden.includes(id)
      ? { hidden: hidden.filter((other) => other !== id) }
      : { hidden: [...hidden, id], ...(selection && ownerOf(selection) === id ? { selection: null } : {}) },
  )
}

export const showAll = (session: SessionStore) => session.setState({ hidden: [] })

/** Hides what is selected; with nothing selected, brings everything back. */
export function hideSelected(session: SessionStore): void {
  const { selection } = session.getState()
  if (selection) hideOrShow(session, ownerOf(selection))
  else showAll(session)
}

type Selection = NonNullable<ReturnType<SessionStore['getState']>['selection']>

/** A module is hidden with its array. */
const ownerOf = (selection: Selection) => (selection.kind === 'panel' ? selection.arrayId : selection.id)
