'use client'

import { useBench } from '../context'
import { later } from '@/words/en/later'
import { Sheet } from '../sheet'
import { Permits } from './permits'
import { Photos } from './photos'
import { Visits } from './visits'

/** What the team knows of a place beside its model. */
export function RecordSheet() {
  const { session } = useBench()
  const words = later.record
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet">{words.inside}</p>
      <Photos />
      <Visits />
      <Permits />
    </Sheet>
  )
}
