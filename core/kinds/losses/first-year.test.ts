import { parseObject } from '../documents'
import { settledLosses, usualLosses } from './first-year'
import { defaultLosses, lossesVersion } from './losses'

const pType = { cell: 'p-type', sortedUp: false } as const
const nType = { cell: 'n-type', sortedUp: true } as const

test('what is left to the module follows its cells and its tolerance; what is entered stays', () => {
  expect(settledLosses(defaultLosses, pType)).toMatchObject({ lightInduced: 0.015, nameplate: 0.01 })
  expect(settledLosses(defaultLosses, nType)).toMatchObject({ lightInduced: 0, nameplate: 0 })
  expect(settledLosses({ ...defaultLosses, lightInduced: 0.02 }, nType)).toMatchObject({
    lightInduced: 0.02,
    nameplate: 0,
  })
  // Nothing is an answer too.
  expect(settledLosses({ ...defaultLosses, lightInduced: 0, nameplate: 0 }, pType)).toMatchObject({
    lightInduced: 0,
    nameplate: 0,
  })
  expect(usualLosses).toEqual(settledLosses(defaultLosses, pType))
})

test('losses from before keep what was entered', () => {
  const before = { ...defaultLosses, lightInduced: 0.015, nameplate: 0.01 }
  expect(parseObject(before, 'losses', { losses: lossesVersion - 1 })).toEqual(before)
})

test('a share that is none is refused with its field', () => {
  expect(() => parseObject({ ...defaultLosses, lightInduced: 2 }, 'losses')).toThrow(
    expect.objectContaining({ path: 'losses.lightInduced' }) as Error,
  )
})
