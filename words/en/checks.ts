import { type CheckCode, type remedyCodes } from '@/core/model/ledger'

/** Broken rules: a title, and what is wrong and what to do. */
export const checks = {
  'weather-missing': {
    title: 'Imported weather is missing',
    message:
      'The weather file this job was designed with is not here: {station} stands in. Import the file again, or choose a station.',
  },
  'station-far': {
    title: 'Weather station is far away',
    message:
      'The sky over {station} may differ from the job’s. Choose a closer station, similar in height and distance from the coast, or import weather for the place.',
  },
  'not-built': { title: '{object} cannot be built as drawn', message: '{why}' },
  'preset-height': {
    title: 'Height of {object} is not set',
    message:
      'It still has the {height} it was put up with. Type its real height on its card, or drag its top.',
  },
  orphaned: {
    title: 'An array has lost its roof plane',
    message:
      'The roof plane under this array is gone, so its modules are not counted. Lay them again, or delete the array.',
  },
  'no-fit': {
    title: 'No module fits',
    message:
      'No module of this size fits on this plane within the setbacks. Choose a smaller one, turn it, or change the setbacks.',
  },
  'modules-unfit': {
    title: '{unfit, plural, one {# module does not fit} other {# modules do not fit}}',
    message:
      'Of {places} places set out by hand, {unfit, plural, one {# reaches} other {# reach}} over a setback, an obstruction, other modules or the edge of the plane. Move the rows, or leave {unfit, plural, one {it} other {them}} empty.',
  },
  'no-modules': {
    title: 'No modules yet',
    message: 'Choose “Modules” in Cover and click a roof plane.',
  },
  'rules-missing': {
    title: 'Setback rules are missing',
    message:
      'The rules this option was laid by are no longer there, so setbacks and walkways are not checked. Choose rules in Cover.',
  },
  'setback-narrow': {
    title:
      '{edge, select, eave {Eave} ridge {Ridge} rake {Rake} hip {Hip} valley {Valley} other {Wall}} setback is too narrow',
    message: 'Modules may lie {kept} from the {edge}; {rules} asks for {asked}.',
  },
  'clearance-narrow': {
    title: 'Too little room around {object}',
    message: '{kept} are kept free around it; {rules} asks for {asked}.',
  },
  'pathway-beside': {
    title: 'No pathway to the ridge',
    message:
      '{rules} asks for a way of {width} from eave to ridge beside the modules that face {azimuth}. Draw a walkway there, or take modules away.',
  },
  'pathways-few': {
    title: 'Too few pathways to the ridge',
    message:
      '{rules} asks for ways of {width} from eave to ridge on {asked, plural, one {# plane} other {# planes}} of the roof; {found, plural, =0 {none is} one {# is} other {# are}} free. Draw walkways, or take modules away.',
  },
  'mounting-none': {
    title: 'No mounting for this roof',
    message:
      '{covering, select, slope {Nothing holds modules on a slope with a membrane, so the structure of {array} is not checked. Choose under Structure what the roof is covered with; level roofs keep their membrane.} other {Nothing in the catalogue suits the covering under {array}, so its structure is not checked.}}',
  },
  'mounting-unsuited': {
    title: 'The mounting does not suit the roof',
    message: '{mounting} is not made for what {array} lies on, so its structure is not checked.',
  },
  'foot-load': {
    title: 'Attachments bear too much',
    message:
      'Under {array} {side, select, up {the wind pulls at one attachment with} other {snow and wind press on one attachment with}} {figure}; {mounting} holds {limit}. Set them closer, or choose a stronger mounting.',
  },
  'rail-span': {
    title: 'Rails span too far',
    message: 'Under {array} attachments are {figure} apart; at this load the rail spans {limit}.',
  },
  'rail-overhang': {
    title: 'Rails reach out too far',
    message:
      'Under {array} a rail ends {figure} beyond its last attachment, {limit} at most. Move the modules nearer to a rafter.',
  },
  'rail-loose': {
    title: '{rails, plural, one {# rail has} other {# rails have}} one attachment or none',
    message: 'Rafters under {array} lie too far apart for modules this narrow. Lay two or more side by side.',
  },
  'ballast-many': {
    title: 'Too much ballast on a module',
    message:
      '{modules, plural, one {# module of {array} needs} other {# modules of {array} need}} up to {blocks} blocks; {mounting} takes {most}. Keep farther from the edges, or choose another mounting.',
  },
  'roof-load': {
    title: 'Too heavy for the roof',
    message: '{array} weighs {figure} with all that holds it; the roof has {limit} to spare.',
  },
  'shaded-modules': {
    title: 'Modules in too much shade',
    message:
      '{modules, plural, one {# module has} other {# modules have}} less than {limit} of the year’s light: {worst} at worst, most of it lost to {caster}.',
  },
  'string-cold': {
    title: '{string}: too many modules',
    message:
      '{modules, plural, one {# module reaches} other {# modules reach}} {volts} open-circuit at {coldest}; {inverter} withstands {limit}, which is {most, plural, one {# module} other {# modules}}.',
  },
  'string-peak': {
    title: '{string}: above the MPPT window',
    message:
      '{modules, plural, one {# module works} other {# modules work}} best at {volts} in the cold; {inverter} tracks up to {limit}, which is {most, plural, one {# module} other {# modules}}. Above it, power is lost on cold, clear days.',
  },
  'string-hot': {
    title: '{string}: too few modules',
    message:
      '{modules, plural, one {# module gives} other {# modules give}} {volts} in the heat; {inverter} needs {limit}, which is {fewest, plural, one {# module} other {# modules}}.',
  },
  inputs: {
    title: 'Modules without an input',
    message:
      '{modules, plural, one {# module has} other {# modules have}} no input ({without}) and yield nothing. {count, plural, one {{inverter} has} other {# × {inverter} have}} {inputs, plural, one {# input} other {# inputs}}; a string takes {fewest, number} to {most, plural, one {# module} other {# modules}}{electronics, select, none { facing one way} other {}}. Choose another inverter, or change the layout.',
  },
  current: {
    title: 'Current above the input’s limit',
    message: '{module} has a short-circuit current of {current}; an input of {inverter} takes {limit}.',
  },
  'strings-gone': {
    title: 'Strings drawn by hand have lost modules',
    message:
      '{modules, plural, one {# module is} other {# modules are}} in strings drawn by hand but no longer on the roof. The rest of those strings still stands. Leave {modules, plural, one {it} other {them}} out, or draw the strings again.',
  },
  'strings-many': {
    title: 'Too many strings on input {input}',
    message:
      '{strings}: {count, number} strings, and an input of {inverter} takes {limit, number}. Move one to another input.',
  },
  'strings-unlike': {
    title: 'Unequal strings on input {input}',
    message:
      '{strings} differ by {modules, plural, one {# module} other {# modules}} and share one input, so neither works at its best. Make them equally long, or give each an input of its own.',
  },
  'strings-mixed': {
    title: 'Several directions on input {input}',
    message:
      '{strings}: the modules face {directions, number} ways and hold each other back. Give each direction an input of its own.',
  },
  phases: {
    title: 'Three-phase inverter on another supply',
    message:
      '{inverter} feeds three phases; the supply here is {phases, select, split {split-phase} other {single-phase}}. Choose another inverter, or correct the supply in Site.',
  },
  'off-wall': {
    title:
      '{device, select, inverter {Inverter} battery {Battery} loadCentre {Load centre} other {Down point}} off the wall',
    message:
      'It is {away} from the nearest wall: a building was moved after it was placed. Its cables are counted from that wall.',
  },
  'cable-drop': {
    title:
      '{what, select, dc {{run}: cables} branch {{run}: cable} other {Cable to the load centre}} too thin',
    message:
      '{length} of {size} {what, select, dc {lose {drop} of the string’s voltage} other {raise the voltage by {drop}}} at full power; good practice is {limit} at most. Use a larger cross-section, or place the devices closer together.',
  },
  'cable-thin': {
    title: '{what, select, dc {PV cable} branch {Branch cable} other {AC cable}} below its current',
    message: '{size} was chosen; {current} ask for {least} at least.',
  },
  busbar: {
    title: 'Bus bar overloaded',
    message:
      'Main breaker and sources come to {figure}; a bus bar of {busbar} may have {limit}, {share} of its rating. {fits, select, yes {A main breaker of {main} would do, as would connecting before it, or a smaller inverter.} other {Connect before the main breaker, or choose a smaller inverter.}}',
  },
  'battery-no-port': {
    title: 'Battery without a port',
    message:
      '{battery} is DC-coupled, and {inverter} has no battery port. It is left out of the year. Choose a hybrid inverter, or an AC-coupled battery.',
  },
  'battery-volts': {
    title: 'Battery volts outside the port’s',
    message:
      '{battery} has {low} to {high}; the battery port of {inverter} takes {from} to {to}. It is left out of the year. Choose another battery or another hybrid.',
  },
  'battery-port-power': {
    title: 'Battery port limits the power',
    message:
      'The batteries could take or give {figure}; what {inverter} passes is {limit}, and they are run with that.',
  },
  unbalanced: {
    title: 'Phases unevenly fed',
    message:
      '{inverter} feeds one phase {figure} more than another; {limit} is allowed. Choose a three-phase inverter, or a smaller one.',
  },
  shutdown: {
    title: 'Module-level shutdown missing',
    message:
      'It is asked for here, and {modules, plural, one {# module has} other {# modules have}} no electronics to be shut down by. Add optimizers, or choose microinverters.',
  },
  'unit-cold': {
    title: 'Module voltage too high in the cold',
    message: '{module} reaches {figure} open-circuit at {coldest}; {device} withstands {limit}.',
  },
  'unit-peak': {
    title: 'Module above the device’s MPPT range',
    message:
      '{module} works best at {figure} in the cold; {device} tracks up to {limit}. Above it, power is lost on cold, clear days.',
  },
  'unit-hot': {
    title: 'Module voltage too low in the heat',
    message:
      '{module} works best at {figure} in the heat; {device} tracks from {limit}. Below it, power is lost on hot days.',
  },
  'unit-current': {
    title: 'Module current above the device’s limit',
    message: '{module} has a short-circuit current of {figure}; an input of {device} takes {limit}.',
  },
  'unit-power': {
    title: 'Module too powerful for its optimizer',
    message: '{module} is rated at {figure}; {device} takes {limit}.',
  },
  'optimizers-few': {
    title: '{string}: too few optimizers',
    message:
      '{figure, number} in the string; it takes at least {limit, number} of {device} to run the inverter.',
  },
  'optimizers-many': {
    title: '{string}: too many optimizers',
    message: '{figure, number} in the string; {device} allows {limit, number}.',
  },
  'optimizers-power': {
    title: '{string}: too much power for its optimizers',
    message:
      '{modules, plural, one {# module comes} other {# modules come}} to {figure}; a string of {device} may have {limit}.',
  },
  'branch-many': {
    title: '{string}: too many microinverters on one branch',
    message:
      '{devices, plural, one {# microinverter gives} other {# microinverters give}} {figure}; a breaker of {breaker} carries {limit} all day.',
  },
  'dc-ac-high': {
    title: 'Too many modules for the inverter',
    message: '{modules} of modules on {inverter} AC.',
  },
  'dc-ac-low': {
    title: 'Inverter larger than needed',
    message: '{modules} of modules on {inverter} AC.',
  },
  'inverter-idle': {
    title: 'Inverter without modules',
    message:
      '{idle, plural, one {# of the} other {# of the}} {inverters, number} {inverter} {idle, plural, one {has} other {have}} no strings: those there are fit on the others. Take fewer inverters, or move strings by hand.',
  },
  clipping: {
    title: 'High clipping losses',
    message: '{clipped} a year exceed the inverter’s power and are lost.',
  },
  'counted-twice': {
    title: '“{name}” counts twice',
    message: 'The ledger already computes {model}: this entered loss takes it a second time.',
  },
  'no-load': {
    title: 'No consumption entered',
    message: 'Without it everything is sold. Enter the annual total from a bill.',
  },
  'no-payback': {
    title: 'Not paid back',
    message:
      'After {years, plural, one {# year} other {# years}} the cost has not been recovered. Look at the price, the tariff and how much is used at home.',
  },
} satisfies Readonly<Record<CheckCode, { readonly title: string; readonly message: string }>>

/** What one click does about it. */
export const remedies = {
  'nearest-station': 'Use the nearest station',
  'string-automatically': 'String automatically',
  'drop-entered-loss': 'Remove the entered loss',
  'drop-shaded': 'Remove these modules',
  'widen-setback': 'Widen the setback',
  'widen-clearance': 'Widen the clearance',
  'leave-empty': 'Leave them empty',
  'feet-automatically': 'As few as hold',
  'mounting-automatically': 'Choose one that suits',
  'covered-with-tiles': 'The roof has tiles',
  'leave-out': 'Leave them out',
  'fewer-inverters': 'Take as many as are used',
  'onto-wall': 'Put it on the wall',
  'thicker-cable': 'Use a larger cross-section',
} satisfies Readonly<Record<(typeof remedyCodes)[number], string>>
