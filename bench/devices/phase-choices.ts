import { later } from '@/words/en/later'

const words = later.devices

/** Phases that inverters are narrowed by. */
export const phaseChoices = [
  { value: 'any', label: words.anyPhases },
  { value: '1', label: words.onePhase },
  { value: '3', label: words.threePhases },
]
