import { dxfLines } from '@/core/imports/dxf-lines'
import { textOf } from '@/core/weather/text'
import { type DrawingAnswer } from './drawing-messages'
import { faultDetail } from './fault-detail'

/** Reads one drawing off the page's thread. */
self.onmessage = ({ data }: MessageEvent<ArrayBuffer>) => {
  let answer: DrawingAnswer
  try {
    answer = { drawing: dxfLines(textOf(new Uint8Array(data))), fault: null }
  } catch (error) {
    const { code, ...rest } = faultDetail(error)
    answer = {
      drawing: null,
      fault: { ...rest, code: code === 'not-text' || code === 'empty' ? 'not-a-dxf' : code },
    }
  }
  // Handed over, not copied: there may be hundreds of thousands of lines.
  const buffers = answer.drawing?.layers.map(({ pieces }) => pieces.buffer) ?? []
  self.postMessage(answer, { transfer: buffers })
}
