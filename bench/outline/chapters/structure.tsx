'use client'

import { gridPhases } from '@/core/kinds/site/site'
import { parseNumber } from '@/core/model/numbers'
import { roofCoverings } from '@/core/structure/mounting'
import { terrains, windMeans } from '@/core/structure/wind'
import { entered } from '@/words/format'
import { later } from '@/words/en/later'
import { useBench, useSite } from '../../context'
import { ChoiceField, LengthField, NumberField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { houseId } from '../../store/documents'

/** Pounds to the square foot in a kilopascal, and miles an hour in a metre a second. */
const [psfPerKpa, mphPerMs] = [20.8854, 2.236_936]

/** As people read it: a value kept in other units has no end of digits. */
const rounded = (value: number, digits: number) => Number(value.toFixed(digits))

/** The supply, what the roof bears and what it is made of. */
export function Structure() {
  const { documents } = useBench()
  const site = useSite()
  const fields = later.fields.site
  const of = { documentId: houseId, objectId: site.id }
  const imperial = site.units === 'imperial'
  const pressure = imperial ? 'psf' : 'kN/m²'
  const [snow, wind] = imperial ? [psfPerKpa, mphPerMs] : [1, 1]
  return (
    <>
      <h3 className="quiet mt-2">Grid, roof and loads</h3>
      <ChoiceField
        label={fields.gridPhases}
        value={site.gridPhases}
        choices={gridPhases.map((value) => ({ value, label: later.gridPhases[value] }))}
        onChoose={(value) => documents.set(fields.gridPhases, houseId, site.id, { gridPhases: value })}
      />
      <NumberField
        {...of}
        label={fields.gridVoltageV}
        name={fields.gridVoltageV}
        unit="V"
        value={site.gridVoltageV}
        fields={(gridVoltageV) => ({ gridVoltageV })}
      />
      <Ratings />
      <ChoiceField
        label={fields.roofCovering}
        value={site.roofCovering}
        choices={roofCoverings.map((value) => ({ value, label: later.roofCoverings[value] }))}
        onChoose={(value) => documents.set(fields.roofCovering, houseId, site.id, { roofCovering: value })}
      />
      <LengthField
        {...of}
        label={fields.rafterSpacingM}
        name={fields.rafterSpacingM}
        value={site.rafterSpacingM}
        fields={(rafterSpacingM) => ({ rafterSpacingM })}
      />
      <NumberField
        {...of}
        label={fields.snowLoadKpa}
        name={fields.snowLoadKpa}
        unit={pressure}
        digits={imperial ? 0 : 2}
        value={rounded(site.snowLoadKpa * snow, 2)}
        fields={(typed) => ({ snowLoadKpa: typed / snow })}
      />
      <NumberField
        {...of}
        label={fields.windMs}
        name={fields.windMs}
        unit={imperial ? 'mph' : 'm/s'}
        value={rounded(site.windMs * wind, 1)}
        fields={(typed) => ({ windMs: typed / wind })}
      />
      <ChoiceField
        label={fields.windMean}
        value={site.windMean}
        choices={windMeans.map((value) => ({ value, label: later.structure.windMeans[value] }))}
        onChoose={(value) => documents.set(fields.windMean, houseId, site.id, { windMean: value })}
      />
      <ChoiceField
        label={fields.terrain}
        value={site.terrain}
        choices={terrains.map((value) => ({ value, label: later.structure.terrains[value] }))}
        onChoose={(value) => documents.set(fields.terrain, houseId, site.id, { terrain: value })}
      />
      <TextField
        label={fields.roofReserveKpa}
        shown={
          site.roofReserveKpa === null
            ? ''
            : entered(rounded(site.roofReserveKpa * snow, 2), site, imperial ? 0 : 2)
        }
        unit={pressure}
        hint={later.structure.reserveHint}
        onType={(text) =>
          documents.set(fields.roofReserveKpa, houseId, site.id, {
            roofReserveKpa: text.trim() === '' ? null : parseNumber(text, site.locale) / snow,
          })
        }
      />
    </>
  )
}

/** What a connection bears; empty as long as nobody has looked. */
function Ratings() {
  const { documents } = useBench()
  const site = useSite()
  const fields = later.fields.site
  const keys = [
    ['mainBreakerA', 'A'],
    ['busbarA', 'A'],
    ...(site.gridPhases === 'three' ? ([['unbalancedKw', 'kW']] as const) : []),
  ] as const
  return (
    <>
      {keys.map(([key, unit]) => (
        <TextField
          key={key}
          label={fields[key]}
          shown={site[key] === null ? '' : entered(site[key], site, 1)}
          unit={unit}
          width="figure"
          onType={(text) =>
            documents.set(fields[key], houseId, site.id, {
              [key]: text.trim() === '' ? null : parseNumber(text, site.locale),
            })
          }
        />
      ))}
      <label className="flex cursor-pointer items-center gap-1.5 py-0.5 text-pencil">
        <input
          type="checkbox"
          checked={site.shutdownAsked}
          onChange={(event) =>
            documents.set(fields.shutdownAsked, houseId, site.id, { shutdownAsked: event.target.checked })
          }
        />
        {fields.shutdownAsked}
      </label>
    </>
  )
}
