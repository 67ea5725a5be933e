/** What a value may be. `limit` comes with its unit. */
export const rules = {
  'at-least': 'at least {limit}',
  'at-most': 'at most {limit}',
  'more-than': 'more than {limit}',
  'less-than': 'less than {limit}',
  'at-least-characters': 'at least {limit, plural, one {# character} other {# characters}}',
  'at-most-characters': 'at most {limit, plural, one {# character} other {# characters}}',
  'whole-number': 'a whole number',
  'missing-number': 'a number is missing here',
  'missing-whole-number': 'a whole number is missing here',
  'missing-text': 'a text is missing here',
  'missing-value': 'a value is missing here',
  'not-number': 'a number is needed here',
  'not-whole-number': 'a whole number is needed here',
  'not-value': 'another kind of value is needed here',
  'one-of': 'one of: {choices}',
  'not-as-expected': 'not as expected',
  'name-needed': 'a name is needed',
} as const

/** What is wrong and what to do. `at` names the place in a file; it is left out where the person stands before the field. */
export const faults = {
  // Documents
  'bad-object': '{at, select, none {The value} other {{at}}}: {rule}',
  'bad-body': '{at, select, none {The request} other {{at}}}: {rule}',
  'missing-object': 'The document has no {kind} “{id}”.',
  gone: 'This is gone.',
  'unknown-equipment': 'The catalogue has no {what} “{id}”.',
  // Roofs
  'short-outline': 'An outline needs at least three corners.',
  'short-edge': 'Side {side, number} of the outline is shorter than {limit}: remove one of its corners.',
  'crossing-outline':
    'The outline crosses itself: side {side, number} meets side {other, number}. Move a corner so that they stay apart.',
  'roof-not-possible': 'These pitches make no closed roof over this outline. Change a pitch or a gable.',
  'no-closed-roof':
    'No roof closes over this outline with these edges: let at least one edge rise, and give neighbouring edges in one line the same pitch.',
  'off-roof': 'no roof is under it. Drag it onto a roof plane.',
  // Services
  'service-away': 'The weather and address service does not answer. It will be asked again.',
  'service-refused': 'The service answered with status {status}. Try again.',
  'no-weather': 'The weather could not be fetched. It will be asked again with the next edit.',
  'weather-refused': 'The weather file could not be fetched (status {status}).',
  'no-station': 'No weather station is known here.',
  // Server
  'no-such-job': 'There is no such job. It may have been deleted.',
  'database-away': 'The database does not answer. Your edits are kept and will be saved when it is back.',

  'too-many-requests':
    'That was too much at once. Try again in {seconds, plural, one {# second} other {# seconds}}.',
  'server-busy': 'The server is busy. Try again in a few seconds.',
  unexpected: 'Something went wrong. Try again; if it happens again, contact your administrator.',
  'server-away': 'The server does not answer. Your edits are kept; try again in a moment.',
  'server-answered': 'The server answered with status {status}.',
  'wrong-version': 'The page speaks version {page}, the worker {worker}. Reload the page.',
  'worker-stopped': 'The computation stopped. It is started again.',
} as const
