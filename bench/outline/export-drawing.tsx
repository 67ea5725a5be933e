'use client'

import { type DrawnForm } from '@/core/exports/write'
import { saveFile } from '../save-file'
import { useBench, useHouse, useOption, useSayer, useSite } from '../context'

/** The forms, with what each is for. */
const forms: readonly { readonly form: DrawnForm; readonly label: string; readonly says: string }[] = [
  {
    form: 'dxf',
    label: 'DXF',
    says: 'Drawing with planes, obstructions, modules, rails and dimensions on layers',
  },
  { form: 'glb', label: 'GLB', says: '3D model' },
  { form: 'geojson', label: 'GeoJSON', says: 'Outlines with longitude and latitude' },
]

/** Takes the model along as a file for other programs. */
export function ExportDrawing() {
  const { site: standing, catalogue } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const sayer = useSayer()
  const { address, latitudeDeg, longitudeDeg, elevationM, units, locale } = useSite()
  const save = async (form: DrawnForm) => {
    // Read when it is asked for: the bench opens without it.
    const [{ mediaTypes, written }, { holdingsIn }] = await Promise.all([
      import('@/core/exports/write'),
      import('@/core/stages/structure'),
    ])
    const place = { latitudeDeg, longitudeDeg, elevationM }
    const site = standing()
    const holdings = holdingsIn(site, { house, option, catalogue })
    const content = written(
      form,
      { site, place, holdings, nameOf: (id) => sayer.name(id) },
      { units, locale },
    )
    const name = address.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'house'
    saveFile(content, `${name}.${form}`, mediaTypes[form])
  }
  return (
    <section className="mt-3 px-2" aria-label="Export the model">
      <p className="quiet mb-1">Export the model</p>
      <div className="flex gap-1.5">
        {forms.map(({ form, label, says }) => (
          <button
            key={form}
            type="button"
            className="button flex-1 px-1 text-[12px]"
            title={says}
            onClick={() => void save(form)}
          >
            {label}
          </button>
        ))}
      </div>
    </section>
  )
}
