/** Hours of the local clock, `fromHour` within and `toHour` not. */
interface HoursOfDay {
  readonly fromHour: number
  readonly toHour: number
}

/** Whole hours from one to the other, over midnight where the first is later; all day where they are one. */
export const inHours = ({ fromHour, toHour }: HoursOfDay, hour: number): boolean =>
  fromHour === toHour
    ? true
    : fromHour < toHour
      ? hour >= fromHour && hour < toHour
      : hour >= fromHour || hour < toHour
