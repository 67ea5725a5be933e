/** Options beside each other. */
export const compare = {
  title: 'Options side by side',
  equipment: { modules: 'Modules', inverter: 'Inverter', optimizers: 'Optimizers', battery: 'Battery' },
  count: '{count} × {name}',
  nothing: 'none',
  alike: 'The same in all',
  picture: 'Roof of option {letter}: {count, plural, one {# module} other {# modules}}',
  different: 'What is different',
  same: 'The options are alike.',
  otherwise: '{label}: {ours} instead of {theirs}',
  otherwiseWhole: '{label}: other entries',
  whatIf: 'What if: {name}',
  against: '{letter} {name}, against {otherLetter} {other}',
  cash: 'Cumulative cash flow of all options',
} as const
