import { type Underlay } from '@/core/kinds/underlay/underlay'
import { fetchFiles, forgetMissing, keptFiles } from './kept-files'

const drawing: Underlay = {
  id: 'plan',
  kind: 'underlay',
  name: 'Plan',
  fileId: '0123456789abcdef01234567',
  content: 'drawing',
  width: 10,
  height: 10,
  metresPerUnit: 1,
  center: [0, 0],
  rotationDeg: 0,
  strength: 1,
  order: 0,
  season: 'unknown',
  hiddenLayers: [],
}
const file = () => keptFiles.getState()[drawing.fileId]

/** A server that answers so, and counts how often it is asked. */
function server(answer: () => Promise<Response>) {
  let asked = 0
  const before = globalThis.fetch
  globalThis.fetch = () => {
    asked++
    return answer()
  }
  return { asked: () => asked, close: () => (globalThis.fetch = before) }
}
const settled = async () => {
  for (let k = 0; k < 20 && file()?.is === 'waiting'; k++) await Promise.resolve()
}

afterEach(() => keptFiles.setState({}, true))

test('a file that is not there is asked for once, however often the house changes, and again when the job is opened anew', async () => {
  const there = server(() => Promise.resolve(new Response('', { status: 404 })))
  fetchFiles([drawing])
  expect(file()).toEqual({ is: 'waiting' })
  fetchFiles([{ ...drawing, name: 'Plan 2' }])
  await settled()
  expect(file()).toMatchObject({ is: 'missing', fault: { code: 'no-such-file' } })
  fetchFiles([{ ...drawing, strength: 0.5 }])
  expect(there.asked()).toBe(1)
  forgetMissing()
  expect(file()).toBeUndefined()
  fetchFiles([drawing])
  expect(there.asked()).toBe(2)
  await settled()
  there.close()
})

test('without the network it says so, and what is there is kept', async () => {
  const there = server(() => Promise.reject(new TypeError('no network')))
  const known = { is: 'picture', image: {} as ImageBitmap } as const
  keptFiles.setState({ other: known })
  fetchFiles([drawing, { ...drawing, fileId: 'other' }])
  await settled()
  expect(file()).toMatchObject({ is: 'missing', fault: { code: 'file-away' } })
  forgetMissing()
  expect(keptFiles.getState()).toEqual({ other: known })
  there.close()
})
