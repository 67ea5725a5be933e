import { type HeatLoss } from './cell-temperature'
import { type LitString } from './string-year'
import { type PanelLight } from './panel-light'
import { type PlaneLight } from './plane-light'

/** A module with nothing in its light: what passes the glass lights all of it. */
export function openPanel(light: PlaneLight, stepMinutes: number): PanelLight {
  const mean = new Float32Array(light.direct.length)
  let sum = 0
  for (let k = 0; k < mean.length; k++) {
    const value = Math.max(
      0,
      (light.direct[k] as number) +
        (light.dome[k] as number) +
        (light.horizon[k] as number) +
        (light.ground[k] as number),
    )
    mean[k] = value
    sum += value
  }
  const kwhM2 = (sum * stepMinutes) / 60_000
  return {
    mean,
    shaded: new Int32Array(0),
    strips: new Float32Array(0),
    stripCount: 1,
    unshadedKwhM2: kwhM2,
    meanKwhM2: kwhM2,
    lostTo: [],
  }
}

/** All modules of an unshaded array as one string: they are alike. */
export const openString = (
  light: PlaneLight,
  stepMinutes: number,
  heat: HeatLoss,
  snowLost: Float32Array | null,
): LitString => ({
  panels: [openPanel(light, stepMinutes)],
  conditions: { light, heat, snowLost },
  connected: true,
})
