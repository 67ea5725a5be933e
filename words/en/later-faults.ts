/** What is wrong with what a bench does not open with: what is drawn and typed, files brought in, outlines to be joined, an estimate; and what the server alone says. */
export const laterFaults = {
  // Roofs
  'all-gables': 'All edges are gables: let at least one rise.',
  'no-walls': 'The overhang is too wide for this house: no walls are left under it. Make it less.',
  'dormer-too-steep':
    'its roof is as steep as the plane it stands on and never meets it. Give it a pitch of {limit} or less, or another form.',
  'dormer-off-plane':
    'its roof goes {depth} up the slope and reaches past the edge of its plane. Drag it down or sideways, or make it narrower, lower or steeper.',
  'dormer-on-flat': 'the plane under it is level. Draw a building there, or drag it onto a sloping plane.',
  'narrow-parapet': 'The building is too narrow for a parapet: its walls would meet. Make its height 0.',
  'flat-edge':
    'Side {side, number} is flat while others rise: give it a pitch, or make every side flat or a gable.',
  'bad-profile':
    'Stretch {step, number} of side {side, number} is wrong: a profile begins at 0 m over the eave, goes up from stretch to stretch, and has pitches over 0 and up to 90 degrees.',
  'wide-overhang':
    'The overhang is too wide: the eaves of two sides would run into each other. Make it narrower.',
  'bad-slope': '“{text}” is not a pitch. Type for example 30, 58% or 7/12.',
  'bad-length':
    '“{text}” is not a length. Type for example {system, select, metric {3.5, 350 cm} other {11’ 6 1/2”, 11.5 ft}} or 3.5 m.',
  'bad-number': '“{text}” is not a number.',
  'no-direction': 'Move the pointer in the direction of the side, then press Enter.',
  'zero-length': 'A side must be longer than zero; “{text}” is not.',
  'below-zero': 'Not below zero.',
  'field-corners': 'An area has at least three corners: click the next one.',
  'few-corners':
    'This corner stays: with one less there would be nothing left. Delete the whole of it instead.',
  'nothing-fits':
    'No module fits in there within the setbacks. Draw it larger, or choose a smaller module or narrower setbacks.',
  'short-line': 'A line needs two ends: click where it goes to.',
  'newer-version':
    'This was written by a newer version ({what} {version, number}; up to {known, number} is known here). Update the application to open it.',
  'too-many-options': 'A job has at most {limit, number} options.',
  'wrong-origin': 'This request does not come from this application.',
  'not-json': '{file, select, body {The body} stdin {Standard input} other {{file}}} is not JSON: {detail}.',
  'refused-by-database': 'The database does not take these values. Check the last thing you entered.',
  'broken-text': '{at}: this text ends in half a character. Type it again.',
  'bad-document': '{at, select, none {The document} other {{at}}}: an object of objects by id was expected',
  'unknown-kind': '{at}: “{kind}” is not a kind of object this version knows',
  'too-many-objects': 'A document has at most {limit, number} objects.',
  'wrong-key': '{at}: “{id}” does not match its key',
  'misplaced-object': '{at}: a {kind} does not belong in this document',
  'bad-change': 'The entry “{id}” holds another object.',
  'not-a-job': 'This is not a job of Tall Gable: {at, select, none {the file} other {{at}}}: {rule}',
  'twin-options': 'Two options have the same id.',
  'bad-equipment': 'The data sheets in this file: {at}: {rule}',
  'wrong-host': 'This server does not answer to this name. Whoever runs it can add the name with HOSTS.',
  'ambiguous-address':
    '“{address}” is the beginning of several addresses, such as {one} and {other}. Pick one from the list.',
  'no-such-offer': 'This link leads to no offer. It may have been withdrawn.',
  'no-such-moment': 'This moment is no longer in the history.',
  'too-many-versions': 'A job has at most {limit, number} named moments. Take one’s name away first.',
  'no-such-comment': 'This comment is gone. Somebody may have taken it back.',
  answered: 'Somebody has answered this. Settle it instead of taking it back.',
  'not-yours': 'Only who has said it can take it back.',
  'too-many-comments': 'A job has at most {limit, number} comments.',
  'looking-back': 'This is how it was. Restore it, or go back to today, to go on drawing.',
  'not-allowed': 'This is for whoever runs the server.',
  'not-signed-in': 'You are not signed in. Open the start page again.',
  'given-up': 'Nobody waited for the answer any more.',
  'service-garbled': 'The service’s answer ({path}) cannot be read.',
  'unknown-address':
    '“{address}” is not an address that is known here. Type a street and a number, and pick from the list.',
  'no-such-option':
    '{letters, select, none {This option does not exist any more.} other {There is no option “{name}”; this job has {letters}.}}',
  'not-your-role':
    '{role, select, installer {You are here as an installer: this is for designers.} reader {You are here as a reader: this is for designers.} viewer {This link leads to the job alone: this is for the team.} editor {This link leads to the job alone: this is for the team.} other {This is for an owner of the team.}}',
  'not-your-part': 'As an installer you add photos and visits; the rest is for designers.',
  'too-heavy':
    '{reason, select, memory {This takes more memory than the server may use.} other {This takes longer than the server may compute.}} Make the job smaller, or split it in two.',
  'too-much-shade':
    '{modules, number} modules among {casters, number} things that may shade them are more than the server computes. Take away trees or objects that stand far off, or split the job in two.',
  'bad-hours': 'Type two hours, for example 16-20.',
  'nothing-to-turn': 'Nothing of it can be turned now: unlock it first.',
  'offer-withdrawn': 'This offer was withdrawn. Ask whoever sent it for the present one.',
  'offer-expired': 'This offer is no longer valid. Ask whoever sent it for a new one.',
  'offer-accepted': 'This offer has been accepted already.',
  'offer-changed': 'The offer on your screen is not the one that this link leads to. Load the page again.',
  'too-many-quotes':
    'A team asks for prices at most {limit, number} times a day. Save the request as a file and send it yourself.',
  'quote-long': 'This request is too long for a mail. Save it as a file and send it yourself.',
  'too-many-questions': 'There are many questions already. Call whoever sent the offer.',
  'pdf-busy': 'Other offers are being printed. Try again in a few seconds.',
  'pdf-failed':
    '{reason, select, address {This server does not know its own address (APP_ORIGIN), so it cannot print.} other {The PDF could not be printed. Open the offer itself and print it from your browser.}}',
  'clockwise-outline': 'The corners must run counter-clockwise.',
  'bad-edges': 'The outline has {sides, number} sides, but {given, number} roof edges are given.',
  'sheet-contradicts':
    '{reason, select, voltage {No module behaves like this data sheet: check that volts, amperes and the coefficient of Voc belong together.} power {No module behaves like this data sheet: with these volts and amperes power changes by about {found}, the sheet says {given}. Check the temperature coefficients.} number {{field} is not a number.} vmp {Vmp of {vmp} must lie between 0 and Voc of {voc}.} imp {Imp of {imp} must lie between 0 and Isc of {isc}.} other {The temperature coefficients of Voc and of power are below zero for every module.}}',
  'sheet-cell':
    '{column}: {why, select, empty {something is needed here} flag {“{text}” is neither yes nor no} other {“{text}” is not a number}}.',
  'module-power':
    'Vmp × Imp is {product}, but the rated power is {power}. Check the three against the data sheet.',
  'bad-device':
    '{reason, select, window {The least volts of the window must be below the greatest.} highest {The window ends above the highest volts that it bears.} start {It starts at more volts than it bears.} short {The short-circuit current of an input is below its working current.} string {A string needs more than it may have at most.} back {A battery gives back between 25 and 100 % of what it takes.} dcVolts {A battery has fewer volts when empty than when full.} port {The least volts of the battery port must be below the greatest.} microPort {A microinverter has no battery port.} measured {What was measured puts out no less than it takes in.} other {The AC power that was measured is not the rated one, within a tenth.}}',
  'measured-efficiency':
    'AC and DC power as measured give an efficiency of {measured}, the sheet says {said}. Check the three, or leave all that was measured empty.',
  'sheet-columns':
    'The table lacks the {missing} column. Save the template and fill it in; its first line has the names.',
  'no-sheet-rows': 'The table has a heading but nothing under it.',
  'too-many-sheets': 'The table has {rows, number} data sheets; at most {limit, number} can be read at once.',
  'sheet-row': 'Line {line, number, ::group-off}: {why}',
  'prices-columns': 'The table lacks the {missing} column: its first line names the columns line and price.',
  'prices-none': 'No line of this file has a price.',
  'prices-many': 'The file has {rows, number} lines; at most {limit, number} can be read.',
  'prices-cell':
    'Line {line, number, ::group-off}, {column}: {column, select, line {a price without the name of its line} other {“{text}” is not a price}}.',
  'prices-twice': 'Line {line, number, ::group-off}: {part} has a price already, further up.',
  'prices-json': 'This is no JSON: {detail}.',
  'bad-quote': 'This is not an answer to a quote of ours: {at}: {rule}',
  'prices-currency': 'These prices are in {theirs}, the site pays in {ours}.',
  'prices-full': 'No more than {limit, number} prices can differ from the list.',
  'device-in-use': 'This device is chosen in {options}. Choose another one there first.',
  'module-in-use': 'This module is laid in {options}. Choose another one there first.',
  'no-building-here':
    'No building is known here, and none stands out of the heights within {within}. Trace the house in Shape first, then read its heights.',
  'heights-cut-building': 'The heights end inside the building. Heights around the whole house are needed.',
  'fit-too-slow': 'The heights took too long to read. Is the raster very fine? Save it with larger cells.',
  'bad-raster':
    '“{file}” cannot be read as heights: it is cut short, packed in an unusual way, or something else. Save it again as an uncompressed or deflated GeoTIFF, as an ASCII grid, or as points on a grid (east, north, height).',
  'text-heights':
    '{why, select, number {“{file}”, line {line, number, ::group-off}: “{text}” is not a number.} header {“{file}” does not say {text}: an ASCII grid begins with it.} cell {“{file}”: a cell has sides longer than 0.} size {“{file}”: a grid has at least two columns and two rows.} few {“{file}” announces {wanted, number} heights and has {found, number}: it is cut short.} many {“{file}” has more than the {wanted, number} heights that it announces.} columns {“{file}”, line {line, number, ::group-off}: east, north and height are needed, not “{text}”.} other {The points of “{file}” lie on no grid of equal steps to the east and to the north. Save them as a raster.}}',
  'picture-not-heights':
    '“{file}” is a picture, no heights: its cells hold colours. A GeoTIFF with one height a cell is needed.',
  'unknown-projection':
    '“{file}” is in a reference system that is not known here (EPSG {code, number, ::group-off}). Save it in a UTM zone, in web Mercator, or in longitude and latitude.',
  'no-position':
    '“{file}” does not say where it lies. A GeoTIFF with a tie point and the size of its cells is needed.',
  'no-projection':
    '“{file}” does not say which reference system it is in, and in the UTM zone of this place it lies elsewhere. Save the raster with its system, or in that zone.',
  'heights-elsewhere': '“{file}” lies elsewhere: the house is not on it.',
  'heights-alike':
    '“{file}” and “{other}” are less than {least} apart on the whole: one of surfaces and one of bare ground are expected. Choose one file alone if there is no other.',
  'heights-files':
    '{files, number} files were chosen. Choose one of surfaces, or two: of surfaces and of bare ground.',
  'heights-shifted-far': 'Heights are shifted by {most} at most. Farther off they are of another house.',
  'heights-cut-outline': '“{file}” ends inside the outline. Heights around the whole house are needed.',
  'raster-too-fine':
    '“{file}” has {cells, number} cells around the house; at most {limit, number} can be read. Save it with larger cells.',
  'no-heights-inside':
    'Only {cells, number} heights inside the outline lie over the ground; at least {least, number} are needed. Is the outline around the house, and the raster one of surfaces rather than of bare ground?',
  'no-planes-found': 'No plane was found inside the outline: the heights scatter too much.',
  'bad-geojson':
    '“{file}” is no GeoJSON with polygons. A FeatureCollection, a Feature or a Polygon in longitude and latitude is needed.',
  'not-a-dxf': 'This is no DXF drawing in text form. Save it as ASCII DXF and try again.',
  'broken-dxf':
    'The drawing can’t be read: line {line, number, ::group-off} is not what a DXF has there. Save it anew and try again.',
  'empty-drawing': 'There are no lines in the drawing.',
  'too-many-points': 'The drawing has more than {limit, number} points. Save only what is needed of it.',
  'drawing-too-slow': 'The drawing takes too long to read. Save only what is needed of it.',
  'not-a-picture': 'This is neither a PNG or JPEG picture nor a DXF drawing.',
  'broken-picture': 'The picture is damaged, or breaks off. Save it anew and try again.',
  'too-many-pixels': 'The picture has more than {limit, number} pixels. Save it smaller and try again.',
  'no-such-designer': 'Nobody of that kind is in the team. Choose one of its designers, or nobody.',
  'no-such-file': 'The file of this picture or drawing is missing. Delete it here and add it again.',
  'file-away':
    'The file of this picture or drawing can’t be fetched now. It is tried again when the job is next opened.',
  'file-not-kept':
    'The server can’t be reached, so the file could not be kept. Try again when the network is back.',
  'file-not-read':
    'The server can’t be reached, so the file could not be read. Try again when the network is back.',
  'not-a-model': 'This is no 3D model. OBJ, glTF (.glb, .gltf) and IFC are read.',
  'broken-obj':
    'The model can’t be read: line {line, number, ::group-off} is not what OBJ has there. A vertex has three numbers, a face at least three vertices that are already there.',
  'broken-gltf': 'The model is damaged, or breaks off. Save it anew and try again.',
  'gltf-elsewhere':
    'The model keeps its data in files of their own. Save it as one file (.glb) and try again.',
  'gltf-packed': 'The model is compressed. Save it without compression and try again.',
  'broken-ifc':
    'The building model is damaged, or breaks off, at line {line, number, ::group-off}. Save it anew and try again.',
  'unreadable-ifc': 'The building model can’t be read. Save it anew, as IFC 2x3 or 4, and try again.',
  'empty-model': 'There are no surfaces in the model.',
  'too-many-triangles': 'The model has more than {limit, number} triangles. Save it coarser and try again.',
  'model-size': 'With this unit the model would be far too small or too large. Choose another.',
  'store-full': 'The team has no room left for pictures and drawings.',
  'points-too-near': 'The two points are the same. Choose points that lie apart.',
  'scale-out-of-range':
    'With this length the picture would be far too small or too large. Check the length and its unit.',
  'outlines-stand':
    'Buildings stand on all outlines of “{file}” already. Delete those that are to be taken anew.',
  'no-outlines':
    '“{file}” has no outline that can be used here: {why, select, far {all of them are more than 500 m from the site, or not in longitude and latitude} corners {an outline has 3 to 60 corners} crossing {the outlines cross themselves} none {it has no polygons} other {it is empty}}.',
  'eaves-unlike':
    'The buildings have unlike eave heights. Give them the same on their cards, then join them.',
  'roofs-unlike': 'One of the buildings is flat and another pitched. Make them alike, then join them.',
  'outlines-apart': 'The outlines do not touch. Move the buildings together, then join them.',
  'outline-round-court':
    'The outlines enclose a court, and a building has one outline. Join those of one side, and leave the others.',
  'bad-bill':
    '{reason, select, price {The price of a kWh must be above zero.} bill {The bill must not be below zero.} offset {The offset must be from 0 to 200 %.} other {This plane yields nothing: choose another.}}',
  'bad-rows':
    '“{text}” is no row. Write how many modules each row has: 9, 9, 7, or 3×9; 4_4 leaves a place empty.',
  'most-rows': 'At most {limit, number} rows.',
  'row-length': 'Row {row, number} is too long: at most {limit, number} modules.',
  'sun-below': 'The sun is not up from {from, number} to {to, number} h on the shortest day there.',
  'no-tariff': 'This is not a tariff file. Choose one in JSON, as “Save as file” writes it.',
  'tariff-intervals':
    'Export prices by the interval must be a year: 8,760 of them, or 17,520 or 35,040. The file has {found, number}.',
  'long-tariff': 'A tariff file has less than 2 MB.',
  'meter-too-large': 'A meter file has at most {limit, number} MB. Export fewer years.',
  'bad-months': 'Type months as numbers from 1 to 12, such as 6-9 or 12, 1, 2.',
} as const

