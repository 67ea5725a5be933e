'use client'

import { fromSouth } from '@/core/readers/horizon-csv'
import { later } from '@/words/en/later'
import { useBench, useSite } from '../../context'
import { FileButton } from '../../fields/file-button'
import { horizonFiles } from '../../horizon/file'
import { HorizonProfile, HorizonTold } from '../../horizon/profile'
import { useHorizon } from '../../horizon/use-horizon'
import { houseId } from '../../store/documents'

const words = later.farHorizon

/** Hills and mountains around the site, from a table. */
export function FarHorizon() {
  const { documents } = useBench()
  const site = useSite()
  const heights = site.farHorizon
  const { wrong, set, take } = useHorizon((farHorizon) =>
    documents.set(words.label, houseId, site.id, { farHorizon }),
  )
  return (
    <>
      <h3 className="quiet mt-2">{words.title}</h3>
      {heights.length > 0 ? (
        <>
          <HorizonProfile heights={heights} southern={site.latitudeDeg < 0} label={words.picture} />
          <HorizonTold heights={heights} />
        </>
      ) : (
        <p className="text-[12px] text-pencil">{words.none}</p>
      )}
      <div className="my-1 grid grid-cols-2 gap-1.5">
        <FileButton
          label={`${words.import}: ${words.title}`}
          shown={words.import}
          hint={words.hint}
          accept={horizonFiles}
          className="button"
          onTake={([file]) => file && void take(file)}
        />
        <button type="button" className="button" disabled={heights.length === 0} onClick={() => set([])}>
          {words.remove}
        </button>
      </div>
      {heights.length > 0 && (
        <button
          type="button"
          className="button w-full"
          title={words.turnHint}
          onClick={() => set(fromSouth(heights))}
        >
          {words.turn}
        </button>
      )}
      {wrong !== null && (
        <p role="alert" className="mt-0.5 text-[12px] text-clay">
          {wrong}
        </p>
      )}
    </>
  )
}
