import { headers } from 'next/headers'
import { checkAccess, type RouteName } from './access'
import { isLocal } from './hosts'
import { designer } from './session'
import { type Designer } from './sql/people'

/**
 * What a page asks before it shows anything: who is there. Host and rate were asked before, for a page cannot refuse by a
 * status of its own.
 * @returns who is signed in; undefined where nobody is and the page sends them to sign in
 */
export async function openPage(route: RouteName): Promise<Designer | undefined> {
  const who = await designer()
  if (who) checkAccess(route, who, isLocal((await headers()).get('host')))
  return who
}
