import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Vec2 } from '@/core/geometry/vector'
import { openHeights } from '@/core/heights/open-heights'

const gable = (args: readonly string[], input = '') => {
  const { status, stdout, stderr } = spawnSync('node', ['bin/gable.mjs', ...args], {
    input,
    encoding: 'utf8',
  })
  return { status, stdout, stderr }
}

interface Plane {
  readonly pitchDeg: number
  readonly azimuthDeg: number
  readonly areaM2: number
}

const folder = mkdtempSync(join(tmpdir(), 'gable-fit-'))
const [heights, outline] = [join(folder, 'heights.tif'), join(folder, 'outline.geojson')]
const read = (name: string) =>
  JSON.parse(readFileSync(join(folder, name), 'utf8')) as {
    planes: Plane[]
    groundM: number
    outline: [number, number][]
  }

beforeAll(() => {
  const made = gable(['town', '--seed', '31', '--kind', 'tarrowee', '--house', '12', '--out', folder])
  expect(made.stderr.replaceAll(/npm warn.*\n/g, '')).toBe('')
  expect(made.status).toBe(0)
}, 60_000)

test('the same house every time, and another for another number', () => {
  const first = readFileSync(heights)
  const again = mkdtempSync(join(tmpdir(), 'gable-fit-'))
  gable(['town', '--seed', '31', '--kind', 'tarrowee', '--house', '12', '--out', again])
  expect(readFileSync(join(again, 'heights.tif')).equals(first)).toBe(true)
  gable(['town', '--seed', '32', '--kind', 'tarrowee', '--house', '12', '--out', again])
  expect(readFileSync(join(again, 'heights.tif')).equals(first)).toBe(false)
  expect(readFileSync(join(again, 'aerial.png')).subarray(1, 4).toString()).toBe('PNG')
}, 60_000)

test('its planes from the files alone, one after the other too', () => {
  const truth = read('truth.json')
  const { status, stdout } = gable(['fit', '--heights', heights, '--outline', outline])
  expect(status).toBe(0)
  const fitted = JSON.parse(stdout) as typeof truth & { trees: object[]; obstructions: object[] }
  const large = truth.planes.filter(({ areaM2 }) => areaM2 > 8)
  expect(large.length).toBeGreaterThan(1)
  for (const plane of large)
    expect(
      fitted.planes.some(
        (own) =>
          Math.abs(own.pitchDeg - plane.pitchDeg) < 1 &&
          Math.abs(((own.azimuthDeg - plane.azimuthDeg + 540) % 360) - 180) < 2 &&
          Math.abs(own.areaM2 - plane.areaM2) < 0.1 * plane.areaM2,
      ),
    ).toBe(true)
  expect(fitted.groundM).toBeCloseTo(truth.groundM, 0)
  expect(fitted.outline[0]).toEqual([0, 0])
  const inLine = { heights, outline: JSON.parse(readFileSync(outline, 'utf8')) as object }
  const lines = gable(
    ['fit', '--lines'],
    `${JSON.stringify(inLine)}\n${JSON.stringify({ heights: 'nowhere.tif', outline })}\n`,
  )
    .stdout.trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { planes?: object[]; milliseconds?: number; error?: { code: string } })
  expect(lines[0]?.planes).toEqual(fitted.planes)
  expect(lines[0]?.milliseconds).toBeGreaterThan(0)
  expect(lines[1]?.error?.code).toBe('no-file')
}, 60_000)

test('without an outline: the house in the middle, or at a place that is named, with where its first corner is', () => {
  const truth = read('truth.json')
  const known = JSON.parse(readFileSync(outline, 'utf8')) as {
    features: [{ geometry: { coordinates: [[number, number][]] } }]
  }
  const [[lon, lat] = [0, 0]] = known.features[0].geometry.coordinates[0]
  const alone = gable(['fit', '--heights', heights])
  expect(alone.status).toBe(0)
  const fitted = JSON.parse(alone.stdout) as typeof truth & {
    firstCorner: { latitudeDeg: number; longitudeDeg: number }
  }
  const area = (planes: readonly Plane[]) => planes.reduce((sum, { areaM2 }) => sum + areaM2, 0)
  expect(area(fitted.planes) / area(truth.planes)).toBeGreaterThan(0.97)
  expect(area(fitted.planes) / area(truth.planes)).toBeLessThan(1.03)
  expect(fitted.outline[0]).toEqual([0, 0])
  // Some corner of the outline that is known lies where the first that was found does: 1 m is about 1e-5 degrees.
  const near = known.features[0].geometry.coordinates[0].map(([x, y]) =>
    Math.hypot(
      (x - fitted.firstCorner.longitudeDeg) * Math.cos((lat * Math.PI) / 180),
      y - fitted.firstCorner.latitudeDeg,
    ),
  )
  expect(Math.min(...near)).toBeLessThan(0.6e-5)
  const named = gable(['fit', '--heights', heights, '--lat', String(lat), '--lon', String(lon)])
  expect(area((JSON.parse(named.stdout) as typeof truth).planes)).toBeCloseTo(area(fitted.planes), 0)
}, 60_000)

