import { z } from 'zod'

const kinds: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  boolean: 'yes or no',
  array: 'a list',
  tuple: 'a list',
  object: 'an object',
  record: 'an object',
}

const counted: Readonly<Record<string, string>> = { string: ' characters', array: ' entries', file: ' bytes' }

/** What is wrong with a value, said to whoever typed or sent it; undefined leaves it to the library's own words. */
function plainWords(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'too_small':
      return `${issue.inclusive === false ? 'more than' : 'at least'} ${issue.minimum}${counted[issue.origin] ?? ''}`
    case 'too_big':
      return `${issue.inclusive === false ? 'less than' : 'at most'} ${issue.maximum}${counted[issue.origin] ?? ''}`
    case 'invalid_type':
      return issue.input === undefined
        ? `${kinds[issue.expected] ?? issue.expected} is missing here`
        : `${kinds[issue.expected] ?? issue.expected} is needed here`
    case 'invalid_value':
      return `one of: ${issue.values.map(String).join(', ')}`
    case 'unrecognized_keys':
      return `nothing is known of ${issue.keys.map((key) => `“${key.slice(0, 40)}”`).join(', ')}`
    default:
      return undefined
  }
}

// Without code made at run time, which the pages' content policy forbids.
z.config({ customError: plainWords, jitless: true })
