import { job, option, runOf, freshGraph, worldOf } from '@/town/testing'
import { maximumPower, diodeAt } from '../energy/single-diode'
import { sweptBest } from '../energy/series-reference'
import { LitGroups, workingPoint } from '../energy/working-point'
import { type Objects } from '../kinds/documents'
import { type AnyObject } from '../kinds/index'
import { seededRandom } from '../model/random'
import { moduleModelStage } from './module-model'
import { panelLightStage } from './panel-light'
import { siteStage } from './site'
import { stringsStage } from './strings'
import { moduleIn } from './world'

/** The shipped house among other trees, taller or shorter, nearer or further, with other crowns. */
function someHouse(random: () => number): Objects {
  const between = (low: number, high: number) => low + random() * (high - low)
  return Object.fromEntries(
    Object.values(job.house).map((object): [string, AnyObject] => {
      if (object.kind === 'chimney') return [object.id, { ...object, heightM: between(0.5, 4) }]
      if (object.kind !== 'tree') return [object.id, object]
      const [x, y] = object.center
      const pull = between(0.6, 1.3)
      const opaque = between(0, 0.6)
      return [
        object.id,
        {
          ...object,
          center: [x * pull, y * pull],
          heightM: between(5, 18),
          crownDiameterM: between(3, 11),
          transmissivity: object.transmissivity.map((share) => Math.min(1, share * (0.4 + opaque))),
        },
      ]
    }),
  )
}

/** Shaded hours that are compared for each string of a job. */
const hoursEach = 8

test('fifty seeded jobs: strings in the shade that falls there are within 0.1 % of their whole curves', async () => {
  const random = seededRandom(20_261_128)
  const misses: number[] = []
  let hours = 0
  for (let k = 0; k < 50; k++) {
    const world = await worldOf(someHouse(random), option)
    const run = runOf(world, freshGraph())
    const { diode, power } = run.value(moduleModelStage)
    const { strips } = moduleIn(world)
    const ratedW = maximumPower(diodeAt(diode, 1000, 25)).powerW
    const lights = run.value(panelLightStage).map(({ value }) => value)
    const ids = run.value(siteStage).arrays.flatMap(({ panels }) => panels.map(({ id }) => id))
    let [sum, reference] = [0, 0]
    for (const { panelIds } of run.value(stringsStage).strings) {
      const panels = panelIds.flatMap((id) => lights[ids.indexOf(id)] ?? [])
      const groups = new LitGroups(panels)
      const point = workingPoint(groups, { power })
      const shaded = [...new Set(panels.flatMap((panel) => [...panel.shaded]))].sort((a, b) => a - b)
      const step = Math.max(1, Math.floor(shaded.length / hoursEach))
      let read = 0
      for (let at = Math.floor(random() * step); at < shaded.length; at += step) {
        const entry = shaded[at] ?? 0
        const light = panels.flatMap((panel) => {
          const row = panel.shaded.indexOf(entry)
          return row < 0
            ? new Array<number>(strips).fill(panel.mean[entry] ?? 0)
            : [...panel.strips.subarray(row * strips, (row + 1) * strips)]
        })
        // They are read in their order, none left out.
        while (read <= entry) groups.read(read++)
        if (Math.max(...light) < 20) continue
        const found = point.best(1, 25, panels.length)
        sum += (found.lit / 1000) * panels.length * ratedW * found.atCell
        reference += sweptBest(diode, strips, light, 25)
        hours++
      }
    }
    misses.push(Math.abs(sum / reference - 1))
  }
  expect(hours).toBeGreaterThan(500)
  expect(Math.max(...misses)).toBeLessThan(0.001)
}, 240_000)
