'use client'

import { mountNames, type PanelArray } from '@/core/model/kinds/array'
import { formatArea } from '@/core/model/units'
import { useBench, useHouse, useNumbers, useSession, useSite } from '../context'
import { ChoiceField, LengthField } from '../fields/fields'
import { number } from '../format'
import { removeObject, removeSelected } from '../tools/select/edits'
import { useToolContext } from '../use-tool-context'
import { Fact, Frame } from './frame'

const mounts = (['close', 'raised', 'open'] as const).map((value) => ({ value, label: mountNames[value] }))

/** Modules on a roof plane. */
export function ArrayCard({ array }: { readonly array: PanelArray }) {
  const { documents, scene } = useBench()
  const optionId = useSession((s) => s.optionId)
  const context = useToolContext()
  const site = useSite()
  const { numbers } = useNumbers()
  const laid = scene().laid.arrays.find((a) => a.id === array.id)
  const plane = scene()
    .roofs.get(array.volumeId)
    ?.planes.find((p) => p.edgeIndex === array.edgeIndex)
  const panels = numbers?.summary.panels.filter((panel) => panel.arrayId === array.id) ?? []
  const access =
    panels.length > 0 ? panels.reduce((sum, panel) => sum + panel.sunAccess, 0) / panels.length : 1
  return (
    <Frame
      title={laid ? arrayName(laid.plane.azimuthDeg) : 'Array'}
      kind="array"
      onDelete={() => removeObject(context, array.id)}
    >
      <Fact
        label="Modules"
        value={String(laid?.panels.length ?? 0)}
        unit={laid && laid.empty.length > 0 ? `${laid.empty.length} taken away` : ''}
      />
      {laid && (
        <Fact
          label="Tilt, azimuth"
          value={`${laid.plane.pitchDeg.toFixed(1)}° · ${laid.plane.azimuthDeg.toFixed(0)}°`}
        />
      )}
      {plane && <Fact label="Plane" value={formatArea(plane.areaM2, site.units)} />}
      <Fact label="Sun access" value={number(access * 100, site, 1)} unit="%" />
      <ChoiceField
        label="They lie"
        value={array.orientation}
        choices={[
          { value: 'portrait', label: 'portrait' },
          { value: 'landscape', label: 'landscape' },
          { value: 'best', label: 'as more fit' },
        ]}
        onChoose={(orientation) => documents.set('Orientation', optionId, array.id, { orientation })}
      />
      <ChoiceField
        label="Mounted"
        value={array.mount}
        choices={mounts}
        onChoose={(mount) => documents.set('Mounting', optionId, array.id, { mount })}
      />
      <LengthField
        label="Gap"
        name="Gap"
        documentId={optionId}
        objectId={array.id}
        value={array.gapM}
        fields={(gapM) => ({ gapM })}
      />
      {array.removed.length > 0 && (
        <button
          type="button"
          className="mt-1 cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => documents.set('Restore modules', optionId, array.id, { removed: [] })}
        >
          Put all {array.removed.length} back
        </button>
      )}
    </Frame>
  )
}

/** One module. */
export function PanelCard({ id, arrayId }: { readonly id: string; readonly arrayId: string }) {
  const { numbers } = useNumbers()
  const { session } = useBench()
  const context = useToolContext()
  const site = useSite()
  const house = useHouse()
  const panel = numbers?.summary.panels.find((p) => p.id === id)
  const worst = panel?.worst && panel.worst.kwh >= 1 ? house[panel.worst.id] : undefined
  return (
    <Frame title="Module" kind={panel?.stringId ? `string ${panel.stringId}` : 'module'}>
      <Fact label="Sun in it" value={number(panel?.sunKwhM2 ?? 0, site)} unit="kWh/m²" />
      <Fact label="Sun access" value={number((panel?.sunAccess ?? 1) * 100, site, 1)} unit="%" />
      {worst && 'name' in worst && (
        <Fact label="Shaded by" value={worst.name} unit={`${number(panel?.worst?.kwh ?? 0, site)} kWh`} />
      )}
      <div className="mt-1.5 flex gap-3">
        <button
          type="button"
          className="cursor-pointer text-[12px] text-clay hover:underline"
          onClick={() => removeSelected(context)}
        >
          Delete (Del)
        </button>
        <button
          type="button"
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => session.setState({ selection: { kind: 'object', id: arrayId } })}
        >
          Whole array
        </button>
      </div>
    </Frame>
  )
}

const sides = ['North', 'North-east', 'East', 'South-east', 'South', 'South-west', 'West', 'North-west']

/** What an array is called: the way it looks. */
export const arrayName = (azimuthDeg: number) => sides[Math.round(azimuthDeg / 45) % 8] ?? 'Array'
