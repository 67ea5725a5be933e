import { type Mark } from '../drawing/paper'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { letters, textMm } from './sheet'
import { type ToScale } from './to-scale'

/** Cables as they are led, and what they lead to, each with its name. */
export interface CablesDrawn {
  readonly ways: readonly (readonly Vec3[])[]
  readonly devices: readonly { readonly at: Vec3; readonly name: string }[]
}

/** Half of a device's square, mm. */
const halfMm = 1.3

/** From above: cables as lines, devices as squares with their names, one below the other where they would meet. */
export function cableMarks({ ways, devices }: CablesDrawn, view: ToScale): Mark[] {
  const taken: Vec2[] = []
  return [
    ...ways.map((points): Mark => ({
      layer: 'CABLES',
      is: 'line',
      points: points.map(view.at),
      widthMm: 0.45,
    })),
    ...devices.flatMap(({ at, name }): Mark[] => {
      const [x, y] = view.at(at)
      let line = y + halfMm + textMm * 1.1
      while (taken.some(([a, b]) => Math.abs(a - x) < 25 && Math.abs(b - line) < textMm)) line += textMm * 1.2
      taken.push([x, line])
      return [
        {
          layer: 'DEVICES',
          is: 'line',
          closed: true,
          points: [
            [x - halfMm, y - halfMm],
            [x + halfMm, y - halfMm],
            [x + halfMm, y + halfMm],
            [x - halfMm, y + halfMm],
          ],
          widthMm: 0.35,
          fill: 1,
        },
        letters(name, [x, line], { layer: 'DEVICES', anchor: 'middle', bold: true, halo: true }),
      ]
    }),
  ]
}
