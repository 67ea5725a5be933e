/** An afternoon in May, when shadows are readable: day 0..364 and hour of the clock. */
export const usualMoment = { day: 135, hour: 14.5 } as const
