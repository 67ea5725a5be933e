'use client'

import { type Rack } from '@/core/kinds/rack/rack'
import { later } from '@/words/en/later'
import { useBench, useSession, useSite } from '../../context'
import { ChoiceField, LengthField, NumberField } from '../../fields/fields'
import { ArrayFacts } from '../array-facts'
import { NameField } from '../name-field'

/** Modules on the ground: how many, how they stand and turn. */
export function RackCard({ object: rack }: { readonly object: Rack }) {
  const { documents, site: standing } = useBench()
  const optionId = useSession((s) => s.optionId)
  const site = useSite()
  const fields = later.fields.rack
  const laid = standing().arrays.find(({ id }) => id === rack.id)
  const of = { documentId: optionId, objectId: rack.id }
  const turning = rack.tracking !== 'fixed'
  return (
    <>
      <NameField documentId={optionId} id={rack.id} name={rack.name} />
      <ArrayFacts id={rack.id} laid={laid} />
      <ChoiceField
        label={fields.tracking}
        value={rack.tracking}
        choices={[
          { value: 'fixed', label: 'fixed' },
          { value: 'one-axis', label: 'one axis' },
          { value: 'two-axis', label: 'two axes' },
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
      <NumberField {...of} label={fields.rows} name="Rows" value={rack.rows} fields={(rows) => ({ rows })} />
      <NumberField
        {...of}
        label={fields.columns}
        name="Modules per row"
        value={rack.columns}
        fields={(columns) => ({ columns })}
      />
      {rack.rows > 1 && (
        <LengthField
          {...of}
          label={fields.rowPitchM}
          name="Row pitch"
          value={rack.rowPitchM}
          fields={(rowPitchM) => ({ rowPitchM })}
        />
      )}
      {rack.tracking !== 'two-axis' && (
        <>
          <NumberField
            {...of}
            label={turning ? 'Axis tilt' : fields.tiltDeg}
            name="Tilt"
            unit="°"
            digits={1}
            value={rack.tiltDeg}
            fields={(tiltDeg) => ({ tiltDeg })}
          />
          <NumberField
            {...of}
            label={turning ? 'Axis azimuth' : fields.azimuthDeg}
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
          label={fields.limitDeg}
          name="Rotation limit"
          unit="°"
          value={rack.limitDeg}
          fields={(limitDeg) => ({ limitDeg })}
        />
      )}
      {rack.tracking === 'one-axis' && (
        <label className="flex items-center gap-2 py-1">
          <span className="flex-1 text-pencil">{fields.backtracking}</span>
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
        label={turning ? 'Axis height' : fields.clearanceM}
        name="Clearance"
        value={rack.clearanceM}
        fields={(clearanceM) => ({ clearanceM })}
      />
      <ChoiceField
        label={fields.orientation}
        value={rack.orientation}
        choices={[
          { value: 'portrait', label: 'portrait' },
          { value: 'landscape', label: 'landscape' },
        ]}
        onChoose={(orientation) => documents.set('Orientation', optionId, rack.id, { orientation })}
      />
    </>
  )
}
