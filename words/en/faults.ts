/** What a value may be. `limit` comes with its unit. */
export const rules = {
  'at-least': 'at least {limit}',
  'at-most': 'at most {limit}',
  'more-than': 'more than {limit}',
  'less-than': 'less than {limit}',
  'at-least-characters': 'at least {limit, plural, one {# character} other {# characters}}',
  'at-most-characters': 'at most {limit, plural, one {# character} other {# characters}}',
  'at-least-entries': 'at least {limit, plural, one {# entry} other {# entries}}',
  'at-most-entries': 'at most {limit, plural, one {# entry} other {# entries}}',
  'at-least-bytes': 'at least {limit, number} bytes',
  'at-most-bytes': 'at most {limit, number} bytes',
  'whole-number': 'a whole number',
  'missing-number': 'a number is missing here',
  'missing-whole-number': 'a whole number is missing here',
  'missing-text': 'a text is missing here',
  'missing-yes-no': 'yes or no is missing here',
  'missing-list': 'a list is missing here',
  'missing-object': 'an object is missing here',
  'missing-value': 'a value is missing here',
  'not-number': 'a number is needed here',
  'not-whole-number': 'a whole number is needed here',
  'not-text': 'a text is needed here',
  'not-yes-no': 'yes or no is needed here',
  'not-list': 'a list is needed here',
  'not-object': 'an object is needed here',
  'not-value': 'another kind of value is needed here',
  'one-of': 'one of: {choices}',
  'unknown-keys': 'nothing is known of {keys}',
  'not-as-expected': 'not as expected',
  day: 'a day of the calendar, such as 2026-03-09',
  'decided-later': 'not before it was applied for',
  id: 'an id is 1 to 64 lower-case letters, digits and hyphens',
  'name-needed': 'a name is needed',
  'time-zone': 'not a time zone of the IANA list, such as America/New_York',
  currency: 'three capital letters, such as USD',
  'twelve-months': 'twelve months, January first',
  'outline-corners': 'an outline has at least {limit, number} corners',
  'vertex-missing': 'each corner is the number of a vertex, counted from 0',
  'line-ends': 'a line has at least {limit, number} ends',
  'most-corners': 'at most {limit, number} corners',
  'profile-upwards': 'stretches begin at the eave (0) and go up, each from a greater height than the last',
  'edge-each': 'one entry for each side of the outline',
  'most-losses': 'at most {limit, number} losses of your own',
} as const

