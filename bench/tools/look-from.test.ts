import { bench, gabledHouse } from './testing'

type Bench = ReturnType<typeof bench>

/** Its states are fetched when it is taken. */
async function taken(b: Bench): Promise<void> {
  b.tools.take('look')
  await b.context.lateStates()
  await b.context.lateStates()
}

test('a click on a roof looks from just over its plane, and shows the sun path', async () => {
  const b = bench({ house: gabledHouse(45) })
  await taken(b)
  b.move(1, -2)
  expect(b.session.getState().sketch?.marks).toHaveLength(1)
  b.click(1, -2)
  const { lookFrom, dialog, tool, sketch } = b.session.getState()
  expect([dialog, tool, sketch]).toEqual(['shade', 'select', null])
  // Two metres up a slope of 45 degrees from an eave at 3 m, and two centimetres out of it.
  expect(lookFrom?.at[2]).toBeCloseTo(5 + 0.02 * Math.SQRT1_2, 2)
  expect(lookFrom?.normal?.[1]).toBeCloseTo(-Math.SQRT1_2, 6)
})

test('the ground is looked from as well, by keys too; Esc puts the tool down', async () => {
  const b = bench({ house: gabledHouse(45) })
  await taken(b)
  for (let k = 0; k < 30; k++) b.key('ArrowRight')
  b.key('Enter')
  expect(b.session.getState().lookFrom).toEqual({ at: [15, 0, 0.02], normal: null })
  b.session.setState({ dialog: null, lookFrom: null })
  await taken(b)
  b.tools.chart.cancel()
  expect(b.session.getState()).toMatchObject({ tool: 'select', sketch: null, lookFrom: null, dialog: null })
})
