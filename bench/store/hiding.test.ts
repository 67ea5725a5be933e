import { hideOrShow, hideSelected, showAll } from './hiding'
import { createSession } from './session'

test('what is hidden is out of hand, and comes back by itself or with everything', () => {
  const session = createSession('option-a')
  const hidden = () => session.getState().hidden
  session.setState({ selection: { kind: 'object', id: 'tree-1' } })
  hideSelected(session)
  expect([hidden(), session.getState().selection]).toEqual([['tree-1'], null])
  session.setState({ selection: { kind: 'object', id: 'house' } })
  hideOrShow(session, 'tree-2')
  // Another thing stays in hand.
  expect(session.getState().selection).toEqual({ kind: 'object', id: 'house' })
  hideOrShow(session, 'tree-1')
  expect(hidden()).toEqual(['tree-2'])
  session.setState({ selection: null })
  hideSelected(session)
  expect(hidden()).toEqual([])
})

test('a module is hidden with its array', () => {
  const session = createSession('option-a')
  session.setState({ selection: { kind: 'panel', id: 'array-south/0:1', arrayId: 'array-south' } })
  hideSelected(session)
  expect([session.getState().hidden, session.getState().selection]).toEqual([['array-south'], null])
  showAll(session)
  expect(session.getState().hidden).toEqual([])
})
