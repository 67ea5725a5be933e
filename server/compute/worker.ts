import { answering } from './lane'
import * as tasks from './tasks'
import { yieldToRequests } from './yield-to-requests'

yieldToRequests()

/** The entry of a thread: each task by its name. */
export const figures = answering(tasks.figures)
export const offer = answering(tasks.offer)
export const weather = answering(tasks.weather)
export const model = answering(tasks.model)
export const jobFile = answering(tasks.jobFile)
