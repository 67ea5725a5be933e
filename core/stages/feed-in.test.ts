import { job, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { parseObject } from '../kinds/documents'
import { ledgerOf } from '../readers/ledger'
import { dispatchStage } from './dispatch'
import { feedInLimitKw } from './feed-in'
import { yearsStage } from './finance'
import { powerStage } from './power'

const limits = (exportLimitKw: number | null, exportLimitShare: number | null) => ({
  exportLimitKw,
  exportLimitShare,
})
const runWith = async (fields: object, objects = option) =>
  runOf(await worldOf(set(job.house, 'site', fields), objects))

test('of a power and a share of the modules the lower one holds', () => {
  expect(feedInLimitKw(limits(null, null), 7000)).toBeNull()
  expect(feedInLimitKw(limits(5, null), 7000)).toBe(5)
  expect(feedInLimitKw(limits(null, 0.6), 7000)).toBeCloseTo(4.2, 12)
  expect(feedInLimitKw(limits(5, 0.6), 7000)).toBeCloseTo(4.2, 12)
  expect(feedInLimitKw(limits(3, 0.6), 7000)).toBe(3)
  expect(feedInLimitKw(limits(null, 0), 7000)).toBe(0)
})

test('a share is the same as the power that it comes to, now, over the years, and with a battery', async () => {
  for (const objects of [option, withBattery]) {
    const share = await runWith(limits(null, 0.4), objects)
    const { powerW } = share.value(powerStage)
    const power = await runWith(limits((0.4 * powerW) / 1000, null), objects)
    expect(share.value(dispatchStage)).toEqual(power.value(dispatchStage))
    expect(share.value(yearsStage)).toEqual(power.value(yearsStage))
    const most = Math.max(...share.value(dispatchStage).sold)
    expect(most).toBeCloseTo((0.4 * powerW) / 1000, 9)
    expect(ledgerOf(share).find(({ id }) => id === 'curtailed')).toEqual(
      ledgerOf(power).find(({ id }) => id === 'curtailed'),
    )
  }
})

test('sites of before have no share', () => {
  const { site } = job.house
  if (site?.kind !== 'site') throw new Error('every job has a site')
  const { exportLimitShare: _share, ...before } = site
  expect(parseObject(before, '', { site: 6 })).toEqual({ ...site, exportLimitShare: null })
  expect(() => parseObject({ ...site, exportLimitShare: 1.2 })).toThrow()
})
