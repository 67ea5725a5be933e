'use client'

import { useState } from 'react'
import { deviceTypes, type DeviceType } from '@/core/readers/device-table'
import { later } from '@/words/en/later'
import { useBench } from '../context'
import { Sheet } from '../sheet'
import { Batteries, Inverters, Optimizers } from './shelves'

const words = later.devices
const shelves = { inverter: Inverters, optimizer: Optimizers, battery: Batteries } as const

/** Everything besides modules that can be bought: a shelf for each type, that of the chapter first. */
export function DevicesSheet() {
  const { session } = useBench()
  const [type, setType] = useState<DeviceType>(() =>
    session.getState().chapter === 'store' ? 'battery' : 'inverter',
  )
  const Shelf = shelves[type]
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <div role="group" aria-label={words.title} className="mb-3 flex gap-4 border-b border-line">
        {deviceTypes.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === type}
            className={`-mb-px cursor-pointer border-b-2 px-1 pb-1 ${one === type ? 'border-verdigris font-semibold' : 'border-transparent text-pencil hover:text-ink'}`}
            onClick={() => setType(one)}
          >
            {words.types[one]}
          </button>
        ))}
      </div>
      <Shelf key={type} />
    </Sheet>
  )
}