/** What is wrong and what to do. `at` names the place in a file; it is left out where the person stands before the field. */
export const faults = {
  // Documents
  'bad-object': '{at, select, none {The value} other {{at}}}: {rule}',
  'bad-document': '{at, select, none {The document} other {{at}}}: an object of objects by id was expected',
  'bad-body': '{at, select, none {The request} other {{at}}}: {rule}',
  'not-a-job': 'This is not a job of Tall Gable: {at, select, none {the file} other {{at}}}: {rule}',
  'unknown-kind': '{at}: “{kind}” is not a kind of object this version knows',
  'newer-version':
    'This was written by a newer version ({what} {version, number}; up to {known, number} is known here). Update the application to open it.',
  'too-many-objects': 'A document has at most {limit, number} objects.',
  'wrong-key': '{at}: “{id}” does not match its key',
  'misplaced-object': '{at}: a {kind} does not belong in this document',
  'missing-object': 'The document has no {kind} “{id}”.',
  'twin-options': 'Two options have the same id.',
  'too-many-options': 'A job has at most {limit, number} options.',
  'bad-change': 'The entry “{id}” holds another object.',
  gone: 'This is gone.',
  'nothing-to-turn': 'Nothing of it can be turned now: unlock it first.',
  'bad-equipment': 'The data sheets in this file: {at}: {rule}',
  'unknown-equipment': 'The catalogue has no {what} “{id}”.',
  // Outlines from files
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
  // Typing
  'bad-length':
    '“{text}” is not a length. Type for example {system, select, metric {3.5, 350 cm} other {11’ 6 1/2”, 11.5 ft}} or 3.5 m.',
  'bad-slope': '“{text}” is not a pitch. Type for example 30, 58% or 7/12.',
  'bad-number': '“{text}” is not a number.',
  'zero-length': 'A side must be longer than zero; “{text}” is not.',
  'no-direction': 'Move the pointer in the direction of the side, then press Enter.',
  'bad-hours': 'Type two hours, for example 16-20.',
  'below-zero': 'Not below zero.',
  // Roofs
  'few-corners':
    'This corner stays: with one less there would be nothing left. Delete the whole of it instead.',
  'short-line': 'A line needs two ends: click where it goes to.',
  'short-outline': 'An outline needs at least three corners.',
  'short-edge': 'Side {side, number} of the outline is shorter than {limit}: remove one of its corners.',
  'crossing-outline':
    'The outline crosses itself: side {side, number} meets side {other, number}. Move a corner so that they stay apart.',
  'clockwise-outline': 'The corners must run counter-clockwise.',
  'bad-edges': 'The outline has {sides, number} sides, but {given, number} roof edges are given.',
  'eaves-unlike':
    'The buildings have unlike eave heights. Give them the same on their cards, then join them.',
  'roofs-unlike': 'One of the buildings is flat and another pitched. Make them alike, then join them.',
  'outlines-apart': 'The outlines do not touch. Move the buildings together, then join them.',
  'outline-round-court':
    'The outlines enclose a court, and a building has one outline. Join those of one side, and leave the others.',
  'no-walls': 'The overhang is too wide for this house: no walls are left under it. Make it less.',
  'narrow-parapet': 'The building is too narrow for a parapet: its walls would meet. Make its height 0.',
  'flat-edge':
    'Side {side, number} is flat while others rise: give it a pitch, or make every side flat or a gable.',
  'bad-profile':
    'Stretch {step, number} of side {side, number} is wrong: a profile begins at 0 m over the eave, goes up from stretch to stretch, and has pitches over 0 and up to 90 degrees.',
  'wide-overhang':
    'The overhang is too wide: the eaves of two sides would run into each other. Make it narrower.',
  'all-gables': 'All edges are gables: let at least one rise.',
  'roof-not-possible': 'These pitches make no closed roof over this outline. Change a pitch or a gable.',
  'no-closed-roof':
    'No roof closes over this outline with these edges: let at least one edge rise, and give neighbouring edges in one line the same pitch.',
  'off-roof': 'no roof is under it. Drag it onto a roof plane.',
  'dormer-on-flat': 'the plane under it is level. Draw a building there, or drag it onto a sloping plane.',
  'dormer-too-steep':
    'its roof is as steep as the plane it stands on and never meets it. Give it a pitch of {limit} or less, or another form.',
  'dormer-off-plane':
    'its roof goes {depth} up the slope and reaches past the edge of its plane. Drag it down or sideways, or make it narrower, lower or steeper.',
  // Data sheets
  'sheet-contradicts':
    '{reason, select, voltage {No module behaves like this data sheet: check that volts, amperes and the coefficient of Voc belong together.} power {No module behaves like this data sheet: with these volts and amperes power changes by about {found}, the sheet says {given}. Check the temperature coefficients.} number {{field} is not a number.} vmp {Vmp of {vmp} must lie between 0 and Voc of {voc}.} imp {Imp of {imp} must lie between 0 and Isc of {isc}.} other {The temperature coefficients of Voc and of power are below zero for every module.}}',
  'bad-bill':
    '{reason, select, price {The price of a kWh must be above zero.} bill {The bill must not be below zero.} offset {The offset must be from 0 to 200 %.} other {This plane yields nothing: choose another.}}',
  // Weather files
  empty: 'The file is empty. Choose a file with a year of weather.',
  'too-large':
    '{reason, select, file {The file has {bytes}; at most {limit} can be read.} rows {The table has more than {limit, number} rows; a year of five-minute intervals has 105,120.} line {Line {line, number, ::group-off} has more than {limit, number} characters: this is not a table of weather.} columns {Line {line, number, ::group-off}: the table has {columns, number} columns; at most {limit, number} can be read.} case {Line {line, number, ::group-off} has more than {limit, number} characters: break the case into smaller ones.} other {At most {limit} can be sent at once.}}',
  'not-text':
    'This is not a text file. Weather is read from EPW or CSV; unpack an archive first, save a spreadsheet as CSV.',
  'not-epw': 'Line 1: a weather file in EPW begins with LOCATION.',
  'bad-epw':
    '{reason, select, location {Line 1: the {what, select, timezone {time zone} other {{what}}} is “{text}”, expected {low} to {high}.} header {Line {line, number, ::group-off}: an EPW file has {lines, number} header lines before its first record, LOCATION to DATA PERIODS.} columns {Line {line, number, ::group-off}: {found, number} columns were found, at least {expected, number} were expected, separated by commas, with points as decimal marks.} empty {The file has no records after its {lines, number} header lines.} number {Line {line, number, ::group-off}, column {column, number} ({name}): “{text}” is not a number.} order {Line {line, number, ::group-off}: month, day, hour {found} was found, {expected} was expected. Records must be in order, hours from 1 to 24.} other {No record is of 1 January: the columns month and day say otherwise.}}',
  'not-a-year':
    '{reason, select, records {The file has {records, number} records without 29 February and ends in line {line, number, ::group-off}; a whole year has 8,760 of an hour, or 17,520, 35,040 or 105,120 of parts of it.} other {{covered, number} of the {all, number} intervals of {step, number} minutes that a year has are in the table. A whole year is needed.}}',
  'bad-time':
    '{reason, select, moment {“{text}” is not a moment. Write it in ISO 8601 with its offset, such as 2024-06-21T12:00:00-04:00.} other {Line {line, number, ::group-off}: “{text}” is not a time that can be read. Write for example 2024-03-31 14:00, or {example} 14:00.}}',
  'too-many-gaps':
    'Irradiance is missing in {missing, number} of {all, number} intervals of daylight, first in line {line, plural, =0 {–} other {{line, number, ::group-off}}}; at most {limit} can be filled. Choose a more complete year.',
  'no-file-open': 'Choose a file first.',
  'not-read-yet': 'The file cannot be read yet.',
  'no-such-weather': 'There is no such weather file. Import it again.',
  // Services
  'service-away': 'The weather and address service does not answer. It will be asked again.',
  'service-refused': 'The service answered with status {status}. Try again.',
  'service-garbled': 'The service’s answer ({path}) cannot be read.',
  'no-weather':
    'The weather could not be fetched: the server does not answer. It will be asked again with the next edit.',
  'weather-refused': 'The weather file could not be fetched (status {status}).',
  'no-station': 'No weather station is known here.',
  'unknown-address':
    '“{address}” is not an address that is known here. Type a street and a number, and pick from the list.',
  'ambiguous-address':
    '“{address}” is the beginning of several addresses, such as {one} and {other}. Pick one from the list.',
  // Server
  'no-such-job': 'There is no such job. It may have been deleted.',
  'no-such-option':
    '{letters, select, none {This option does not exist any more.} other {There is no option “{name}”; this job has {letters}.}}',
  'no-such-offer': 'This link leads to no offer. It may have been withdrawn.',
  'not-signed-in': 'You are not signed in. Open the start page again.',
  'wrong-origin': 'This request does not come from this application.',
  'not-json': '{file, select, body {The body} stdin {Standard input} other {{file}}} is not JSON: {detail}.',
  'database-away': 'The database does not answer. Your edits are kept and will be saved when it is back.',
  'refused-by-database': 'The database does not take these values. Check the last thing you entered.',
  'broken-text': '{at}: this text ends in half a character. Type it again.',
  'offer-withdrawn': 'This offer was withdrawn. Ask whoever sent it for the present one.',
  'not-allowed': 'This is for whoever runs the server.',
  'wrong-host': 'This server does not answer to this name. Whoever runs it can add the name with HOSTS.',
  'too-many-requests':
    'That was too much at once. Try again in {seconds, plural, one {# second} other {# seconds}}.',
  'server-busy': 'The server is busy. Try again in a few seconds.',
  'given-up': 'Nobody waited for the answer any more.',
  'too-heavy':
    '{reason, select, memory {This takes more memory than the server may use.} other {This takes longer than the server may compute.}} Make the job smaller, or split it in two.',
  'too-much-shade':
    '{modules, number} modules among {casters, number} things that may shade them are more than the server computes. Take away trees or objects that stand far off, or split the job in two.',
  'pdf-busy': 'Other offers are being printed. Try again in a few seconds.',
  'pdf-failed':
    '{reason, select, address {This server does not know its own address (APP_ORIGIN), so it cannot print.} other {The PDF could not be printed. Open the offer itself and print it from your browser.}}',
  unexpected: 'Something went wrong. Try again; if it happens again, contact your administrator.',
  'server-away': 'The server does not answer. Your edits are kept; try again in a moment.',
  'server-answered': 'The server answered with status {status}.',
  'wrong-version': 'The page speaks version {page}, the worker {worker}. Reload the page.',
  'worker-stopped': 'The computation stopped. It is started again.',
} as const
