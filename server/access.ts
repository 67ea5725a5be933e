import { Fault } from '@/core/model/fault'
import { guestRoles, roles, type GuestRole, type Role } from '@/core/model/roles'
import { hasAccounts } from './hosts'
import { type Guest, type Member } from './sql/people'

/** Who may do what, in one place. Each route and page of the application has its rule here and goes through it. */

/**
 * `anyone` who reaches the server; whoever has the `link`; whoever runs the server; or members of a team and guests of a job
 * by their roles.
 */
type Who = 'anyone' | 'link' | 'operator' | readonly (Role | GuestRole)[]

interface Rule {
  readonly who: Who
  /** Requests a minute from one place. */
  readonly perMinute: number
  /** Only where people sign in: on one's own machine there is no such thing. */
  readonly hasSignIn?: true
}

/** Whoever has signed in. */
const all = roles
/** Whoever looks at a job. */
const lookers = [...roles, ...guestRoles] as const
/** Those who talk about a job: what a team says to each other is not for whoever may only look at it by a link. */
const talkers = [...roles, 'editor'] as const
/** Those who see all that there is of a job: its money, its past and its offers too. */
const readers = ['owner', 'designer', 'reader'] as const satisfies readonly Role[]
/** Those who add something to a job, if only photos; which of them what is told by `mayChange`. */
const makers = ['owner', 'designer', 'installer', 'editor'] as const satisfies readonly (Role | GuestRole)[]
const designers = ['owner', 'designer'] as const satisfies readonly Role[]
const owners = ['owner'] as const satisfies readonly Role[]

