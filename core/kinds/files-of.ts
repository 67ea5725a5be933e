import { ofKind, type Objects } from './documents'

/** The kept files that a house names, each once: what lies under its model, and its photos. */
export const filesOf = (house: Objects): string[] => [
  ...new Set([
    ...ofKind(house, 'underlay').map(({ fileId }) => fileId),
    ...ofKind(house, 'photo').map(({ fileId }) => fileId),
  ]),
]
