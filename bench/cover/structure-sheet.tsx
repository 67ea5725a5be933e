'use client'

import { coverId, type Cover } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { parseNumber } from '@/core/model/numbers'
import { type Quantity } from '@/core/model/said'
import { partCounts, partsCsv } from '@/core/parts/mounting-parts'
import { holdingRows, worstLoads, type WorstLoads } from '@/core/readers/structure-table'
import { holdingsIn } from '@/core/stages/structure'
import { type RoofCovering } from '@/core/structure/mounting'
import { later } from '@/words/en/later'
import { Fact } from '../card/frame'
import { useBench, useHouse, useOption, useSayer, useSession, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { saveFile } from '../save-file'
import { Sheet } from '../sheet'
import { HoldingTable } from './holding-table'
import { RackingPicture } from './racking-picture'

const words = later.structure
/** Stands for none in a list of ids. */
const automatic = '-'

/** What the modules are held with: mountings, attachments, loads and parts, always of the design as it is. */
export function StructureSheet() {
  const { session, site: standing, catalogue } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const now = standing()
  const holdings = holdingsIn(now, { house, option, catalogue })
  const rows = holdingRows(holdings)
  const parts = partCounts(holdings)
  const sayer = useSayer()
  const site = useSite()
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <div className="grid gap-x-8 gap-y-4 sm:grid-cols-[20rem_1fr]">
        <div>
          {site.roofCovering !== 'membrane' && (
            <MountingField field="mountingId" covering={site.roofCovering} />
          )}
          <MountingField field="flatMountingId" covering="membrane" />
          <EveryField />
          <Loads loads={worstLoads(holdings)} />
        </div>
        <div>
          {holdings.length > 0 && <RackingPicture site={now} holdings={holdings} label={words.picture} />}
        </div>
      </div>
      {rows.length === 0 ? (
        <p className="mt-3">{holdings.length === 0 ? words.none : words.unsuitable}</p>
      ) : (
        <>
          <HoldingTable rows={rows} />
          <h3 className="mt-4 font-semibold">{words.partsTitle}</h3>
          <div className="grid gap-x-8 sm:grid-cols-2">
            {parts.map(({ mounting, part, count }) => (
              <Fact
                key={`${mounting.id} ${part}`}
                label={sayer.say(words.parts[part], {
                  length: { value: mounting.is === 'rails' ? mounting.rail.lengthM : 0, unit: 'm' },
                  weight: {
                    value: mounting.is === 'ballast' ? mounting.block.weightKg : 0,
                    unit: 'kg',
                    digits: 1,
                  },
                })}
                value={sayer.written({ value: count, unit: 'count' })}
              />
            ))}
          </div>
          <button
            type="button"
            className="button mt-2"
            onClick={() => saveFile(partsCsv(parts), 'mounting-parts.csv', 'text/csv')}
          >
            {words.csv}
          </button>
          <p className="quiet mt-3">{words.note}</p>
        </>
      )}
    </Sheet>
  )
}

/** What modules are fixed with on one sort of roof. */
function MountingField({
  field,
  covering,
}: {
  readonly field: 'mountingId' | 'flatMountingId'
  readonly covering: RoofCovering
}) {
  const { documents, catalogue } = useBench()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  const chosen = theOne(option, 'cover', coverId)[field]
  const { mountings } = catalogue
  const usual = mountings.find(({ coverings }) => coverings.includes(covering))
  const known = mountings.some(({ id }) => id === chosen)
  const label = later.fields.cover[field]
  return (
    <ChoiceField
      label={
        field === 'mountingId'
          ? sayer.say(words.pitched, { covering: later.roofCoverings[covering] })
          : words.flat
      }
      value={chosen ?? automatic}
      choices={[
        { value: automatic, label: sayer.say(words.asSuits, { name: usual?.name ?? words.nothing }) },
        ...(chosen !== null && !known ? [{ value: chosen, label: words.gone }] : []),
        ...mountings
          .toSorted((a, b) => Number(b.coverings.includes(covering)) - Number(a.coverings.includes(covering)))
          .map(({ id, name, coverings }) => ({
            value: id,
            label: coverings.includes(covering) ? name : sayer.say(words.unsuited, { name }),
          })),
      ]}
      wide
      onChoose={(id) =>
        documents.set(label, optionId, coverId, {
          [field]: id === automatic ? null : id,
        } satisfies Partial<Cover>)
      }
    />
  )
}

/** On how many rafters or seams a foot stands. */
function EveryField() {
  const { documents } = useBench()
  const { footEvery } = theOne(useOption(), 'cover', coverId)
  const optionId = useSession((s) => s.optionId)
  const { locale } = useSite()
  return (
    <TextField
      label={words.every}
      shown={footEvery === null ? words.fewest : String(footEvery)}
      width="words"
      hint={words.everyHint}
      onType={(text) =>
        documents.set(later.fields.cover.footEvery, optionId, coverId, {
          footEvery: text.trim() === '' || text === words.fewest ? null : parseNumber(text, locale),
        })
      }
    />
  )
}

/** What the place does to the modules. */
function Loads({ loads: { windKpa, zones } }: { readonly loads: WorstLoads }) {
  const site = useSite()
  const sayer = useSayer()
  const kpa = (value: number): Quantity => ({ value, unit: 'kN/m²' })
  return (
    <>
      <h3 className="mt-3 font-semibold">{words.loads}</h3>
      {windKpa !== null && <Fact label={words.wind} value={sayer.written(kpa(windKpa))} />}
      <Fact label={words.snow} value={sayer.written(kpa(site.snowLoadKpa))} />
      {zones.length > 0 && (
        <table className="mt-1 w-full">
          <caption className="text-left text-pencil">{words.design}</caption>
          <thead>
            <tr className="border-b border-line text-pencil">
              <th className="text-left font-normal">{words.zone}</th>
              <th className="text-right font-normal">{words.uplift}</th>
              <th className="text-right font-normal">{words.down}</th>
            </tr>
          </thead>
          <tbody>
            {zones.map(({ zone, upKpa, downKpa }) => (
              <tr key={zone}>
                <th scope="row" className="text-left font-normal">
                  {words.zones[zone]}
                </th>
                <td className="text-right">{sayer.written(kpa(upKpa))}</td>
                <td className="text-right">{sayer.written(kpa(downKpa))}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="quiet">
        {sayer.say(words.from, {
          mean: words.windMeans[site.windMean],
          terrain: words.terrains[site.terrain],
        })}
      </p>
    </>
  )
}
