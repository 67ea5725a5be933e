/** From a bill to modules on the roof. */
export const layWanted = {
  step: 'Lay modules',
  lay: 'Lay {n, plural, one {this module} other {these # modules}}',
  more: 'Lay {n, plural, one {the one missing} other {the # missing}}',
  laid: '{laid, plural, one {# module} other {# modules}} laid on the sunniest planes{missing, plural, =0 {} one {; # more has no room} other {; # more have no room}}.',
  none: 'No plane that is sunny enough has room: {missing, plural, one {# module is} other {# modules are}} missing.',
  enough: '{there, plural, one {# module is} other {# modules are}} laid already.',
  drawFirst: 'Draw the house first; then they can be laid with one press.',
} as const
