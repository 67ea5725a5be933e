import { meterFile } from '@/core/load/meter-file'
import { textOf } from '@/core/weather/text'
import { faultDetail } from './fault-detail'
import { type MeterAnswer } from './meter-messages'

/** Reads one meter's file off the page's thread. */
self.onmessage = ({ data }: MessageEvent<ArrayBuffer>) => {
  let answer: MeterAnswer
  try {
    answer = { read: meterFile(textOf(new Uint8Array(data))), fault: null }
  } catch (error) {
    answer = { read: null, fault: faultDetail(error) }
  }
  self.postMessage(answer)
}