/**
 * The raster as a text, which does not say its system.
 * @param heightAt another height at coordinates of the raster, from the one that is there
 */
async function asText(
  kind: 'ascii' | 'points',
  heightAt: (at: Vec2, height: number) => number = (_, height) => height,
): Promise<string> {
  const file = await openHeights(readFileSync(heights).slice().buffer, 'heights.tif')
  const there = await file.read(0, 0, file.columns, file.rows)
  const values = [...there].map((height, k) =>
    heightAt(file.at(k % file.columns, Math.floor(k / file.columns)), height),
  )
  const [first, second] = [file.at(0, 0), file.at(1, 1)]
  const side = second[0] - first[0]
  const written = (value: number) => (Number.isNaN(value) ? '-9999' : String(value))
  if (kind === 'points')
    return values
      .map((value, k) =>
        [...file.at(k % file.columns, Math.floor(k / file.columns)), written(value)].join(' '),
      )
      .join('\n')
  const south = first[1] - (file.rows - 1) * side
  const header = [file.columns, file.rows, first[0], south, side, -9999]
  return `${['ncols', 'nrows', 'xllcenter', 'yllcenter', 'cellsize', 'nodata_value'].map((key, k) => `${key} ${header[k]}\n`).join('')}${values.map(written).join(' ')}\n`
}

test('the same heights as a text that names no system: the same planes, and what was taken for granted', async () => {
  const own = JSON.parse(gable(['fit', '--heights', heights, '--outline', outline]).stdout) as {
    planes: Plane[]
    assumedEpsg: number | null
  }
  expect(own.assumedEpsg).toBeNull()
  for (const kind of ['ascii', 'points'] as const) {
    const text = join(folder, `heights-${kind}.txt`)
    writeFileSync(text, await asText(kind))
    const { status, stdout, stderr } = gable(['fit', '--heights', text, '--outline', outline])
    expect({ status, stderr: stderr.replaceAll(/npm warn.*\n/g, '') }).toEqual({ status: 0, stderr: '' })
    const { planes, assumedEpsg } = JSON.parse(stdout) as typeof own
    // Tarrowee lies south of the equator.
    expect(assumedEpsg).toBeGreaterThan(32700)
    expect(planes).toHaveLength(own.planes.length)
    planes.forEach((plane, k) => {
      expect(plane.pitchDeg).toBeCloseTo(own.planes[k]?.pitchDeg ?? NaN, 2)
      expect(plane.areaM2).toBeCloseTo(own.planes[k]?.areaM2 ?? NaN, 1)
    })
    const said = gable(['fit', '--heights', text, '--outline', outline, '--epsg', String(assumedEpsg)])
    expect((JSON.parse(said.stdout) as typeof own).assumedEpsg).toBeNull()
    // Without an outline or a place its own metres do, and nobody knows where on the earth that is.
    const alone = JSON.parse(gable(['fit', '--heights', text]).stdout) as typeof own & { firstCorner: null }
    expect(alone.firstCorner).toBeNull()
    expect(alone.planes.length).toBeGreaterThanOrEqual(own.planes.length - 1)
    const wrong = gable(['fit', '--heights', text, '--outline', outline, '--epsg', '32601'])
    expect(wrong.stderr).toContain('heights-elsewhere')
  }
}, 120_000)

