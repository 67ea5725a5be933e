import { ownerIds } from './selection'
import { type SessionStore } from './session'

/** Takes an object out of the picture, or brings it back. What is hidden is not in hand any more. */
export function hideOrShow(session: SessionStore, id: string): void {
  session.setState(({ hidden, selection }) =>
    hidden.includes(id)
      ? { hidden: hidden.filter((other) => other !== id) }
      : { hidden: [...hidden, id], ...(ownerIds(selection).includes(id) ? { selection: null } : {}) },
  )
}

export const showAll = (session: SessionStore) => session.setState({ hidden: [] })

/** Hides what is selected, or brings it back; with nothing selected, brings everything back. */
export function hideSelected(session: SessionStore): void {
  // A module is hidden with its array.
  const owners = ownerIds(session.getState().selection)
  if (owners.length === 0) showAll(session)
  else
    session.setState(({ hidden }) =>
      owners.every((id) => hidden.includes(id))
        ? { hidden: hidden.filter((id) => !owners.includes(id)) }
        : { hidden: [...new Set([...hidden, ...owners])], selection: null },
    )
}
