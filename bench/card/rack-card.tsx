'use client'

import { type Rack } from '@/core/model/kinds/rack'
import { useBench, useNumbers, useSession, useSite } from '../context'
import { ChoiceField, LengthField, NumberField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { number } from '../format'
import { removeObject } from '../tools/select/edits'
import { useToolContext } from '../use-tool-context'
import { Fact, Frame } from './frame'

/** Modules on the ground: how many, how they stand and turn. */
export function RackCard({ rack }: { readonly rack: Rack }) {
  const { documents, scene } = useBench()
  const optionId = useSession((s) => s.optionId)
  const context = useToolContext()
  const site = useSite()
  const { numbers } = useNumbers()
  const laid = scene().laid.arrays.find((a) => a.id === rack.id)
  const of = { documentId: optionId, objectId: rack.id }
  const panels = numbers?.summary.panels.filter((panel) => panel.arrayId === rack.id) ?? []
  const access = panels.reduce((sum, panel) => sum + panel.sunAccess, 0) / Math.max(1, panels.length)
  const turning = rack.tracking !== 'fixed'
  return (
    <Frame title={rack.name} kind="on the ground" onDelete={() => removeObject(context, rack.id)}>
      <TextField
        label="Name"
        shown={rack.name}
        width="words"
        onType={(text) => documents.set('Name', optionId, rack.id, { name: text })}
      />
      <Fact
        label="Modules"
        value={String(laid?.panels.length ?? 0)}
        unit={laid && laid.empty.length > 0 ? `${laid.empty.length} taken away` : ''}
      />
      <Fact label="Sun access" value={panels.length > 0 ? number(access * 100, site, 1) : '–'} unit="%" />
      <ChoiceField
        label="Turns"
        value={rack.tracking}
        choices={[
          { value: 'fixed', label: 'not at all' },
          { value: 'one-axis', label: 'on one axis' },
          { value: 'two-axis', label: 'on two axes' },
        ]}
        onChoose={(tracking) =>
          documents.set('Tracking', optionId, rack.id, {
            tracking,
            // An axis lies level and north to south unless told otherwise.
            ...(tracking === 'one-axis' ? { tiltDeg: 0, azimuthDeg: 0 } : {}),
            ...(tracking === 'fixed' ? { tiltDeg: 30, azimuthDeg: site.latitudeDeg < 0 ? 0 : 180 } : {}),
          })
        }
      />
      <NumberField {...of} label="Rows" name="Rows" value={rack.rows} fields={(rows) => ({ rows })} />
      <NumberField
        {...of}
        label="Modules a row"
        name="Modules a row"
        value={rack.columns}
        fields={(columns) => ({ columns })}
      />
      {rack.rows > 1 && (
        <LengthField
          {...of}
          label="Row to row"
          name="Row pitch"
          value={rack.rowPitchM}
          fields={(rowPitchM) => ({ rowPitchM })}
        />
      )}
      {rack.tracking !== 'two-axis' && (
        <>
          <NumberField
            {...of}
            label={turning ? 'Axis rises by' : 'Tilt'}
            name="Tilt"
            unit="°"
            digits={1}
            value={rack.tiltDeg}
            fields={(tiltDeg) => ({ tiltDeg })}
          />
          <NumberField
            {...of}
            label={turning ? 'Axis towards' : 'Azimuth'}
            name="Azimuth"
            unit="°"
            value={rack.azimuthDeg}
            fields={(azimuthDeg) => ({ azimuthDeg })}
          />
        </>
      )}
      {turning && (
        <NumberField
          {...of}
          label="Turns up to"
          name="Greatest turn"
          unit="°"
          value={rack.limitDeg}
          fields={(limitDeg) => ({ limitDeg })}
        />
      )}
      {rack.tracking === 'one-axis' && (
        <label className="flex items-center gap-2 py-1">
          <span className="flex-1 text-pencil">Turns back before rows shade each other</span>
          <input
            type="checkbox"
            className="accent-verdigris"
            checked={rack.backtracking}
            onChange={(event) =>
              documents.set('Backtracking', optionId, rack.id, { backtracking: event.target.checked })
            }
          />
        </label>
      )}
      <LengthField
        {...of}
        label={turning ? 'Axis over ground' : 'Lower edge'}
        name="Clearance"
        value={rack.clearanceM}
        fields={(clearanceM) => ({ clearanceM })}
      />
      <ChoiceField
        label="They lie"
        value={rack.orientation}
        choices={[
          { value: 'portrait', label: 'portrait' },
          { value: 'landscape', label: 'landscape' },
        ]}
        onChoose={(orientation) => documents.set('Orientation', optionId, rack.id, { orientation })}
      />
    </Frame>
  )
}
