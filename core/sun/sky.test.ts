import fc from 'fast-check'
import { clearSky } from './clear-sky'
import { erbsSplit } from './erbs'
import { hayDaviesSky } from './hay-davies'
import { beamThrough, diffuseThrough } from './incidence-loss'
import { extraterrestrialWm2, perezSky, relativeAirMass } from './perez'

const total = (p: { circumsolar: number; dome: number; horizon: number }) =>
  p.circumsolar + p.dome + p.horizon

test('on the horizontal the sky gives its diffuse, whatever the model', () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  fc.assert(
    fc.property(number(1, 500), number(0, 900), number(0, 80), (dhi, dni, zenith) => {
      const cosine = Math.cos((zenith * Math.PI) / 180)
      expect(total(perezSky(dhi, dni, zenith, cosine, 0, 1361))).toBeCloseTo(dhi, 6)
      expect(total(hayDaviesSky(dhi, dni, zenith, cosine, 0, 1361))).toBeCloseTo(dhi, 6)
    }),
    { seed: 3 },
  )
})

test('Perez by hand: clear sky at zenith 60, plane of 30 degrees facing the sun', () => {
  // dhi 80, dni 800: kappa = 1.041 * 1.0472^3 = 1.19547; clearness = (11 + 1.19547) / 2.19547 = 5.5548: seventh row.
  // air mass 1.9943; brightness = 80 * 1.9943 / 1361 = 0.117226.
  // F1 = 1.0601591 - 1.5999137 * 0.117226 - 0.3589221 * 1.0471976 = 0.496743
  // F2 = 0.2642124 - 1.127234 * 0.117226 + 0.1310694 * 1.0471976 = 0.269327
  const parts = perezSky(80, 800, 60, Math.cos(Math.PI / 6), 30, 1361)
  expect(relativeAirMass(60)).toBeCloseTo(1.9943, 3)
  expect(parts.circumsolar).toBeCloseTo((80 * 0.496743 * 0.866025) / 0.5, 1)
  expect(parts.dome).toBeCloseTo((80 * (1 - 0.496743) * 1.866025) / 2, 1)
  expect(parts.horizon).toBeCloseTo(80 * 0.269327 * 0.5, 1)
})

test('the glass: everything straight on, nothing from behind, ever less between', () => {
  expect(beamThrough(1)).toBeCloseTo(1, 12)
  expect(beamThrough(-0.1)).toBe(0)
  // Martin & Ruiz 2001 by hand at 60 degrees: (1 - e^(-0.5/0.16)) / (1 - e^(-1/0.16)).
  expect(beamThrough(0.5)).toBeCloseTo(0.957911, 4)
  expect(diffuseThrough(30).sky).toBeGreaterThan(0.93)
  expect(diffuseThrough(30).ground).toBeLessThan(diffuseThrough(30).sky)
})

test('outside the atmosphere: nearest to the sun in early January, farthest in early July', () => {
  expect(extraterrestrialWm2(3)).toBeCloseTo(1361 * 1.035, -1)
  expect(extraterrestrialWm2(185)).toBeCloseTo(1361 * 0.9666, -1)
})

test('Erbs joins its pieces and keeps the closure', () => {
  for (const kt of [0.1, 0.2199, 0.2201, 0.5, 0.7999, 0.8001]) {
    const ghi = kt * 1361 * Math.cos(Math.PI / 6)
    const { dni, dhi } = erbsSplit(ghi, 30, 1361)
    expect(dni * Math.cos(Math.PI / 6) + dhi).toBeCloseTo(ghi, 9)
  }
  expect(erbsSplit(0.5 * 1361, 0, 1361).dhi / (0.5 * 1361)).toBeCloseTo(0.6592, 3)
})

test('a clear noon at sea level gives about 1000 W/m²; the night gives nothing', () => {
  const noon = clearSky(20, 0, 3, 1361)
  expect(noon.ghi).toBeGreaterThan(900)
  expect(noon.ghi).toBeLessThan(1060)
  expect(noon.dni * Math.cos((20 * Math.PI) / 180)).toBeLessThan(noon.ghi)
  expect(clearSky(95, 0, 3, 1361)).toEqual({ ghi: 0, dni: 0 })
})
