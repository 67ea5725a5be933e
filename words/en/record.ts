import { type PermitState } from '@/core/kinds/permit/permit'

/** What the team knows of a place beside its model: who went there, what was photographed, what is allowed. */
export const record = {
  open: 'Visits, photos, permits',
  title: 'Visits, photos and permits',
  summary:
    '{visits, plural, =0 {no visit} one {# visit} other {# visits}} · {photos, plural, =0 {no photo} one {# photo} other {# photos}} · {permits, plural, =0 {no permit} one {# permit} other {# permits}}',
  inside: 'For the team alone: none of it stands in the proposal.',
  visits: 'Visits',
  addVisit: 'Add visit',
  noVisit: 'Nobody has been there yet. Add a visit to keep who went, and what was agreed and measured.',
  photos: 'Photos',
  addPhotos: 'Add photos',
  adding: 'Adding {done, number} of {all, number} …',
  noPhoto:
    'No photos yet. The meter, the main panel, the rafters and every side of the roof are usually asked for.',
  openOne: 'Open photo: {caption}',
  untitled: 'Photo',
  whole: 'the place as a whole',
  gone: 'something that is gone',
  permits: 'Permits',
  addPermit: 'Add permit',
  noPermit: 'No permits yet. Add what the authority and the grid operator have to allow.',
  remove: 'Delete',
  removed: '{name} deleted',
  refused: '{name}: {why}',
} as const

/** How far a permit has come. */
export const permitStates: Readonly<Record<PermitState, string>> = {
  'to-apply': 'to apply for',
  applied: 'applied for',
  granted: 'granted',
  refused: 'refused',
}
