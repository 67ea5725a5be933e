import { carrierOf } from '@/core/kinds/removed'
import { coverId, defaultCover } from '@/core/kinds/cover/cover'
import { type Objects } from '@/core/kinds/documents'
import { defaultElectrical, electricalId } from '@/core/kinds/electrical/electrical'
import { type Volume } from '@/core/kinds/volume/volume'
import { defaultSite } from '@/core/kinds/site/site'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { pick } from '@/core/site/pick'
import { catalogue } from '@/town/equipment'
import { laterFaults, laterRules } from '@/words/en/later-faults'
import { learnFaults } from '@/words/learned-faults'
import { tools as allTools } from '../kinds/index'
import { makeToolContext } from '../make-tool-context'
import { rememberedSites } from '../open-bench'
import { DocumentStore, houseId } from '../store/documents'
import { soleOwner } from '../store/selection'
import { createSession } from '../store/session'
import { type Grip, type PointerInput } from './chart'
import { UnderLines } from '../underlays/under-lines'
import { gripsOf } from './grips'
import { ToolBox } from './tool-box'

// As in a job that has been open for a moment.
learnFaults(laterFaults)
learnFaults(laterRules)

/** A house of ten metres by eight with its gables to the east and the west. */
export const gabledHouse = (pitchDeg: number): Volume => ({
  id: 'house',
  kind: 'volume',
  name: 'House',
  role: 'house',
  outline: [
    [-5, -4],
    [5, -4],
    [5, 4],
    [-5, 4],
  ],
  eaveHeightM: 3,
  edges: [{ pitchDeg }, { gable: true }, { pitchDeg }, { gable: true }],
  flat: null,
})

/** A bench without a browser: seen straight from above, a pixel to a centimetre. */
export function bench(house: Objects = {}) {
  const documents = new DocumentStore(
    {
      [houseId]: { site: { ...defaultSite, latitudeDeg: 41 }, ...house },
      'option-a': { [coverId]: defaultCover, [electricalId]: defaultElectrical },
    },
    ['option-a'],
  )
  const session = createSession('option-a')
  const sites = rememberedSites(documents, () => 'option-a', catalogue)
  const { site } = sites
  const underLines = new UnderLines()
  let seed = 0
  const context = makeToolContext(
    {
      documents,
      session,
      ...sites,
      catalogue,
      underLines,
      lateStates: async () => ({
        ...(await import('./calibrate')),
        ...(await import('./move-picture')),
        ...(await import('./look-from')),
        ...(await import('../wire/string-states')),
        ...(await import('../wire/place-states')),
      }),
    },
    () => (seed = (seed + 0.37) % 1),
  )
  const tools = new ToolBox(context, allTools)
  const grips = (): readonly Grip[] =>
    gripsOf(
      site(),
      (id) => documents.house[id] ?? documents.document('option-a')[id],
      session.getState().selection,
    )
  const input = (
    at: Vec2,
    shift = false,
    from: Vec3 = [at[0], at[1], 100],
    direction: Vec3 = [0, 0, -1],
  ): PointerInput => {
    const ray = { origin: from, direction }
    const selection = session.getState().selection
    const owner = soleOwner(selection)
    const slotsOf = owner !== null && carrierOf(documents.document('option-a'), owner) ? owner : null
    const grip =
      grips().find(
        ({ handle }) => handle.moves !== 'up' && Math.hypot(handle.at[0] - at[0], handle.at[1] - at[1]) < 0.2,
      ) ?? null
    return {
      at,
      ray,
      screen: [at[0] * 100, at[1] * 100],
      project: ([x, y]) => [x * 100, y * 100],
      hit: pick(site(), ray, slotsOf),
      grip,
      shift,
      reachM: 0.3,
    }
  }
  const press = (x: number, y: number, shift = false) => tools.chart.press(input([x, y], shift))
  const move = (x: number, y: number, shift = false) => tools.chart.move(input([x, y], shift))
  const release = (x: number, y: number, shift = false) => tools.chart.release(input([x, y], shift))
  const click = (x: number, y: number, shift = false) => {
    move(x, y)
    press(x, y, shift)
    release(x, y, shift)
  }
  const type = (text: string) => [...text].forEach((key) => tools.chart.key({ key, shift: false }))
  const key = (name: string) => tools.chart.key({ key: name, shift: false })
  const house_ = () => Object.values(documents.house).find((object) => object.kind === 'volume')
  return {
    documents,
    session,
    underLines,
    site,
    grips,
    context,
    tools,
    press,
    move,
    release,
    click,
    type,
    key,
    volume: house_,
    input,
  }
}
