import { useState } from 'react'
import { Fault } from '@/core/model/fault'
import { useSayer } from '../context'
import { horizonFrom } from './file'

/** Keeps a horizon, from a file or as it is given, and says what is wrong with it. @param save null where it was kept */
export function useHorizon(save: (heights: [number, number][]) => Fault | null) {
  const sayer = useSayer()
  const [wrong, setWrong] = useState<string | null>(null)
  const set = (heights: [number, number][]) => {
    const fault = save(heights)
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
  return { wrong, set, take }
}
