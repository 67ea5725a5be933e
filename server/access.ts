import { Fault } from '@/core/model/fault'
import { type Designer } from './sql/people'

/**
 * Who may do what, in one place. Each route and page of the application has its rule here and goes through it;
 * accounts and roles will be told apart here and nowhere else.
 */

/** `anyone` who reaches the server; whoever has the `link`; a signed-in `designer`; whoever runs the server. */
type Who = 'anyone' | 'link' | 'designer' | 'operator'

interface Rule {
  readonly who: Who
  /** Requests a minute from one place. */
  readonly perMinute: number
}

export const rules = {
  'GET /': { who: 'designer', perMinute: 600 },
  'GET /jobs/[id]': { who: 'designer', perMinute: 600 },
  'GET /offer/[token]': { who: 'link', perMinute: 300 },
  'GET /offer/[token]/pdf': { who: 'link', perMinute: 60 },
  'GET /offer/[token]/figures': { who: 'link', perMinute: 60 },
  'POST /offer/[token]/accept': { who: 'link', perMinute: 20 },
  'POST /offer/[token]/question': { who: 'link', perMinute: 10 },
  'GET /enter': { who: 'anyone', perMinute: 300 },
  'GET /health': { who: 'anyone', perMinute: 6000 },
  'GET /ready': { who: 'anyone', perMinute: 600 },
  'GET /metrics': { who: 'operator', perMinute: 600 },
  'POST /api/browser-errors': { who: 'designer', perMinute: 60 },
  'GET /api/events': { who: 'designer', perMinute: 300 },
  'POST /api/jobs': { who: 'designer', perMinute: 300 },
  'POST /api/jobs/import': { who: 'designer', perMinute: 60 },
  'GET /api/jobs/[id]': { who: 'designer', perMinute: 1200 },
  'PATCH /api/jobs/[id]': { who: 'designer', perMinute: 1200 },
  'POST /api/jobs/[id]/changes': { who: 'designer', perMinute: 12_000 },
  'GET /api/jobs/[id]/edits': { who: 'designer', perMinute: 3000 },
  'GET /api/jobs/[id]/history': { who: 'designer', perMinute: 600 },
  'POST /api/jobs/[id]/versions': { who: 'designer', perMinute: 120 },
  'DELETE /api/jobs/[id]/versions/[versionId]': { who: 'designer', perMinute: 120 },
  'GET /api/jobs/[id]/comments': { who: 'designer', perMinute: 1200 },
  'POST /api/jobs/[id]/comments': { who: 'designer', perMinute: 120 },
  'PATCH /api/jobs/[id]/comments/[commentId]': { who: 'designer', perMinute: 300 },
  'DELETE /api/jobs/[id]/comments/[commentId]': { who: 'designer', perMinute: 300 },
  'GET /api/jobs/[id]/events': { who: 'designer', perMinute: 600 },
  'POST /api/jobs/[id]/presence': { who: 'designer', perMinute: 3000 },
  'GET /api/jobs/[id]/export': { who: 'designer', perMinute: 300 },
  'GET /api/jobs/[id]/offers': { who: 'designer', perMinute: 600 },
  'POST /api/jobs/[id]/offers': { who: 'designer', perMinute: 60 },
  'PATCH /api/jobs/[id]/offers/[offerId]': { who: 'designer', perMinute: 300 },
  'GET /api/jobs/[id]/offers/[offerId]/file': { who: 'designer', perMinute: 300 },
  'POST /api/files': { who: 'designer', perMinute: 60 },
  'GET /api/files/[id]': { who: 'designer', perMinute: 600 },
  'POST /api/models': { who: 'designer', perMinute: 30 },
  'GET /api/weather': { who: 'designer', perMinute: 600 },
  'POST /api/weather': { who: 'designer', perMinute: 60 },
  'GET /api/weather/[id]': { who: 'designer', perMinute: 600 },
  'POST /world/monitoring': { who: 'designer', perMinute: 30 },
  'GET /world/[...path]': { who: 'anyone', perMinute: 3000 },
  'GET /world/tiles/[z]/[x]/[y]': { who: 'anyone', perMinute: 6000 },
} as const satisfies Readonly<Record<string, Rule>>

export type RouteName = keyof typeof rules

export const ruleOf = (route: RouteName): Rule => rules[route]

/**
 * Lets in whom the rule lets in.
 * @param isLocal whether whoever runs this machine asks
 * @throws Fault `not-signed-in`, `not-allowed`
 */
export function checkAccess(route: RouteName, who: Designer | undefined, isLocal: boolean): void {
  switch (ruleOf(route).who) {
    case 'anyone':
    // The link is the secret: whoever reads it looks it up.
    case 'link':
      return
    case 'designer':
      if (!who) throw new Fault('not-signed-in')
      return
    case 'operator':
      if (!isLocal) throw new Fault('not-allowed')
  }
}
