import { type ModuleSize, noCheck, noDrag, noHandles, standing } from '../standing'
import { type Kind } from '../kind'
import { turnedPoint } from '../turn'
import { rackGeometry } from './geometry'
import { rackMigrations, rackSchema, rackVersion, type Rack } from './rack'

/** From 0 to under 360, in hundredths. */
const compassDeg = (deg: number) => Number((((deg % 360) + 360) % 360).toFixed(2)) % 360

export const rackKind: Kind<Rack> = {
  kind: 'rack',
  document: 'option',
  schema: rackSchema,
  version: rackVersion,
  migrations: rackMigrations,
  singles: null,
  standing: standing<Rack, 'name' | 'removed', ModuleSize | null>({
    rank: 'field',
    ignores: ['name', 'removed'],
    reads: (_rack, { module }) => module && { widthM: module.widthM, lengthM: module.lengthM },
    build: rackGeometry,
    handles: noHandles,
    drag: noDrag,
    check: noCheck,
    move: {
      middle: (rack) => rack.center,
      to: (_rack, center) => ({ center }),
      along: 'level',
      turned: ({ center, azimuthDeg }, about, clockwiseDeg) => ({
        center: turnedPoint(center, about, clockwiseDeg),
        azimuthDeg: compassDeg(azimuthDeg + clockwiseDeg),
      }),
    },
    carrier: {
      airGapM: () => null,
      removed: (rack) => rack.removed,
      withRemoved: (_rack, removed) => ({ removed }),
      liesOn: () => null,
      laidOn: () => ({}),
    },
  }),
  parts: ({ id }, { panelsOn, moduleId }) => [{ what: 'module', typeId: moduleId, count: panelsOn(id) }],
}
