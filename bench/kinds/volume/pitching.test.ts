import { bench, gabledHouse } from '../../tools/testing'

const house = gabledHouse(20)

const pitching = () => {
  const b = bench({ house })
  b.tools.take('pitch')
  const type = (text: string) => {
    for (const letter of text) b.key(letter)
    b.key('Enter')
  }
  const message = () => b.session.getState().sketch?.message ?? ''
  return { ...b, type, message }
}

test('a slope line: from here to there it rises so much; the eave stays, slopes alike change together', () => {
  const b = pitching()
  b.click(0, -3.5)
  expect(b.message()).toMatch(/As drawn it is at 3\.18 m/)
  b.type('0')
  b.click(2, -0.5)
  // Three metres up the slope and three higher: 45 degrees.
  b.type('3')
  expect(b.message()).toMatch(/^45/)
  b.key('Enter')
  expect(b.documents.house.house).toMatchObject({
    eaveHeightM: 3,
    edges: [{ pitchDeg: 45 }, { gable: true }, { pitchDeg: 45 }, { gable: true }],
  })
  expect(b.session.getState().toast?.text).toMatch(/Pitch 45.* from 2 heights\.$/)
  expect(b.session.getState().tool).toBe('select')
  b.documents.undo()
  expect(b.documents.house.house).toEqual(house)
})

test('three points of known height set the eave as well, and how far off they are is said', () => {
  const b = pitching()
  b.click(0, -3)
  b.type('4.5')
  b.click(1, -2)
  b.type('5.1')
  b.click(3, -1)
  b.type('5.7')
  expect(b.message()).toMatch(/0\.00 m off/)
  b.key('Enter')
  // 0.6 m a metre; the side is a metre below the first point.
  expect(b.documents.house.house).toMatchObject({
    eaveHeightM: 3.9,
    edges: [{ pitchDeg: 30.96 }, {}, {}, {}],
  })
})

test('three heights that are not over the ground would sink the eave: it is said, and what was typed stays', () => {
  const b = pitching()
  b.click(0, -3)
  b.type('0')
  b.click(1, -2)
  b.type('0.6')
  b.click(3, -1)
  b.type('1.2')
  b.key('Enter')
  expect(b.message()).toMatch(/eave at −0\.60 m/)
  expect(b.documents.house.house).toEqual(house)
  b.key('Backspace')
  b.key('Enter')
  expect(b.documents.house.house).toMatchObject({ eaveHeightM: 3, edges: [{ pitchDeg: 30.96 }, {}, {}, {}] })
})

test('what makes no sense is said and changes nothing: another plane, one height, side by side, too steep', () => {
  const b = pitching()
  b.click(20, 20)
  expect(b.message()).toMatch(/No roof plane/)
  b.click(0, -3)
  b.type('abc')
  expect(b.message()).toMatch(/not a length/)
  b.key('Backspace')
  b.key('Backspace')
  b.key('Backspace')
  b.type('4')
  b.key('Enter')
  expect(b.documents.undo()).toBeNull()
  b.click(0, 3)
  expect(b.message()).toMatch(/another plane/)
  b.click(3, -3)
  b.type('4.2')
  b.key('Enter')
  expect(b.message()).toMatch(/side by side/)
  b.key('Backspace')
  b.click(0, -2.5)
  b.type('9')
  b.key('Enter')
  expect(b.message()).toMatch(/pitch of 84/)
  b.tools.chart.cancel()
  expect(b.documents.house.house).toEqual(house)
  expect(b.session.getState().sketch).toBeNull()
})
