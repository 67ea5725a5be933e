/**
 * The measures of another use, type or sort of a thing: those that are still the usual ones of the old become the usual
 * ones of the new, those that somebody has set stay.
 */
export const withUsual = <M extends object>(object: M, old: M, next: M): M =>
  Object.fromEntries(
    (Object.keys(next) as (keyof M)[]).map((field) => [
      field,
      object[field] === old[field] ? next[field] : object[field],
    ]),
  ) as M
