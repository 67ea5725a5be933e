import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { seededRandom } from '@/core/model/random'
import { JobArchive, jobFilesIn } from './job-files'

const bytesOf = async (blob: Blob) => new Uint8Array(await blob.arrayBuffer())
const fileOf = (bytes: Uint8Array<ArrayBuffer> | string, name: string) => new File([bytes], name)

test('what was packed is unpacked again, whatever the jobs are called', async () => {
  const random = seededRandom(7)
  const letters = [...'abÄß空 /\\.:*"<>|_-\u0000\n']
  const archive = new JobArchive()
  const texts: string[] = []
  for (let n = 0; n < 200; n++) {
    const name = Array.from(
      { length: Math.floor(random() * 12) },
      () => letters[Math.floor(random() * letters.length)],
    ).join('')
    const text = JSON.stringify({ n, filler: 'x'.repeat(Math.floor(random() * 5000)) })
    texts.push(text)
    archive.add(name, strToU8(text))
  }
  const packed = await bytesOf(archive.end())
  const names = Object.keys(unzipSync(packed))
  expect(new Set(names.map((name) => name.toLowerCase())).size).toBe(200)
  for (const name of names) expect(name).toMatch(/^[\p{L}\p{N} _-]+\.json$/u)
  const found = await jobFilesIn([fileOf(packed, 'jobs.zip')])
  expect(found.map((file) => ('text' in file ? file.text : file.fault)).sort()).toEqual(texts.sort())
})

test('single files, and files in a ZIP of any name, are found together; what is no job’s is left', async () => {
  const packed = zipSync({
    'Ferris.json': strToU8('{"a":1}'),
    'photos/roof.png': new Uint8Array([1, 2, 3]),
    '__MACOSX/Ferris.json': strToU8('nothing'),
    'folder/Other.JSON': strToU8('{"b":"Grüße"}'),
  })
  const found = await jobFilesIn([
    fileOf('{"c":3}', 'one.json'),
    fileOf(new Uint8Array(packed), 'of-any-name'),
  ])
  expect(found).toEqual([
    { name: 'one.json', text: '{"c":3}' },
    { name: 'Ferris.json', text: '{"a":1}' },
    { name: 'folder/Other.JSON', text: '{"b":"Grüße"}' },
  ])
})

test('damaged, empty and too large ones say so, and the others come in', async () => {
  const good = zipSync({ 'a.json': strToU8('{}'.repeat(500)) })
  const inData = 30 + 'a.json'.length
  const cut = new Uint8Array(good.slice(0, inData + 4))
  const bent = new Uint8Array(good)
  bent.fill(0xff, inData, inData + 10)
  const bomb = new Uint8Array(
    zipSync({ 'big.json': new Uint8Array(48_000_001), 'small.json': strToU8('{}') }),
  )
  const found = await jobFilesIn([
    fileOf(cut, 'cut.zip'),
    fileOf(bent, 'bent.zip'),
    fileOf(new Uint8Array(zipSync({ 'x.txt': strToU8('x'.repeat(99)) })), 'texts.zip'),
    fileOf('PK', 'two letters.json'),
    fileOf(bomb, 'bomb.zip'),
  ])
  expect(found).toEqual([
    { name: 'cut.zip', fault: 'damaged: it cannot be unpacked' },
    { name: 'a.json', fault: 'damaged: it cannot be unpacked' },
    { name: 'texts.zip', fault: 'no job’s file (.json) is in it' },
    { name: 'two letters.json', fault: 'damaged: it cannot be unpacked' },
    { name: 'big.json', fault: 'larger than 48 MB' },
    { name: 'small.json', text: '{}' },
  ])
})

test('a file that says it is small and is not is unpacked no further than any other', async () => {
  const packed = new Uint8Array(zipSync({ 'a.json': new Uint8Array(60_000_000) }))
  const view = new DataView(packed.buffer)
  let said = 0
  for (let at = 0; at + 4 <= packed.length; at++)
    if (view.getUint32(at, true) === 60_000_000) {
      view.setUint32(at, 10, true)
      said++
    }
  expect(said).toBe(2)
  expect(await jobFilesIn([fileOf(packed, 'liar.zip')])).toEqual([
    { name: 'a.json', fault: 'larger than 48 MB' },
  ])
})

test('files of bytes by dice are refused and nothing falls over', async () => {
  const random = seededRandom(3)
  const good = zipSync({
    'a.json': strToU8(JSON.stringify({ a: 'x'.repeat(3000) })),
    'b.json': strToU8('{}'),
  })
  for (let n = 0; n < 1000; n++) {
    const bytes = new Uint8Array(good)
    for (let k = 0; k < 1 + random() * 4; k++)
      bytes[2 + Math.floor(random() * (bytes.length - 2))] = Math.floor(random() * 256)
    const length = random() < 0.5 ? bytes.length : Math.floor(2 + random() * (bytes.length - 2))
    const found = await jobFilesIn([fileOf(bytes.slice(0, length), 'dice.zip')])
    expect(found.length).toBeGreaterThan(0)
    for (const file of found) expect('text' in file || file.fault !== '').toBe(true)
  }
})

test('what the archive holds is readable text', async () => {
  const archive = new JobArchive()
  archive.add('A', strToU8('{"x":"é"}'))
  const [content] = Object.values(unzipSync(await bytesOf(archive.end())))
  expect(strFromU8(content ?? new Uint8Array())).toBe('{"x":"é"}')
})
