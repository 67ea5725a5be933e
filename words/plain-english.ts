import { english } from './english'
import { Sayer } from './sayer'

/** English in metres: of the command line, and of answers to programs, who know nothing of a job's place. */
export const plainEnglish = new Sayer(english, { locale: 'en-US', currency: 'USD', units: 'metric' })
