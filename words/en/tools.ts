/** The places of the outline. */
export const chapters = {
  site: 'Site',
  shape: 'Shape',
  cover: 'Cover',
  wire: 'Wire',
  match: 'Match',
  store: 'Store',
  offer: 'Offer',
} as const

/** Tools: their button, their command, what to do with them in hand, and what is said where that can't be done. */
export const tools = {
  select: { button: 'Select', command: 'Select', hint: '', wrong: '' },
  trace: { button: 'Outline', command: 'Trace an outline', hint: '', wrong: '' },
  gable: {
    button: 'Gable',
    command: 'Turn edges into gables',
    hint: 'Click an edge of the roof to turn it into a gable, or back into an eave.',
    wrong: 'A flat roof has no gables. Make it a pitched roof on its card first.',
  },
  pitch: {
    button: 'Pitch',
    command: 'Set a pitch from measured heights',
    hint: 'Click a point of a roof plane whose height you know.',
    wrong: 'No roof plane there. Click a point of a roof plane.',
  },
  dormer: {
    button: 'Dormer',
    command: 'Add a dormer',
    hint: 'Click a roof plane where the front of the dormer stands, or go there with the arrow keys and press Enter.',
    wrong: 'A dormer stands on a roof: click a roof plane.',
  },
  chimney: {
    button: 'Chimney',
    command: 'Add a chimney',
    hint: 'Click a roof plane to put a chimney there, or go there with the arrow keys and press Enter.',
    wrong: 'A chimney stands on a roof: click a roof plane.',
  },
  skylight: {
    button: 'Skylight',
    command: 'Add a skylight',
    hint: 'Click a roof plane to put a skylight there, or go there with the arrow keys and press Enter.',
    wrong: 'A skylight lies in a roof: click a roof plane.',
  },
  fixture: {
    button: 'Vent',
    command: 'Add a vent, pipe, dish or unit',
    hint: 'Click where it stands, on a roof or on the ground, or go there with the arrow keys and press Enter. Its card says what it is.',
    wrong: 'Something else stands there. Click a roof plane or open ground.',
  },
  canopy: {
    button: 'Carport',
    command: 'Add a carport or pergola',
    hint: 'Click open ground to put a carport there, or go there with the arrow keys and press Enter. Its card makes it a pergola.',
    wrong: 'Something stands there. Click open ground beside the house.',
  },
  barrier: {
    button: 'Fence',
    command: 'Draw a fence, hedge or wall',
    hint: '',
    wrong: '',
  },
  tree: {
    button: 'Tree',
    command: 'Add a tree',
    hint: 'Click where the tree stands, or go there with the arrow keys and press Enter.',
    wrong: '',
  },
  calibrate: {
    button: 'Set scale',
    command: 'Set the scale of a picture or drawing',
    hint: '',
    wrong: '',
  },
  look: {
    button: 'Sun path',
    command: 'See the sun path from a point',
    hint: '',
    wrong: '',
  },
  'move-picture': {
    button: 'Move',
    command: 'Move the aerial picture by two points',
    hint: '',
    wrong: '',
  },
  tape: {
    button: 'Measure',
    command: 'Measure a distance',
    hint: 'Click where the tape begins, or go there with the arrow keys and press Enter; it holds on to corners (Shift: not).',
    wrong: '',
  },
  lay: {
    button: 'Modules',
    command: 'Lay modules on a plane',
    hint: 'Click a roof plane to fill it with modules.',
    wrong: 'No roof plane there. Click a roof plane to fill it with modules.',
  },
  'lay-area': {
    button: 'Lay in area',
    command: 'Lay modules in an area',
    hint: 'Click the corners of an area on a roof plane, the first one again to close it. Arrow keys and Enter begin it, typed lengths go on.',
    wrong: 'No roof plane there. Click a roof plane where the area has a corner.',
  },
  'lay-rows': {
    button: 'Lay rows',
    command: 'Lay single modules or rows',
    hint: 'Click where one module goes, or pull rows and columns out from there. Arrow keys and Enter lay one.',
    wrong: 'No roof plane there. Begin on a roof plane.',
  },
  walkway: {
    button: 'Walkway',
    command: 'Draw a walkway',
    hint: 'Click a roof plane: the walkway runs straight up the slope there. Or go there with the arrow keys and press Enter.',
    wrong: 'A walkway runs over a roof: click a roof plane.',
  },
  string: { button: 'Draw string', command: 'Draw a string by hand', hint: '', wrong: '' },
  place: { button: 'Place devices', command: 'Place devices on walls', hint: '', wrong: '' },
  rack: {
    button: 'Rack',
    command: 'Add a ground rack',
    hint: 'Click open ground to put a rack there, or go there with the arrow keys and press Enter.',
    wrong: 'Something stands there. Click open ground beside the house.',
  },
} as const

/** Said while modules are laid. */
export const laying = {
  modules: 'Modules',
  modulesOn: 'Modules on {owner}',
  modulesOnSide: 'Modules on {owner}, side {side}',
  neighbour: 'This is a neighbour’s roof. Make it part of the house on its card first.',
  nothing:
    'No module fits there within the setbacks. Choose another place, a smaller module, or narrower setbacks.',
  laid: '{n, plural, one {# module} other {# modules}} laid.',
  pulled:
    '{rows, plural, one {# row} other {# rows}} of {columns}: {wide} × {high}{unfit, plural, =0 {} one {; # module does not fit} other {; # modules do not fit}}',
} as const

/** What the tape says. */
export const tape = {
  next: 'Click where it ends.',
  keep: '{reading}. Enter keeps it.',
  label: 'Keep a dimension',
  reading:
    '{direct} from end to end{way, select, level {, level} other {: {level} in plan, {up} {way, select, up {up} other {down}}, {slope}}}',
} as const

/** What the tool for measured heights says. */
export const pitching = {
  label: 'Pitch from heights',
  typeHeight: 'Type its height over the ground and press Enter. As drawn it is at {now}.',
  next: 'Click another point of the same plane, higher or lower on the slope.',
  two: '{pitch}. Enter sets the pitch; a third point sets the eave height as well.',
  more: '{pitch}, {off} off at most. Enter sets pitch and eave height, another click adds a point.',
  sideBySide: 'These points lie side by side along the eave: one higher or lower on the slope is needed.',
  samePlane: 'That is another plane. All points belong on the one that was clicked first.',
  notThis: 'This plane has no pitch of its own to set: click a sloping plane of a house.',
  eaveOutside: 'That would put the eave at {eave}: type heights over the ground, or only two points.',
  outside: 'That would be a pitch of {pitch}: check the heights.',
  done: 'Pitch {pitch} from {count, number} heights{count, select, 2 {} other {, {off} off at most}}.',
} as const

/** Buildings from a file. */
export const outlines = {
  addModel: 'Add 3D model from file',
  modelForms: 'OBJ, glTF (GLB) or IFC',
  button: 'Import outlines (GeoJSON)',
  heights: 'Read house from heights',
  label: 'Import outlines',
  taken:
    '{count, plural, one {# building} other {# buildings}} taken{holes, plural, =0 {} one {, # courtyard filled} other {, # courtyards filled}}{left, plural, =0 {.} other {; left out:}}',
  leftOut:
    'feature {feature, number} {why, select, far {(far from the site)} corners {(not 3 to 60 corners)} crossing {(crosses itself)} other {(no polygon)}}',
  more: 'and {count, number} more',
} as const
