import {
  BufferGeometry,
  Color,
  Float32BufferAttribute,
  Group,
  Mesh,
  MeshBasicMaterial,
  SRGBColorSpace,
} from 'three'
import { type FaceSunMap } from '@/core/energy/sun-map'
import { facets } from '@/core/geometry/facets'
import { containsPoint } from '@/core/geometry/polygon'
import { dot3, sub3, type Vec2, type Vec3 } from '@/core/geometry/vector'
import { type RoofPlane } from '@/core/roof/plane'
import { sunMapColour } from './palette'

/** The light on roof planes, as it is shown. */
export interface ShownSunMap {
  readonly faces: readonly { readonly face: RoofPlane; readonly map: FaceSunMap }[]
  /** What the ramp ends at, in the unit of the map. */
  readonly best: number
}

/** How far over the roof it is laid, under the modules. */
const liftM = 0.002

const paint = new MeshBasicMaterial({
  vertexColors: true,
  polygonOffset: true,
  polygonOffsetFactor: -0.5,
  polygonOffsetUnits: -1,
})

/** Cells of the map as small flat pieces over the roof, those on its edge cut along it. */
export function sunMapShapes({ faces, best }: ShownSunMap): Group {
  const group = new Group()
  const positions: number[] = []
  const colours: number[] = []
  const colour = new Color()
  for (const { face, map } of faces) {
    const outline = flatOn(map, face.corners)
    const holes = (face.holes ?? []).map((hole) => flatOn(map, hole))
    const inSpace = ([x, y]: Vec2): Vec3 => [
      map.origin[0] + x * map.across[0] + y * map.along[0] + liftM * face.normal[0],
      map.origin[1] + x * map.across[1] + y * map.along[1] + liftM * face.normal[1],
      map.origin[2] + x * map.across[2] + y * map.along[2] + liftM * face.normal[2],
    ]
    for (let row = 0; row < map.rows; row++)
      for (let column = 0; column < map.columns; column++) {
        const value = map.values[row * map.columns + column] ?? 0
        const cell = pieceIn(outline, column * map.stepM, row * map.stepM, map.stepM)
        if (cell.length < 3 || holes.some((hole) => containsPoint(hole, middleOf(cell)))) continue
        const [r, g, b] = sunMapColour(value / best)
        colour.setRGB(r / 255, g / 255, b / 255, SRGBColorSpace)
        for (const triangle of facets(cell.map(inSpace)))
          for (const corner of triangle) {
            positions.push(...corner)
            colours.push(colour.r, colour.g, colour.b)
          }
      }
  }
  if (positions.length === 0) return group
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3))
  geometry.setAttribute('color', new Float32BufferAttribute(colours, 3))
  group.add(new Mesh(geometry, paint))
  return group
}

const flatOn = ({ origin, across, along }: FaceSunMap, corners: readonly Vec3[]): Vec2[] =>
  corners.map((corner): Vec2 => {
    const at = sub3(corner, origin)
    return [dot3(at, across), dot3(at, along)]
  })

const middleOf = (polygon: readonly Vec2[]): Vec2 => [
  polygon.reduce((sum, [x]) => sum + x, 0) / polygon.length,
  polygon.reduce((sum, [, y]) => sum + y, 0) / polygon.length,
]

/** What of a polygon lies in a cell (Sutherland & Hodgman 1974). */
function pieceIn(polygon: readonly Vec2[], x: number, y: number, stepM: number): readonly Vec2[] {
  const bounds = [
    ([px]: Vec2) => px - x,
    ([px]: Vec2) => x + stepM - px,
    ([, py]: Vec2) => py - y,
    ([, py]: Vec2) => y + stepM - py,
  ]
  let left: readonly Vec2[] = polygon
  for (const inside of bounds) {
    const next: Vec2[] = []
    left.forEach((a, i) => {
      const b = left[(i + 1) % left.length] ?? a
      const [da, db] = [inside(a), inside(b)]
      if (da >= 0) next.push(a)
      if (da > 0 !== db > 0 && da !== db) {
        const share = da / (da - db)
        next.push([a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])])
      }
    })
    left = next
  }
  return left
}
