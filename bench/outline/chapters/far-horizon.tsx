'use client'

import { useState } from 'react'
import { Fault } from '@/core/model/fault'
import { fromSouth } from '@/core/readers/horizon-csv'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../../context'
import { FileButton } from '../../fields/file-button'
import { horizonFiles, horizonFrom } from '../../horizon/file'
import { HorizonProfile, HorizonTold } from '../../horizon/profile'
import { houseId } from '../../store/documents'

const words = later.farHorizon

/** Hills and mountains around the site, from a table. */
export function FarHorizon() {
  const { documents } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const [wrong, setWrong] = useState<string | null>(null)
  const heights = site.farHorizon
  const set = (farHorizon: [number, number][]) => {
    const fault = documents.set(words.label, houseId, site.id, { farHorizon })
    setWrong(fault && sayer.fault(fault))
  }
  const take = async (file: File) => {
    try {
      set(await horizonFrom(file))
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(sayer.fault(error))
    }
  }
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
