import { accountFaults } from './en/account-faults'
import { caseFaults, caseRules } from './en/command-line'
import { laterFaults, laterRules } from './en/later-faults'
import { tableFaults } from './en/table-faults'
import { english } from './english'
import { Sayer } from './sayer'
import { type Speech } from './words'

const { words } = english
const whole: Speech = {
  ...english,
  words: {
    ...words,
    rules: { ...words.rules, ...caseRules, ...laterRules },
    faults: { ...words.faults, ...caseFaults, ...laterFaults, ...tableFaults, ...accountFaults },
  },
}

/** English in metres: of the command line, and of answers to programs, who know nothing of a job's place. */
export const plainEnglish = new Sayer(whole, { locale: 'en-US', currency: 'USD', units: 'metric' })
