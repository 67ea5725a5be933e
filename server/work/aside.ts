import { Fault } from '@/core/model/fault'
import { manyWorkAside, removeWorkAside, tryWorkAgain } from '../sql/work-taking'
import { asideSchema, isTask, type TaskName } from './tasks'

/** What the owner of a team sees and does about work that was set aside. */

export interface WorkAside {
  readonly id: string
  /** Null for a task of another build. */
  readonly task: TaskName | null
  readonly attempts: number
  readonly at: Date
  readonly reason: 'failed' | 'lost'
}

export async function workAside(teamId: string): Promise<WorkAside[]> {
  return (await manyWorkAside(teamId)).map(({ id, task, attempts, endedAt, outcome }) => ({
    id,
    task: isTask(task) ? task : null,
    attempts,
    at: endedAt,
    reason: asideSchema.parse(outcome).reason,
  }))
}

/** @throws Fault `no-such-work` */
export async function retryWork(teamId: string, id: string): Promise<void> {
  if ((await tryWorkAgain(teamId, id)) === 0) throw new Fault('no-such-work')
}

/** @throws Fault `no-such-work` */
export async function dropWork(teamId: string, id: string): Promise<void> {
  if ((await removeWorkAside(teamId, id)) === 0) throw new Fault('no-such-work')
}
