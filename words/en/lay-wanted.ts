/** From a bill to modules on the roof. */
export const layWanted = {
  step: 'Lay modules',
  lay: 'Lay {n, plural, one {this module} other {these # modules}}',
  more: 'Lay {n, plural, one {the one missing} other {the # missing}}',
  laid: '{laid, plural, one {# module} other {# modules}} laid on the sunniest planes{missing, plural, =0 {} one {; # more has no room} other {; # more have no room}}.',
  none: 'No plane that is sunny enough has room: {missing, plural, one {# module is} other {# modules are}} missing.',
  enough: '{there, plural, one {# module is} other {# modules are}} laid already.',
  all: 'Lay on all good planes',
  allHint:
    'Lays every empty plane that has at least {share} of the year’s light of the best one, shade included; trim afterwards',
  allLaid:
    '{laid, plural, one {# module} other {# modules}} laid on {planes, plural, one {# plane} other {# planes}}.',
  allShort:
    '{planes, plural, one {# plane with room for {modules, plural, one {# module} other {# modules}} stays} other {# planes with room for {modules} modules stay}} empty: a string takes {fewest} at least.',
  allEmptied:
    '{planes, plural, one {# plane stays empty: a pathway takes} other {# planes stay empty: pathways take}} all of the room.',
  allNone: 'No module fits on the planes that are left.',
  waysKept:
    '{walkways, plural, one {A walkway keeps the pathway} other {# walkways keep the pathways}} free that the rules ask for{fewer, plural, =0 {} one {, in the place of # module} other {, in the place of # modules}}.',
  keepWays: 'Draw missing walkways',
  noWay: 'No place is left for a walkway there.',
  drawFirst: 'Draw the house first; then they can be laid with one press.',
} as const
