import { Fault } from '@/core/model/fault'
import { byAbout, CommentDesk, threadsOf, type CommentServer } from './comment-desk'
import { type Comment } from './comment-requests'

const comment = (id: string, more: Partial<Comment> = {}): Comment => ({
  id,
  about: '',
  answers: null,
  text: id,
  by: 'Ada',
  at: '',
  mine: true,
  resolved: null,
  ...more,
})

/** A server in memory, whose answers come when they are let go. */
function server() {
  const comments: Comment[] = []
  const state = { down: false, lists: [] as (() => void)[], holds: false }
  const asked: CommentServer = {
    list: async () => {
      const told = [...comments]
      if (state.holds) await new Promise<void>((go) => state.lists.push(go))
      return state.down ? { fault: new Fault('server-away') } : { comments: told }
    },
    say: async (one) => {
      if (state.down) return { fault: new Fault('server-away') }
      comments.push(comment(one.id, one))
      return { ok: true }
    },
    settle: async () => ({ fault: new Fault('no-such-comment') }),
    takeBack: async () => ({ ok: true }),
  }
  return { asked, comments, state }
}

test('answers stand under what they answer, in their order; threads by what they are about', () => {
  const threads = threadsOf([
    comment('a', { about: 'x' }),
    comment('b', { about: 'y' }),
    comment('a2', { about: 'x', answers: 'a' }),
    comment('c', { about: 'x' }),
    comment('a1', { about: 'x', answers: 'a' }),
  ])
  expect(threads.map(({ id, replies }) => [id, replies.map((reply) => reply.id)])).toEqual([
    ['a', ['a2', 'a1']],
    ['b', []],
    ['c', []],
  ])
  expect(byAbout(threads).map(([about, list]) => [about, list.map(({ id }) => id)])).toEqual([
    ['x', ['a', 'c']],
    ['y', ['b']],
  ])
})

test('what is said is there afterwards; what is refused is told, and the rest stays', async () => {
  const { asked, state } = server()
  const desk = new CommentDesk(asked)
  expect(await desk.say('tree-1', 'Higher?')).toBeNull()
  const [first] = desk.store.getState().threads ?? []
  expect(first?.text).toBe('Higher?')
  expect(await desk.say('', 'Yes', first?.id)).toBeNull()
  expect(desk.store.getState().threads?.[0]?.replies.map(({ text }) => text)).toEqual(['Yes'])
  expect((await desk.settle('x', true))?.code).toBe('no-such-comment')
  state.down = true
  expect((await desk.say('', 'Lost'))?.code).toBe('server-away')
  expect(desk.store.getState().fault?.code).toBe('server-away')
  expect(desk.store.getState().threads).toHaveLength(1)
  state.down = false
  await desk.read()
  expect(desk.store.getState().fault).toBeNull()
})

test('of two readings that cross the later one counts', async () => {
  const { asked, comments, state } = server()
  const desk = new CommentDesk(asked)
  state.holds = true
  const [early, late] = [desk.read(), (comments.push(comment('new')), desk.read())]
  state.lists[1]?.()
  await late
  state.lists[0]?.()
  await early
  expect(desk.store.getState().threads?.map(({ id }) => id)).toEqual(['new'])
})
