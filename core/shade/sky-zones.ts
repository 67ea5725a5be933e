/** Patches of the sky that losses are told by: this many degrees of azimuth and of elevation. */
export const zone = { azimuthDeg: 15, elevationDeg: 10 } as const
export const zones = { across: 360 / zone.azimuthDeg, up: 90 / zone.elevationDeg } as const

/** The patch that a direction lies in: `row of elevation * zones.across + column of azimuth from north`. */
export function zoneAt(azimuthDeg: number, elevationDeg: number): number {
  const column = Math.floor(azimuthDeg / zone.azimuthDeg) % zones.across
  const row = Math.max(0, Math.min(zones.up - 1, Math.floor(elevationDeg / zone.elevationDeg)))
  return row * zones.across + column
}
