import { type ChangeOf } from './change'
import { type ObjectBase } from './object-base'

/**
 * What somebody is in a team: an owner has the team too, a designer the jobs, a reader looks on, an installer looks on and
 * adds photos and visits.
 */
export const roles = ['owner', 'designer', 'reader', 'installer'] as const
export type Role = (typeof roles)[number]

/** What somebody is who has come by a link to one job: a viewer looks on, an editor edits. */
export const guestRoles = ['viewer', 'editor'] as const
export type GuestRole = (typeof guestRoles)[number]

/** Kinds of objects that an installer may add and change. */
const ofInstallers: readonly string[] = ['photo', 'visit']

/** Whether a role may change objects of a kind. */
const mayChange = (role: Role | GuestRole, kind: string): boolean =>
  mayDesign(role) || role === 'editor' || (role === 'installer' && ofInstallers.includes(kind))

/** Whether a role may make a change, whatever of it is added, changed or removed. */
export const mayMake = (role: Role | GuestRole, { added, updated, removed }: ChangeOf<ObjectBase>): boolean =>
  [added, removed, ...Object.values(updated)].every((objects) =>
    Object.values(objects).every(({ kind }) => mayChange(role, kind)),
  )

/** Whether a role may make jobs, change and delete them. */
export const mayDesign = (role: Role | GuestRole): boolean => role === 'owner' || role === 'designer'