/** What some values must be, said where those are typed or read. */
export const laterRules = {
  'outline-corners': 'an outline has at least {limit, number} corners',
  'at-least-entries': 'at least {limit, plural, one {# entry} other {# entries}}',
  'at-most-entries': 'at most {limit, plural, one {# entry} other {# entries}}',
  'field-crossing': 'an outline does not cross itself',
  'profile-upwards': 'stretches begin at the eave (0) and go up, each from a greater height than the last',
  'bill-backwards': 'a bill ends on the day it begins or later',
  'bill-long': 'a bill has at most {limit, number} days',
  'missing-yes-no': 'yes or no is missing here',
  'missing-list': 'a list is missing here',
  'missing-object': 'an object is missing here',
  'not-yes-no': 'yes or no is needed here',
  'not-list': 'a list is needed here',
  'not-object': 'an object is needed here',
  'at-least-bytes': 'at least {limit, number} bytes',
  'at-most-bytes': 'at most {limit, number} bytes',
  'vertex-missing': 'each corner is the number of a vertex, counted from 0',
  'line-ends': 'a line has at least {limit, number} ends',
  'most-corners': 'at most {limit, number} corners',
  'edge-each': 'one entry for each side of the outline',
  'twelve-months': 'twelve months, January first',
  'unknown-keys': 'nothing is known of {keys}',
  'one-field': 'one field at a time',
  'decided-later': 'not before it was applied for',
  currency: 'three capital letters, such as USD',
  'time-zone': 'not a time zone of the IANA list, such as America/New_York',
  id: 'an id is 1 to 64 lower-case letters, digits and hyphens',
  'most-losses': 'at most {limit, number} losses of your own',
  day: 'a day of the calendar, such as 2026-03-09',
  'month-day': 'a day as MM-DD, such as 06-15',
  holiday: 'a day as MM-DD or YYYY-MM-DD, such as 07-04',
  'tiers-rise': 'allowances that rise from step to step, the last one null',
  date: 'a day as YYYY-MM-DD, such as 2025-06-15',
  'cost-needed': 'a cost: what something else costs is not known here',
  'module-strung-twice': 'strings with each module in one of them at most',
  'module-place': 'a module as array/row:column',
  'shares-above-one': 'shares that add up to 100 % at most',
  'production-spans': 'the hours, days or months as a production file was read, three years of hours at most',
  'meter-hours': 'the 8,760 hours of a year as a meter file was read',
} as const
