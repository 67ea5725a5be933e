import { headers } from 'next/headers'
import { notFound, redirect } from 'next/navigation'
import { Fault } from '@/core/model/fault'
import { checkAccess, isForMembers, ruleOf, type RouteName } from './access'
import { isOperator } from './hosts'
import { designer, visitor } from './session'
import { type Guest, type Member } from './sql/people'

/**
 * What a page asks before it shows anything: who is there. Host and rate were asked before, for a page cannot refuse by a
 * status of its own. What is not for whoever asks is to them as if there were nothing.
 * @returns who is signed in; undefined where nobody is and the page is for them too, or sends them to sign in
 */
export const openPage = async (route: RouteName): Promise<Member | undefined> => open(route, await designer())

async function open<T extends Member | Guest>(route: RouteName, who: T | undefined): Promise<T | undefined> {
  try {
    if (who || !isForMembers(ruleOf(route))) checkAccess(route, who, isOperator(await headers()))
  } catch (error) {
    if (error instanceof Fault) notFound()
    throw error
  }
  return who
}

/** As `openMemberPage`, of the page of a job, which guests see too. */
export async function openJobPage(route: RouteName, jobId: string): Promise<Member | Guest> {
  const who = await open(route, await visitor(jobId))
  if (!who) redirect(`/enter?to=${encodeURIComponent(`/jobs/${jobId}`)}`)
  return who
}

/** As `openPage`, of a page for members alone: others are sent to sign in and come back. */
export async function openMemberPage(route: RouteName, path: string): Promise<Member> {
  const who = await openPage(route)
  if (!who) redirect(`/enter?to=${encodeURIComponent(path)}`)
  return who
}
