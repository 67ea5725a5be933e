import { type UnitSystem } from '../model/units'
import { type Drawn } from './drawn'
import { dxfOf } from './dxf'
import { geoJsonOf } from './geojson'
import { glbOf } from './glb'

/** The forms that a job's geometry is written in. */
export const drawnForms = ['dxf', 'glb', 'geojson'] as const
export type DrawnForm = (typeof drawnForms)[number]

/** Media types by form, as they are registered. */
export const mediaTypes: Readonly<Record<DrawnForm, string>> = {
  dxf: 'image/vnd.dxf',
  glb: 'model/gltf-binary',
  geojson: 'application/geo+json',
}

/** What is there as a file; figures on a drawing are written as people at the job write them. */
export function written(
  form: DrawnForm,
  drawn: Drawn,
  { units, locale }: { readonly units: UnitSystem; readonly locale: string },
): string | Uint8Array<ArrayBuffer> {
  if (form === 'dxf') return dxfOf(drawn, units, locale)
  return form === 'glb' ? glbOf(drawn) : `${JSON.stringify(geoJsonOf(drawn))}\n`
}
