import { type JobStatus } from '@/core/model/job-status'

/** What the list calls how far a job has come. */
export const statusWords: Readonly<Record<JobStatus, string>> = {
  lead: 'Lead',
  drawn: 'Drawn',
  offered: 'Offered',
  accepted: 'Accepted',
  built: 'Built',
}

/** A day of the calendar, as the list writes dates. */
export const dayText = (day: string): string =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeZone: 'UTC' }).format(
    new Date(`${day}T00:00:00Z`),
  )

/** The day of a moment, where whoever reads it is. */
export const dateText = (at: string): string =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' }).format(new Date(at))
