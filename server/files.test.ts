import { randomUUID } from 'node:crypto'
import { PNG } from 'pngjs'
import { Fault } from '@/core/model/fault'
import { jobToFile, parseJob } from '@/core/kinds/job'
import { job } from '@/town/testing'
import { closeCompute } from './compute/compute'
import { transaction } from './database'
import { filesWith, loadFile, storeFile, withFiles } from './files'
import { loadJob } from './jobs'
import { oneFilesSize } from './sql/files'
import { insertTeam } from './sql/people'
import { openTestDatabase } from './testing'
import { importJob } from './weather'

const close = await openTestDatabase()
afterAll(async () => {
  await closeCompute()
  await close()
})

const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'none',
    (error: unknown) => (error instanceof Fault ? error.code : 'other'),
  )
const png = new Uint8Array(PNG.sync.write(new PNG({ width: 8, height: 6 })))
const dxf = new TextEncoder().encode(
  [
    '0',
    'SECTION',
    '2',
    'ENTITIES',
    '0',
    'LINE',
    '8',
    'A',
    '10',
    '0',
    '20',
    '0',
    '11',
    '1',
    '21',
    '1',
    '0',
    'ENDSEC',
    '0',
    'EOF',
  ].join('\n'),
)
const team = async () => {
  const id = randomUUID()
  await transaction('team', (runner) => insertTeam(id, 'Team', runner))
  return id
}

test('a picture and a drawing are kept as they came, once, for their team alone', async () => {
  const [mine, theirs] = [await team(), await team()]
  const picture = await storeFile(mine, png)
  expect(picture.mediaType).toBe('image/png')
  expect(await storeFile(mine, png.slice())).toEqual(picture)
  const drawing = await storeFile(mine, dxf)
  expect(drawing.mediaType).toBe('image/vnd.dxf')
  expect(new Uint8Array((await loadFile(mine, picture.id)).bytes)).toEqual(png)
  expect(new Uint8Array((await loadFile(mine, drawing.id)).bytes)).toEqual(dxf)
  expect(await oneFilesSize(mine)).toBeGreaterThan(png.length)
  expect(await oneFilesSize(theirs)).toBe(0)
  expect(await codeOf(loadFile(theirs, picture.id))).toBe('no-such-file')
  expect(await codeOf(loadFile(mine, "' OR 1=1; --"))).toBe('no-such-file')
})

test('what is neither, or damaged, or too large, is not kept', async () => {
  const mine = await team()
  const bytes = (text: string) => new TextEncoder().encode(text)
  expect(await codeOf(storeFile(mine, bytes('<svg onload="alert(1)"></svg>')))).toBe('not-a-picture')
  expect(await codeOf(storeFile(mine, bytes('<html><script>alert(1)</script>')))).toBe('not-a-picture')
  expect(await codeOf(storeFile(mine, png.slice(0, 20)))).toBe('broken-picture')
  expect(await codeOf(storeFile(mine, new Uint8Array(9_000_000)))).toBe('too-large')
  expect(await oneFilesSize(mine)).toBe(0)
})

test('a job goes out with its pictures and drawings and comes in with them elsewhere', async () => {
  const [mine, theirs] = [await team(), await team()]
  const large = new Uint8Array(PNG.sync.write(noise(500)))
  expect(large.length).toBeGreaterThan(900_000)
  const [{ id: pictureId }, { id: drawingId }] = [await storeFile(mine, large), await storeFile(mine, dxf)]
  const { id: photoId } = await storeFile(mine, new Uint8Array(PNG.sync.write(noise(9))))
  const photos = (...ids: readonly string[]) =>
    Object.fromEntries(
      ids.map((fileId, n) => {
        const id = `photo-${n + 1}`
        return [id, { id, kind: 'photo', caption: '', fileId, takenOn: null, about: null } as const]
      }),
    )
  const underlay = (id: string, fileId: string, content: 'picture' | 'drawing') =>
    ({
      id,
      kind: 'underlay',
      name: id,
      fileId,
      content,
      width: 500,
      height: 500,
      metresPerUnit: 0.1,
      center: [0, 0],
      rotationDeg: 0,
      strength: 1,
      order: 0,
      season: 'bare',
      hiddenLayers: [],
    }) as const
  const own = {
    ...job,
    house: {
      ...job.house,
      a: underlay('a', pictureId, 'picture'),
      b: underlay('b', drawingId, 'drawing'),
      // One whose file is nowhere any more goes without.
      c: underlay('c', 'f'.repeat(24), 'picture'),
      // A photo of what lies under the model already adds no second file.
      ...photos(pictureId, photoId),
    },
  }
  const files = await filesWith(mine, own)
  expect(files.map(({ id }) => id)).toEqual([pictureId, drawingId, photoId])
  const text = await new Response(withFiles(JSON.stringify(jobToFile(own), null, 2), files)).text()
  expect(parseJob(JSON.parse(text))).toEqual(own)
  const imported = await importJob(theirs, new TextEncoder().encode(text))
  expect((await loadJob(theirs, imported)).job).toEqual(own)
  expect(new Uint8Array((await loadFile(theirs, pictureId)).bytes)).toEqual(large)
  expect(new Uint8Array((await loadFile(theirs, drawingId)).bytes)).toEqual(dxf)
  // Without any it is the job alone.
  const alone = await new Response(withFiles(JSON.stringify(jobToFile(job), null, 2), [])).text()
  expect(JSON.parse(alone)).toEqual(JSON.parse(JSON.stringify(jobToFile(job))))
}, 60_000)

/** A picture that does not pack. */
function noise(side: number): PNG {
  const picture = new PNG({ width: side, height: side })
  let seed = 1
  for (let i = 0; i < picture.data.length; i++) {
    seed = (seed * 1103515245 + 12345) % 2147483648
    picture.data[i] = seed >> 16
  }
  return picture
}
