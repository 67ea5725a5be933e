'use client'

import { ofKind } from '@/core/model/document'
import { isGable, type Volume } from '@/core/model/kinds/volume'
import { type Chimney } from '@/core/model/kinds/chimney'
import { type Tree } from '@/core/model/kinds/tree'
import { type PanelArray } from '@/core/model/kinds/array'
import { type Rack } from '@/core/model/kinds/rack'
import { buildRoof } from '@/core/roof/roof'
import { Fault } from '@/core/model/fault'
import { formatArea } from '@/core/model/units'
import { useBench, useHouse, useNumbers, useOption, useSession, useSite } from '../context'
import { ChoiceField, LengthField, NumberField, PercentField, SlopeField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { number } from '../format'
import { houseId } from '../store/documents'
import { removeObject, removeSelected } from '../tools/select/edits'
import { toggled } from '../tools/gable/toggling'
import { useToolContext } from '../use-tool-context'

/** The small panel by the selected object with its measures, all of them editable. */
export function Card() {
  const selection = useSession((s) => s.selection)
  const house = useHouse()
  const option = useOption()
  if (!selection) return null
  const object = house[selection.id] ?? option[selection.id]
  if (selection.kind === 'panel') return <PanelCard id={selection.id} arrayId={selection.arrayId} />
  if (object?.kind === 'volume') return <VolumeCard volume={object} />
  if (object?.kind === 'chimney') return <ChimneyCard chimney={object} />
  if (object?.kind === 'tree') return <TreeCard tree={object} />
  if (object?.kind === 'array') return <ArrayCard array={object} />
  if (object?.kind === 'rack') return <RackCard rack={object} />
  return null
}

function Frame({
  title,
  kind,
  children,
  onDelete,
}: {
  readonly title: string
  readonly kind: string
  readonly children: React.ReactNode
  readonly onDelete?: () => void
}) {
  const { session } = useBench()
  return (
    <aside
      aria-label={`${title}, ${kind}`}
      className="absolute top-3 left-3 z-10 max-h-[calc(100%-24px)] w-56 overflow-y-auto rounded-lg border border-line bg-card px-3 py-2 shadow-md"
    >
      <div className="mb-1 flex items-baseline gap-2">
        <h3 className="min-w-0 flex-1 truncate text-[14px] font-semibold">{title}</h3>
        <span className="quiet">{kind}</span>
        <button
          type="button"
          aria-label="Close the card"
          className="cursor-pointer px-1 text-pencil hover:text-ink"
          onClick={() => session.setState({ selection: null })}
        >
          ×
        </button>
      </div>
      {children}
      {onDelete && (
        <button
          type="button"
          className="mt-1.5 cursor-pointer text-[12px] text-clay hover:underline"
          onClick={onDelete}
        >
          Delete
        </button>
      )}
    </aside>
  )
}

function NameField({ id, name }: { readonly id: string; readonly name: string }) {
  const { documents } = useBench()
  return (
    <TextField
      label="Name"
      shown={name}
      width="words"
      onType={(text) => documents.set('Name', houseId, id, { name: text })}
    />
  )
}

function Fact({
  label,
  value,
  unit = '',
}: {
  readonly label: string
  readonly value: string
  readonly unit?: string
}) {
  return (
    <div className="flex items-baseline gap-2 py-0.5">
      <span className="flex-1 text-pencil">{label}</span>
      <span className="font-semibold">
        {value} <span className="text-[12px] font-normal text-pencil">{unit}</span>
      </span>
    </div>
  )
}

function VolumeCard({ volume }: { readonly volume: Volume }) {
  const { documents, session } = useBench()
  const context = useToolContext()
  const pitches = volume.edges.flatMap((edge) => (isGable(edge) ? [] : [edge.pitchDeg]))
  const first = pitches[0] ?? 30
  const same = pitches.every((pitch) => Math.abs(pitch - first) < 0.01)
  const setEdges = (edges: Volume['edges']): string | null => {
    try {
      buildRoof({ ...volume, edges })
    } catch (error) {
      if (error instanceof Fault) return error.message
      throw error
    }
    return documents.set('Roof', houseId, volume.id, { edges })
  }
  return (
    <Frame
      title={volume.name}
      kind={volume.role === 'house' ? 'building' : 'neighbour'}
      onDelete={() => removeObject(context, volume.id)}
    >
      <NameField id={volume.id} name={volume.name} />
      <LengthField
        label="Storey height"
        name="Storey height"
        documentId={houseId}
        objectId={volume.id}
        value={volume.eaveHeightM}
        fields={(eaveHeightM) => ({ eaveHeightM })}
      />
      <SlopeField
        label={same ? 'Pitch' : 'Pitch, all'}
        name="Pitch"
        documentId={houseId}
        objectId={volume.id}
        value={first}
        fields={(pitchDeg) => ({ edges: volume.edges.map((edge) => (isGable(edge) ? edge : { pitchDeg })) })}
      />
      <ChoiceField
        label="Part of"
        value={volume.role}
        choices={[
          { value: 'house', label: 'the house' },
          { value: 'neighbour', label: 'the neighbours' },
        ]}
        onChoose={(role) => documents.set('Role', houseId, volume.id, { role })}
      />
      <p className="quiet mt-1.5 mb-0.5">Edges</p>
      <ul>
        {volume.edges.map((edge, i) => (
          <li
            key={i}
            className="flex items-center gap-1.5"
            onMouseEnter={() => session.setState({ lit: [`${volume.id}/e${i}`] })}
            onMouseLeave={() => session.setState({ lit: [] })}
          >
            <span className="w-4 text-[12px] text-pencil">{i + 1}</span>
            <div className="min-w-0 flex-1">
              {isGable(edge) ? (
                <span className="block py-1 text-pencil">gable</span>
              ) : (
                <SlopeField
                  label={<span className="sr-only">Pitch of edge {i + 1}</span>}
                  name="Pitch"
                  documentId={houseId}
                  objectId={volume.id}
                  value={edge.pitchDeg}
                  fields={(pitchDeg) => ({ edges: volume.edges.map((e, k) => (k === i ? { pitchDeg } : e)) })}
                />
              )}
            </div>
            <button
              type="button"
              className="cursor-pointer text-[12px] text-verdigris hover:underline"
              onClick={() => {
                const wrong = setEdges(toggled(volume, i).edges)
                if (wrong) session.setState({ toast: { id: Date.now(), text: wrong, undo: false } })
              }}
            >
              {isGable(edge) ? 'to eave' : 'to gable'}
            </button>
          </li>
        ))}
      </ul>
    </Frame>
  )
}

function ChimneyCard({ chimney }: { readonly chimney: Chimney }) {
  const context = useToolContext()
  const of = { documentId: houseId, objectId: chimney.id }
  return (
    <Frame title={chimney.name} kind="obstruction" onDelete={() => removeObject(context, chimney.id)}>
      <NameField id={chimney.id} name={chimney.name} />
      <LengthField
        {...of}
        label="Height over roof"
        name="Height"
        value={chimney.heightM}
        fields={(heightM) => ({ heightM })}
      />
      <LengthField
        {...of}
        label="Width"
        name="Width"
        value={chimney.widthM}
        fields={(widthM) => ({ widthM })}
      />
      <LengthField
        {...of}
        label="Depth"
        name="Depth"
        value={chimney.depthM}
        fields={(depthM) => ({ depthM })}
      />
      <NumberField
        {...of}
        label="Turn"
        name="Turn"
        unit="°"
        digits={1}
        value={chimney.rotationDeg}
        fields={(rotationDeg) => ({ rotationDeg })}
      />
      <LengthField
        {...of}
        label="Kept free"
        name="Clearance"
        value={chimney.clearanceM}
        fields={(clearanceM) => ({ clearanceM })}
      />
      <Cost id={chimney.id} />
    </Frame>
  )
}

function TreeCard({ tree }: { readonly tree: Tree }) {
  const context = useToolContext()
  const of = { documentId: houseId, objectId: tree.id }
  const summer = Math.min(...tree.transmissivity)
  const winter = Math.max(...tree.transmissivity)
  return (
    <Frame title={tree.name} kind="tree" onDelete={() => removeObject(context, tree.id)}>
      <NameField id={tree.id} name={tree.name} />
      <LengthField
        {...of}
        label="Height"
        name="Height"
        value={tree.heightM}
        fields={(heightM) => ({ heightM })}
      />
      <LengthField
        {...of}
        label="Crown"
        name="Crown"
        value={tree.crownDiameterM}
        fields={(crownDiameterM) => ({ crownDiameterM })}
      />
      <PercentField
        {...of}
        digits={0}
        label="Lets through, in leaf"
        name="Light in leaf"
        value={summer}
        fields={(v) => ({ transmissivity: tree.transmissivity.map((t) => (t === summer ? v : t)) })}
      />
      {winter !== summer && (
        <PercentField
          {...of}
          digits={0}
          label="Lets through, bare"
          name="Light when bare"
          value={winter}
          fields={(v) => ({ transmissivity: tree.transmissivity.map((t) => (t === winter ? v : t)) })}
        />
      )}
      <Cost id={tree.id} />
    </Frame>
  )
}

/** What the object's shade costs a year. */
function Cost({ id }: { readonly id: string }) {
  const site = useSite()
  const { numbers } = useNumbers()
  const entry = numbers?.summary.shadeBill.find((item) => item.id === id)
  return <Fact label="Its shade costs" value={number(entry?.kwh ?? 0, site)} unit="kWh a year" />
}

function ArrayCard({ array }: { readonly array: PanelArray }) {
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
        choices={[
          { value: 'close', label: 'close to the roof' },
          { value: 'raised', label: 'raised, air behind' },
          { value: 'open', label: 'on an open rack' },
        ]}
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

function RackCard({ rack }: { readonly rack: Rack }) {
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

function PanelCard({ id, arrayId }: { readonly id: string; readonly arrayId: string }) {
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

/** Objects of the house in the order the outline lists them. */
export const listed = (house: Parameters<typeof ofKind>[0]) => [
  ...ofKind(house, 'volume'),
  ...ofKind(house, 'chimney'),
  ...ofKind(house, 'tree'),
]
