import { freshGraph, job, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { electricalId } from '../kinds/electrical/electrical'
import { siteId } from '../kinds/site/site'
import { type Objects } from '../kinds/documents'
import { checksOf } from '../readers/ledger'

const found = async (site: object, objects: Objects = option) =>
  checksOf(runOf(await worldOf(set(job.house, siteId, site), objects), freshGraph())).filter(({ code }) =>
    ['busbar', 'unbalanced', 'shutdown'].includes(code),
  )

test('the connection is held against what somebody has read off it, and against nothing before', async () => {
  expect(await found({})).toEqual([])
  expect(await found({ busbarA: 200, mainBreakerA: 200 })).toEqual([])
  const [small] = await found({ busbarA: 125, mainBreakerA: 125 })
  expect(small).toMatchObject({
    code: 'busbar',
    severity: 'broken',
    data: { fits: 'yes', main: { value: 110 } },
  })
  // The breaker that it names is enough.
  expect(await found({ busbarA: 125, mainBreakerA: 110 })).toEqual([])
  // A battery that gives five kilowatts more is a source as well.
  expect((await found({ busbarA: 200, mainBreakerA: 200 }, withBattery)).map(({ code }) => code)).toEqual([
    'busbar',
  ])
})

test('shutdown that is asked for comes with optimizers or microinverters', async () => {
  expect((await found({ shutdownAsked: true })).map(({ id }) => id)).toEqual(['shutdown'])
  expect(
    await found({ shutdownAsked: true }, set(option, electricalId, { optimizerId: 'thrushfield-430' })),
  ).toEqual([])
})

test('on three phases an inverter of one is told, and branches are shared out', async () => {
  const three = { gridPhases: 'three', gridVoltageV: 400, unbalancedKw: 4.6 }
  expect((await found(three)).map(({ code }) => code)).toEqual(['unbalanced'])
  expect(await found(three, set(option, electricalId, { inverterId: 'tarnbeck-360' }))).toEqual([])
})
