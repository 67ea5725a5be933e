/** Below this the air brings snow, °C; and how dark a sky must be to bring any. */
const snowAirC = 0.5
const darkSky = 0.35
/** Chance of snow in such an hour, and how much it brings at most, metres. */
const snowChance = 0.22
const mostAnHourM = 0.022
/** Snow that melts in an hour for each kelvin above freezing, metres of depth; and what settles of it. */
const meltPerKelvinM = 0.0011
const settling = 0.9985

/**
 * Snow on the ground from air and sky: falls in dark hours of frost, settles, melts with the degrees above freezing.
 * @returns metres an hour of the year; null where none ever lies
 */
export function snowOnGround(
  temperatureC: Float64Array,
  skyIndex: Float64Array,
  random: () => number,
): Float64Array | null {
  const depth = new Float64Array(temperatureC.length)
  let lying = 0
  let any = false
  // Two turns, so that January begins with what December left.
  for (let turn = 0; turn < 2; turn++)
    for (let i = 0; i < depth.length; i++) {
      const air = temperatureC[i] as number
      const falls = random() < snowChance && air < snowAirC && (skyIndex[i] as number) < darkSky
      lying = lying * settling + (falls ? mostAnHourM * random() : 0) - Math.max(0, air) * meltPerKelvinM
      lying = lying < 0.001 ? 0 : lying
      depth[i] = lying
      if (lying > 0) any = true
    }
  return any ? depth : null
}
