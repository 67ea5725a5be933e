'use client'

import { ofKind } from '@/core/kinds/documents'
import { later } from '@/words/en/later'
import { useBench, useHouse, useSayer } from '../context'

/** The way to visits, photos and permits, and how many there are. */
export function RecordButton() {
  const { session } = useBench()
  const house = useHouse()
  const sayer = useSayer()
  const words = later.record
  const counts = {
    visits: ofKind(house, 'visit').length,
    photos: ofKind(house, 'photo').length,
    permits: ofKind(house, 'permit').length,
  }
  return (
    <div className="my-1">
      <button type="button" className="button w-full" onClick={() => session.setState({ dialog: 'record' })}>
        {words.open}
      </button>
      <p className="quiet mt-0.5">{sayer.say(words.summary, counts)}</p>
    </div>
  )
}
