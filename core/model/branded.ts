/**
 * Has `instanceof` know instances of a class by a mark instead of by identity. A server bundles a module more than once,
 * and what one copy made, and keeps for the process, must be known to the others.
 */
export const bearsMark =
  (mark: symbol) =>
  (value: unknown): boolean =>
    typeof value === 'object' && value !== null && mark in value
