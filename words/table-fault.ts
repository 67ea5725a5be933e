import { type FaultDetail } from '@/core/model/fault'
import { tableFaults } from './en/table-faults'
import { type Sayer } from './sayer'

const sentences: Readonly<Record<string, string>> = tableFaults

/** What is wrong with a file of weather, in a sentence; English so far. */
export function tableFault(sayer: Sayer, fault: Pick<FaultDetail, 'code' | 'data'>): string {
  const sentence = Object.hasOwn(sentences, fault.code) ? sentences[fault.code] : undefined
  return sentence === undefined ? sayer.fault(fault) : sayer.say(sentence, fault.data)
}
