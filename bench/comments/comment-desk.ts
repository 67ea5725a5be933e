import { createStore } from 'zustand/vanilla'
import { type Fault } from '@/core/model/fault'
import { type BenchParts } from '../context'
import { listComments, sayComment, settleComment, takeBackComment, type Comment } from './comment-requests'

/** A comment that nothing is an answer to, with its answers in the order they were made. */
export interface Thread extends Comment {
  readonly replies: readonly Comment[]
}

interface State {
  /** Null until they are known. */
  readonly threads: readonly Thread[] | null
  readonly fault: Fault | null
}

type Asked = Awaited<ReturnType<typeof listComments>>
type Answer = { readonly ok: boolean } | { readonly fault: Fault }

/** What the desk asks of the server. */
export interface CommentServer {
  readonly list: () => Promise<Asked>
  readonly say: (comment: Pick<Comment, 'id' | 'about' | 'answers' | 'text'>) => Promise<Answer>
  readonly settle: (id: string, resolved: boolean) => Promise<Answer>
  readonly takeBack: (id: string) => Promise<Answer>
}

/** The comments on a job as one screen knows them. */
export class CommentDesk {
  readonly store = createStore<State>(() => ({ threads: null, fault: null }))
  readonly #server: CommentServer
  #asked = 0

  constructor(server: CommentServer) {
    this.#server = server
  }

  /** Asks for all of them again; the last asked counts. */
  async read(): Promise<void> {
    const mine = ++this.#asked
    const answer = await this.#server.list()
    if (mine !== this.#asked) return
    if ('fault' in answer) this.store.setState({ fault: answer.fault })
    else this.store.setState({ threads: threadsOf(answer.comments), fault: null })
  }

  /** @returns what is wrong; null when it was said */
  say = (about: string, text: string, answers: string | null = null): Promise<Fault | null> =>
    this.#do(this.#server.say({ id: crypto.randomUUID(), about, answers, text }))

  settle = (id: string, resolved: boolean): Promise<Fault | null> =>
    this.#do(this.#server.settle(id, resolved))

  takeBack = (id: string): Promise<Fault | null> => this.#do(this.#server.takeBack(id))

  async #do(work: Promise<Answer>): Promise<Fault | null> {
    const answer = await work
    await this.read()
    return 'fault' in answer ? answer.fault : null
  }
}

export function threadsOf(comments: readonly Comment[]): Thread[] {
  return comments
    .filter(({ answers }) => answers === null)
    .map((comment) => ({ ...comment, replies: comments.filter(({ answers }) => answers === comment.id) }))
}

/** Threads by what they are about, in the order they began. */
export function byAbout(threads: readonly Thread[]): [about: string, threads: Thread[]][] {
  const groups = new Map<string, Thread[]>()
  for (const thread of threads) groups.set(thread.about, [...(groups.get(thread.about) ?? []), thread])
  return [...groups]
}

const desks = new WeakMap<BenchParts, CommentDesk>()

/** The bench's own desk; it asks again whenever somebody has said something. */
export function deskOf(bench: BenchParts): CommentDesk {
  const known = desks.get(bench)
  if (known) return known
  const { jobId, line } = bench
  const desk = new CommentDesk({
    list: () => listComments(jobId),
    say: (comment) => sayComment(jobId, comment),
    settle: (id, resolved) => settleComment(jobId, id, resolved),
    takeBack: (id) => takeBackComment(jobId, id),
  })
  desks.set(bench, desk)
  line.store.subscribe((now, before) => {
    if (now.comments !== before.comments) void desk.read()
  })
  void desk.read()
  return desk
}
