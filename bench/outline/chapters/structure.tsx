'use client'

import { gridPhases, roofCoverings } from '@/core/kinds/site/site'
import { later } from '@/words/en/later'
import { useBench, useSite, useWords } from '../../context'
import { ChoiceField, LengthField, NumberField } from '../../fields/fields'
import { houseId } from '../../store/documents'

/** Pounds to the square foot in a kilopascal, and miles an hour in a metre a second. */
const [psfPerKpa, mphPerMs] = [20.8854, 2.236_936]

/** The supply, what the roof bears and what it is made of. */
export function Structure() {
  const { documents } = useBench()
  const site = useSite()
  const words = useWords()
  const { fields } = words.kinds.site
  const of = { documentId: houseId, objectId: site.id }
  const imperial = site.units === 'imperial'
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
        unit={imperial ? 'psf' : 'kN/m²'}
        digits={imperial ? 0 : 2}
        value={site.snowLoadKpa * snow}
        fields={(typed) => ({ snowLoadKpa: typed / snow })}
      />
      <NumberField
        {...of}
        label={fields.windMs}
        name={fields.windMs}
        unit={imperial ? 'mph' : 'm/s'}
        value={site.windMs * wind}
        fields={(typed) => ({ windMs: typed / wind })}
      />
    </>
  )
}
