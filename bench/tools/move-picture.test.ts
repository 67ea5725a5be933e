import { defaultSite, type Site } from '@/core/kinds/site/site'
import { bench, gabledHouse } from './testing'

type Bench = ReturnType<typeof bench>

const now = (b: Bench): Site => {
  const site = b.documents.house['site']
  if (site?.kind !== 'site') throw new Error('there is a site')
  return site
}
/** Its states are fetched when it is taken. */
async function taken(b: Bench): Promise<void> {
  b.tools.take('move-picture')
  await b.context.lateStates()
  await b.context.lateStates()
}

test('a point of the picture is brought to the corner of the model that it belongs to, in one step', async () => {
  const b = bench({ house: gabledHouse(30) })
  await taken(b)
  // The first point is one of the picture: the corner beside it does not hold it.
  b.click(5.2, 3.9)
  expect(b.session.getState().sketch).toMatchObject({ points: [[5.2, 3.9]] })
  b.click(5.1, 4.1)
  expect(now(b).sheetShiftM).toEqual([-0.2, 0.1])
  expect(b.session.getState()).toMatchObject({ tool: 'select', sketch: null })
  expect(b.session.getState().toast?.text).toBe('Aerial picture moved 0.22 m.')
  // What was shifted before is shifted on.
  await taken(b)
  b.click(0, 0)
  b.click(1, 1)
  expect(now(b).sheetShiftM).toEqual([0.8, 1.1])
  b.documents.undo()
  b.documents.undo()
  expect(now(b).sheetShiftM).toEqual([0, 0])
})

test('arrow keys and Enter move it too, and Esc takes a step back', async () => {
  const b = bench()
  await taken(b)
  b.key('ArrowRight')
  b.key('Enter')
  b.key('ArrowUp')
  b.tools.chart.cancel()
  expect(b.session.getState().sketch).toMatchObject({ points: [], pointer: [0.5, 0] })
  b.key('Enter')
  b.key('ArrowUp')
  b.key('ArrowUp')
  b.key('Enter')
  expect(now(b).sheetShiftM).toEqual([0, 1])
})

test('a picture is not moved further than a picture can be wrong: that is said, and it stays', async () => {
  const b = bench({ site: { ...defaultSite, latitudeDeg: 41, sheetShiftM: [20, 0] } })
  await taken(b)
  b.click(-3, 0)
  b.click(9, 0)
  expect(now(b).sheetShiftM).toEqual([20, 0])
  expect(b.session.getState().toast?.text).toMatch(/25/)
  expect(b.session.getState().tool).toBe('move-picture')
})
