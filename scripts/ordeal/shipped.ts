import { readFileSync } from 'node:fs'
import { parseJob, type Job } from '@/core/kinds/job'

/** The shipped job's file. */
export const shippedFile = (): unknown => JSON.parse(readFileSync('samples/shipped-job.json', 'utf8'))

export const shippedJob = (): Job => parseJob(shippedFile())
