'use client'

import { type Reading } from '@/core/kinds/reading/reading'
import { fromSouth } from '@/core/readers/horizon-csv'
import { later } from '@/words/en/later'
import { useBench, useSite } from '../../context'
import { LengthField } from '../../fields/fields'
import { FileButton } from '../../fields/file-button'
import { eyeAt } from '../../horizon/at-reading'
import { horizonFiles } from '../../horizon/file'
import { HorizonProfile, HorizonTold } from '../../horizon/profile'
import { useHorizon } from '../../horizon/use-horizon'
import { houseId } from '../../store/documents'
import { NameField } from '../name-field'

/** A horizon that was measured here: what it is, how high over the roof, and the look at it beside the model. */
export function ReadingCard({ object: reading }: { readonly object: Reading }) {
  const { documents, session, site: standing } = useBench()
  const site = useSite()
  const { readings: words, farHorizon } = later
  const fields = later.fields.reading
  const { wrong, set, take } = useHorizon((heights) =>
    documents.set(fields.heights, houseId, reading.id, { heights }),
  )
  return (
    <>
      <NameField documentId={houseId} id={reading.id} name={reading.name} />
      <LengthField
        documentId={houseId}
        objectId={reading.id}
        label={words.height}
        name={fields.heightM}
        value={reading.heightM}
        fields={(heightM) => ({ heightM })}
      />
      <HorizonProfile heights={reading.heights} southern={site.latitudeDeg < 0} label={words.picture} />
      <HorizonTold heights={reading.heights} />
      <div className="my-1 flex flex-col gap-1.5">
        <FileButton
          label={words.another}
          hint={farHorizon.hint}
          accept={horizonFiles}
          className="button"
          onTake={([file]) => file && void take(file)}
        />
        <button
          type="button"
          className="button"
          title={farHorizon.turnHint}
          onClick={() => set(fromSouth(reading.heights))}
        >
          {farHorizon.turn}
        </button>
        <button
          type="button"
          className="button"
          onClick={() => session.setState({ lookFrom: eyeAt(reading, standing()), dialog: 'shade' })}
        >
          {words.compareHere}
        </button>
      </div>
      {wrong !== null && (
        <p role="alert" className="mt-0.5 text-[12px] text-clay">
          {wrong}
        </p>
      )}
    </>
  )
}
