/** How a module looks from the street. */
export const moduleColours = ['all-black', 'black-frame', 'silver-frame'] as const

/** Bypass-diode strips of a module: more are not told apart by the points that shade is sought at. */
export const mostStrips = 30