export const rules = {
  'GET /': { who: all, perMinute: 600 },
  'GET /jobs/[id]': { who: lookers, perMinute: 600 },
  'GET /offer/[token]': { who: 'link', perMinute: 300 },
  'GET /offer/[token]/pdf': { who: 'link', perMinute: 60 },
  'GET /offer/[token]/figures': { who: 'link', perMinute: 60 },
  'POST /offer/[token]/accept': { who: 'link', perMinute: 20 },
  'POST /offer/[token]/question': { who: 'link', perMinute: 10 },
  'GET /dashboard': { who: owners, perMinute: 120 },
  'POST /api/work/[workId]': { who: owners, perMinute: 60 },
  'DELETE /api/work/[workId]': { who: owners, perMinute: 60 },
  'GET /enter': { who: 'anyone', perMinute: 300 },
  'GET /sign-in': { who: 'anyone', perMinute: 120, hasSignIn: true },
  'POST /api/sign-in': { who: 'anyone', perMinute: 30, hasSignIn: true },
  'POST /api/sign-out': { who: 'anyone', perMinute: 60, hasSignIn: true },
  'GET /forgotten': { who: 'anyone', perMinute: 60, hasSignIn: true },
  'POST /api/forgotten': { who: 'anyone', perMinute: 6, hasSignIn: true },
  'GET /password/[token]': { who: 'link', perMinute: 60, hasSignIn: true },
  'POST /password/[token]/set': { who: 'link', perMinute: 10, hasSignIn: true },
  'GET /invitation/[token]': { who: 'link', perMinute: 60, hasSignIn: true },
  'POST /invitation/[token]/join': { who: 'link', perMinute: 10, hasSignIn: true },
  'GET /link/[token]': { who: 'link', perMinute: 60, hasSignIn: true },
  'GET /link/[token]/enter': { who: 'link', perMinute: 60, hasSignIn: true },
  'POST /link/[token]/open': { who: 'link', perMinute: 10, hasSignIn: true },
  'GET /api/jobs/[id]/links': { who: designers, perMinute: 300, hasSignIn: true },
  'POST /api/jobs/[id]/links': { who: designers, perMinute: 60, hasSignIn: true },
  'DELETE /api/jobs/[id]/links/[linkId]': { who: designers, perMinute: 60, hasSignIn: true },
  'GET /account': { who: all, perMinute: 300, hasSignIn: true },
  'PATCH /api/account': { who: all, perMinute: 30, hasSignIn: true },
  'DELETE /api/account': { who: all, perMinute: 10, hasSignIn: true },
  'GET /api/account/export': { who: all, perMinute: 10, hasSignIn: true },
  'POST /api/account/password': { who: all, perMinute: 10, hasSignIn: true },
  'PUT /api/account/code': { who: all, perMinute: 10, hasSignIn: true },
  'DELETE /api/account/code': { who: all, perMinute: 10, hasSignIn: true },
  'DELETE /api/account/sign-ins': { who: all, perMinute: 60, hasSignIn: true },
  'GET /letterhead': { who: owners, perMinute: 300 },
  'PUT /api/letterhead': { who: owners, perMinute: 30 },
  'PUT /api/letterhead/logo': { who: owners, perMinute: 30 },
  'DELETE /api/letterhead/logo': { who: owners, perMinute: 30 },
  'GET /team': { who: owners, perMinute: 300, hasSignIn: true },
  'POST /api/team/invitations': { who: owners, perMinute: 30, hasSignIn: true },
  'DELETE /api/team/invitations/[invitationId]': { who: owners, perMinute: 60, hasSignIn: true },
  'PATCH /api/team/members/[memberId]': { who: owners, perMinute: 60, hasSignIn: true },
  'DELETE /api/team/members/[memberId]': { who: owners, perMinute: 60, hasSignIn: true },
  'GET /health': { who: 'anyone', perMinute: 6000 },
  'GET /ready': { who: 'anyone', perMinute: 600 },
  'GET /metrics': { who: 'operator', perMinute: 600 },
  'POST /api/browser-errors': { who: lookers, perMinute: 60 },
  'GET /api/events': { who: all, perMinute: 300 },
  'POST /api/jobs': { who: designers, perMinute: 300 },
  'POST /api/jobs/import': { who: designers, perMinute: 60 },
  'GET /api/jobs/[id]': { who: lookers, perMinute: 1200 },
  'PATCH /api/jobs/[id]': { who: designers, perMinute: 1200 },
  'POST /api/jobs/[id]/changes': { who: makers, perMinute: 12_000 },
  'GET /api/jobs/[id]/edits': { who: lookers, perMinute: 3000 },
  'GET /api/jobs/[id]/history': { who: readers, perMinute: 600 },
  'POST /api/jobs/[id]/versions': { who: designers, perMinute: 120 },
  'DELETE /api/jobs/[id]/versions/[versionId]': { who: designers, perMinute: 120 },
  'POST /api/jobs/[id]/quote': { who: designers, perMinute: 10 },
  'GET /api/jobs/[id]/comments': { who: talkers, perMinute: 1200 },
  'POST /api/jobs/[id]/comments': { who: talkers, perMinute: 120 },
  'PATCH /api/jobs/[id]/comments/[commentId]': { who: talkers, perMinute: 300 },
  'DELETE /api/jobs/[id]/comments/[commentId]': { who: talkers, perMinute: 300 },
  'GET /api/jobs/[id]/events': { who: lookers, perMinute: 600 },
  'POST /api/jobs/[id]/presence': { who: lookers, perMinute: 3000 },
  'GET /api/jobs/[id]/export': { who: readers, perMinute: 300 },
  'GET /api/jobs/[id]/offers': { who: readers, perMinute: 600 },
  'POST /api/jobs/[id]/offers': { who: designers, perMinute: 60 },
  'PATCH /api/jobs/[id]/offers/[offerId]': { who: designers, perMinute: 300 },
  'GET /api/jobs/[id]/offers/[offerId]/file': { who: readers, perMinute: 300 },
  'POST /api/files': { who: makers, perMinute: 60 },
  'GET /api/files/[id]': { who: lookers, perMinute: 600 },
  'POST /api/models': { who: designers, perMinute: 30 },
  'GET /api/weather': { who: lookers, perMinute: 600 },
  'POST /api/weather': { who: designers, perMinute: 60 },
  'GET /api/weather/[id]': { who: lookers, perMinute: 600 },
  'POST /world/monitoring': { who: designers, perMinute: 30 },
  'GET /world/[...path]': { who: 'anyone', perMinute: 3000 },
  'GET /world/tiles/[z]/[x]/[y]': { who: 'anyone', perMinute: 6000 },
} as const satisfies Readonly<Record<string, Rule>>

export type RouteName = keyof typeof rules

export const ruleOf = (route: RouteName): Rule => rules[route]

/** Whether a rule is for those who have signed in, or have come by a link to a job. */
export const isForMembers = ({ who }: Rule): boolean => typeof who !== 'string'

/**
 * Lets in whom the rule lets in.
 * @param isOperator whether whoever runs this server asks
 * @throws Fault `no-accounts`, `not-signed-in`, `not-allowed`, `not-your-role`
 */
export function checkAccess(route: RouteName, who: Member | Guest | undefined, isOperator: boolean): void {
  const { who: letIn, hasSignIn } = ruleOf(route)
  if (hasSignIn && !hasAccounts()) throw new Fault('no-accounts')
  switch (letIn) {
    case 'anyone':
    // The link is the secret: whoever reads it looks it up.
    case 'link':
      return
    case 'operator':
      if (!isOperator) throw new Fault('not-allowed')
      return
    default:
      if (!who) throw new Fault('not-signed-in')
      if (!letIn.includes(who.role)) throw new Fault('not-your-role', { role: who.role })
  }
}