test('bare ground from another raster: its own plane wherever the house is measured from, in either order', async () => {
  const file = await openHeights(readFileSync(heights).slice().buffer, 'heights.tif')
  const middle = file.at((file.columns - 1) / 2, (file.rows - 1) / 2)
  const truth = read('truth.json')
  // It falls by a metre in fifty to the east, half a metre under what the lowest heights say.
  const groundAt = ([x]: Vec2) => truth.groundM - 0.5 - 0.02 * (x - middle[0])
  const [surface, ground] = [join(folder, 'surface.txt'), join(folder, 'ground.txt')]
  writeFileSync(surface, await asText('ascii'))
  writeFileSync(ground, await asText('ascii', groundAt))
  const groundOf = (...args: string[]) => {
    const { status, stdout } = gable(['fit', ...args])
    expect(status).toBe(0)
    return (JSON.parse(stdout) as typeof truth).groundM
  }
  const alone = groundOf('--heights', heights, '--outline', outline)
  expect(alone).toBeCloseTo(truth.groundM, 0)
  const withGround = groundOf('--heights', heights, '--ground', ground, '--outline', outline)
  expect(alone - withGround).toBeGreaterThan(0.2)
  expect(alone - withGround).toBeLessThan(0.8)
  expect(groundOf('--heights', ground, '--ground', heights, '--outline', outline)).toBeCloseTo(withGround, 2)
  // Without an outline the house is measured from a corner that is found only then: the same ground, though it slopes.
  expect(groundOf('--heights', heights, '--ground', ground)).toBeCloseTo(withGround, 1)
  expect(groundOf('--heights', surface, '--ground', ground)).toBeCloseTo(withGround, 1)
}, 120_000)

describe('what is refused, in words', () => {
  const refusal = (args: readonly string[]) => {
    const { status, stderr } = gable(args)
    expect(status).toBe(2)
    const line = stderr.split('\n').find((one) => one.startsWith('{')) ?? '{}'
    return (JSON.parse(line) as { error: { code: string; message: string } }).error
  }
  const file = (name: string, content: string | Uint8Array) => {
    writeFileSync(join(folder, name), content)
    return join(folder, name)
  }

  test.each([
    ['a picture', () => file('a.tif', readFileSync(join(folder, 'aerial.png'))), 'bad-raster'],
    ['a raster cut short', () => file('cut.tif', readFileSync(heights).subarray(0, 30_000)), 'bad-raster'],
    ['nothing', () => file('empty.tif', ''), 'bad-raster'],
  ])(
    '%s',
    (_, make, code) => {
      const said = refusal(['fit', '--heights', make(), '--outline', outline])
      expect(said.code).toBe(code)
      expect(said.message).toMatch(/^“.*\.tif” cannot be read as heights/)
    },
    30_000,
  )

  test('an outline elsewhere, on the edge, without corners', () => {
    const ring =
      (
        JSON.parse(readFileSync(outline, 'utf8')) as {
          features: { geometry: { coordinates: [number, number][][] } }[]
        }
      ).features[0]?.geometry.coordinates[0] ?? []
    const moved = (east: number) =>
      file(
        'moved.geojson',
        JSON.stringify({ type: 'Polygon', coordinates: [ring.map(([x, y]) => [x + east, y])] }),
      )
    expect(refusal(['fit', '--heights', heights, '--outline', moved(1)]).code).toBe('heights-elsewhere')
    // Thirty metres to the east the raster ends.
    expect(refusal(['fit', '--heights', heights, '--outline', moved(0.00033)]).code).toBe(
      'heights-cut-outline',
    )
    const two = file('two.geojson', JSON.stringify({ type: 'Polygon', coordinates: [ring.slice(0, 2)] }))
    expect(refusal(['fit', '--heights', heights, '--outline', two]).code).toBe('no-outlines')
    expect(refusal(['fit', '--heights', heights, '--lat', '10', '--lon', '20']).code).toBe(
      'heights-elsewhere',
    )
    expect(refusal(['fit', '--heights', heights, '--lat', '-34.7']).message).toContain('given together')
    expect(refusal(['fit', '--heights', heights, '--ground', heights]).code).toBe('heights-alike')
    expect(
      refusal(['fit', '--heights', heights, '--outline', outline, '--lat', '1', '--lon', '2']).message,
    ).toContain('instead of an outline')
    expect(refusal(['fit', '--heights', heights, '--outline', file('no.geojson', '{')]).code).toBe('not-json')
  }, 60_000)

  test('a town nobody built, a house beyond the last', () => {
    expect(refusal(['town', '--seed', '1', '--house', '64', '--out', folder]).code).toBe('bad-option')
    expect(refusal(['town', '--seed', '1.5', '--house', '1', '--out', folder]).code).toBe('bad-option')
    expect(refusal(['town', '--seed', '1', '--kind', 'atlantis', '--house', '1', '--out', folder]).code).toBe(
      'invalidArgument',
    )
  }, 60_000)
})
