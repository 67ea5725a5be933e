'use client'

import { ofKind } from '@/core/model/document'
import { isGable, type Volume } from '@/core/model/kinds/volume'
import { type Chimney } from '@/core/model/kinds/chimney'
import { type Tree } from '@/core/model/kinds/tree'
import { buildRoof } from '@/core/roof/roof'
import { Fault } from '@/core/model/fault'
import { useBench, useHouse, useNumbers, useOption, useSession, useSite } from '../context'
import { ChoiceField, LengthField, NumberField, PercentField, SlopeField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { number } from '../format'
import { houseId } from '../store/documents'
import { removeObject } from '../tools/select/edits'
import { toggled } from '../tools/gable/toggling'
import { useToolContext } from '../use-tool-context'
import { ArrayCard, PanelCard } from './array-card'
import { Fact, Frame } from './frame'
import { RackCard } from './rack-card'

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

/** Objects of the house in the order the outline lists them. */
export const listed = (house: Parameters<typeof ofKind>[0]) => [
  ...ofKind(house, 'volume'),
  ...ofKind(house, 'chimney'),
  ...ofKind(house, 'tree'),
]
