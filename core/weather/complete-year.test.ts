import { toRadians } from '../model/units'
import { sunHours } from '../sun/sun-hours'
import { completeYear, type RawSeries } from './complete-year'

const place = {
  name: 'Here',
  latitudeDeg: 41.6,
  longitudeDeg: -71.4,
  elevationM: 0,
  timeZoneHours: -5,
  stepMinutes: 60,
}
const sun = sunHours(place, -5, 60)
const lines = new Int32Array(8760).map((_, i) => i + 9)
const even = (value: number) => new Float64Array(8760).fill(value)
const none: RawSeries = {
  ghi: null,
  dni: null,
  dhi: null,
  temperatureC: even(10),
  windMs: even(2),
  albedo: null,
  snowDepthM: null,
}
/** By daylight a steady beam and diffuse that close. */
const beam = new Float64Array(8760)
const diffuse = new Float64Array(8760)
const global = new Float64Array(8760)
sun.interval.forEach((i, k) => {
  const high = (sun.zenithDeg[k] ?? 90) < 85
  beam[i] = high ? 500 : 0
  diffuse[i] = 90
  global[i] = 90 + (beam[i] ?? 0) * Math.cos(toRadians(sun.zenithDeg[k] ?? 90))
})
const close = (a: Float64Array, b: Float64Array) => {
  let worst = 0
  for (let i = 0; i < a.length; i++) worst = Math.max(worst, Math.abs((a[i] ?? 0) - (b[i] ?? 0)))
  return worst
}

test('any two of the three parts give the third (GHI = DNI cos z + DHI)', () => {
  const fromParts = completeYear(place, { ...none, dni: beam, dhi: diffuse }, lines).year
  expect(close(fromParts.ghi, global)).toBeLessThan(1e-9)
  const diffuseFound = completeYear(place, { ...none, ghi: global, dni: beam }, lines).year
  expect(close(diffuseFound.dhi, diffuse)).toBeLessThan(1e-9)
  const beamFound = completeYear(place, { ...none, ghi: global, dhi: diffuse }, lines).year
  expect(close(beamFound.dni, beam)).toBeLessThan(1e-6)
})

test('from global alone the parts close again, and it is said', () => {
  const { year, problems } = completeYear(place, { ...none, ghi: global }, lines)
  sun.interval.forEach((i, k) => {
    const made = (year.dni[i] ?? 0) * Math.cos(toRadians(sun.zenithDeg[k] ?? 90)) + (year.dhi[i] ?? 0)
    expect(Math.abs(made - (global[i] ?? 0))).toBeLessThan(1e-6)
  })
  expect(problems.map(({ code }) => code)).toEqual(['split'])
})

test('a gap is filled from the days around, said with its first line, and its light stays plausible', () => {
  const noon = 171 * 24 + 12
  const ghi = global.slice()
  const [dni, dhi] = [beam.slice(), diffuse.slice()]
  for (let i = noon; i < noon + 3; i++) for (const series of [ghi, dni, dhi]) series[i] = NaN
  const { year, problems } = completeYear(place, { ...none, ghi, dni, dhi }, lines)
  expect(problems).toHaveLength(1)
  expect(problems[0]).toMatchObject({ code: 'gap', line: noon + 9 })
  expect(problems[0]?.data).toMatchObject({ count: 3 })
  expect(year.ghi[noon]).toBeCloseTo(((global[noon - 24] ?? 0) + (global[noon + 24] ?? 0)) / 2, 9)
})

test('light that is missing at night is no gap', () => {
  const ghi = global.map((value, i) => (value === 0 && !sun.interval.includes(i) ? NaN : value))
  expect(completeYear(place, { ...none, ghi, dhi: diffuse }, lines).problems).toEqual([])
})

test('a file without light, or with too little of it, is refused with where', () => {
  const fault = (raw: RawSeries) => {
    try {
      completeYear(place, raw, lines)
    } catch (error) {
      return error as { code: string; path: string }
    }
    return { code: 'none', path: '' }
  }
  expect(fault(none).code).toBe('no-irradiance')
  expect(fault({ ...none, dni: beam }).code).toBe('no-irradiance')
  const holes = global.map((value, i) => (i % 5 === 0 ? NaN : value))
  expect(fault({ ...none, ghi: holes }).code).toBe('too-many-gaps')
  expect(fault({ ...none, ghi: holes }).path).toMatch(/^line \d+$/)
})

test('no temperature and no wind: something usual is taken, and said', () => {
  const { year, problems } = completeYear(
    place,
    { ...none, ghi: global, temperatureC: null, windMs: null },
    lines,
  )
  expect(year.temperatureC[5]).toBe(15)
  expect(year.windMs[5]).toBe(1)
  expect(problems.map(({ code }) => code)).toEqual(expect.arrayContaining(['no-temperature', 'no-wind']))
})

test('albedo and snow count only where most of the year has them, within what they can be', () => {
  const odd = completeYear(place, { ...none, ghi: global, albedo: even(7), snowDepthM: even(-5) }, lines).year
  expect(odd.albedo).toBeNull()
  expect(odd.snowDepthM).toBeNull()
  const albedo = even(0.2)
  albedo[3] = NaN
  const good = completeYear(place, { ...none, ghi: global, albedo, snowDepthM: even(0) }, lines).year
  expect(good.albedo?.[3]).toBeCloseTo(0.2, 12)
  expect(good.snowDepthM?.[3]).toBe(0)
})
