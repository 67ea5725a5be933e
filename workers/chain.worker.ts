import { type SunSpan } from '@/core/energy/sun-span'
import { Graph } from '@/core/graph/graph'
import { Overtaken, type Patience } from '@/core/graph/run'
import { Fault } from '@/core/model/fault'
import { summarise } from '@/core/readers/summary'
import { accounts } from '@/core/stages/accounts/index'
import { type World } from '@/core/stages/world'
import { type AfterAnswer, type AfterRequest, type MadeAnswer, type MadeRequest } from './after-messages'
import { type BestAnswer, type BestRequest } from './best-messages'
import { faultDetail } from './fault-detail'
import { weatherAt } from './fetch-weather'
import { type FitAnswer, type FitRequest } from './fit-messages'
import {
  protocolVersion,
  type Ranking,
  type RunRequest,
  type ShadeWanted,
  type WorkerAnswer,
  type WorkerRequest,
} from './messages'

const graph = new Graph<World>({ now: () => performance.now() })

/** Works this long before it listens. */
const atMostMs = 30
/** A run of the option on the screen is ended all the same if it has taken no longer when it is overtaken. */
const worthEndingMs = 1500
const tellsEveryMs = 1000

/** The newest request that has not begun. */
let waiting: RunRequest | null = null
/** Whether the page has a newer state than the one being worked on. */
let overtaken = false
let running = false

const post = (answer: WorkerAnswer) => self.postMessage(answer)

/** A way to let messages in between two pieces of work; a timer would rest four milliseconds each time. */
class Pause {
  readonly #channel = new MessageChannel()
  readonly #woken: (() => void)[] = []

  constructor() {
    this.#channel.port1.onmessage = () => this.#woken.shift()?.()
  }

  listen(): Promise<void> {
    return new Promise((done) => {
      this.#woken.push(done)
      this.#channel.port2.postMessage(null)
    })
  }

  close(): void {
    this.#channel.port1.close()
  }
}

async function runOption(request: RunRequest, index: number, world: World, pause: Pause): Promise<void> {
  const optionId = request.options[index]?.id ?? ''
  const start = performance.now()
  const run = graph.open(world)
  await run.prepare(accounts, {
    atMostMs,
    pause: async () => {
      await pause.listen()
      return !overtaken || (index === 0 && performance.now() - start < worthEndingMs)
    },
  })
  post({ type: 'result', id: request.id, optionId, summary: summarise(run, world) })
}

/** What may wait is given up as soon as there is a newer state. */
const untilOvertaken = (pause: Pause): Patience => ({
  atMostMs,
  pause: async () => {
    await pause.listen()
    return !overtaken
  },
})

/** The light on the roofs; it may wait for everything else. */
async function tellSunMap(request: RunRequest, span: SunSpan, world: World, pause: Pause): Promise<void> {
  const { mapSun } = await import('./map-sun')
  const found = await mapSun(graph, world, span, untilOvertaken(pause))
  post({ type: 'sun-map', id: request.id, optionId: request.options[0]?.id ?? '', span, ...found })
}

/** What is asked about shade beside the figures: the light at once, what takes several runs when it is done. */
async function tellShade(
  request: RunRequest,
  wanted: ShadeWanted,
  world: World,
  pause: Pause,
): Promise<void> {
  const { heightWorths, partLight, shadeByBoth } = await import('./shade-of')
  const optionId = request.options[0]?.id ?? ''
  const answer = { type: 'shade', id: request.id, optionId, wanted } as const
  const light = partLight(graph.open(world), wanted.of)
  post({ ...answer, light, heights: null, byBoth: null })
  if (!wanted.heights) return
  const byBoth = await shadeByBoth(graph, world, untilOvertaken(pause))
  if (byBoth) post({ ...answer, light, heights: null, byBoth })
  const heights = await heightWorths(graph, world, untilOvertaken(pause))
  post({ ...answer, light, heights, byBoth })
}

/** Every inverter in the place of the chosen one, other strings, optimizers, tariffs or hours, told as they come; or curves of inputs, or loads one by one. */
async function tellRanking(
  request: RunRequest,
  of: Ranking['of'],
  world: World,
  pause: Pause,
): Promise<void> {
  const {
    hourWorths,
    inputCurves,
    inverterWorths,
    loadParts,
    optimizerWorths,
    stringsWorths,
    tariffsOf,
    tariffWorths,
  } = await import('./ranking-of')
  const optionId = request.options[0]?.id ?? ''
  const tell = (ranking: Ranking) => post({ type: 'ranking', id: request.id, optionId, ranking })
  if (of === 'strings')
    await stringsWorths(graph, world, untilOvertaken(pause), (rows, all) => tell({ of, all, rows }))
  else if (of === 'optimizers')
    await optimizerWorths(graph, world, untilOvertaken(pause), (rows, all) => tell({ of, all, rows }))
  else if (of === 'hours')
    await hourWorths(graph, world, untilOvertaken(pause), (rows, all) => tell({ of, all, rows }))
  else if (of === 'tariffs')
    await tariffWorths(graph, world, await tariffsOf(world), untilOvertaken(pause), (rows, all) =>
      tell({ of, all, rows }),
    )
  else if (of === 'loads') {
    const rows = loadParts(graph.open(world), world)
    tell({ of, all: rows.length, rows })
  } else if (of !== 'inverters') {
    const rows = inputCurves(graph.open(world), world, Number(of.slice('curves '.length)))
    tell({ of, all: rows.length, rows })
  } else await inverterWorths(graph, world, untilOvertaken(pause), (rows, all) => tell({ of, all, rows }))
}

/** Other batteries in the place of the chosen one, told as they come. */
async function tellStorage(request: RunRequest, world: World, pause: Pause): Promise<void> {
  const { storageWorths } = await import('./storage-of')
  const optionId = request.options[0]?.id ?? ''
  await storageWorths(graph, world, untilOvertaken(pause), (picture) =>
    post({ type: 'storage', id: request.id, optionId, picture }),
  )
}

/** Where the offer may end up, over many courses of its years. */
async function tellRanges(request: RunRequest, world: World, pause: Pause): Promise<void> {
  const { rangesOfMoney } = await import('./ranges-of')
  const optionId = request.options[0]?.id ?? ''
  const ranges = await rangesOfMoney(graph, world, untilOvertaken(pause))
  post({ type: 'ranges', id: request.id, optionId, ranges })
}

async function work(request: RunRequest, pause: Pause): Promise<void> {
  const { id, house, catalogue, station } = request
  try {
    const weather = await weatherAt(request.weatherUrl)
    for (const [index, option] of request.options.entries()) {
      try {
        await runOption(request, index, { house, option: option.objects, catalogue, station, weather }, pause)
      } catch (error) {
        if (error instanceof Overtaken) return
        post({ type: 'fault', id, optionId: option.id, fault: faultDetail(error) })
        // Not a fault of the design: whoever looks into it finds it here.
        // eslint-disable-next-line no-console -- a worker has nowhere else to say what nobody expected
        if (!(error instanceof Fault)) console.error(error)
      }
      await pause.listen()
      if (overtaken) return
    }
    const [first] = request.options
    if (!first) return
    const world = { house, option: first.objects, catalogue, station, weather }
    if (request.shade) await tellShade(request, request.shade, world, pause)
    if (request.ranking) await tellRanking(request, request.ranking, world, pause)
    if (request.storage) await tellStorage(request, world, pause)
    if (request.ranges) await tellRanges(request, world, pause)
    if (request.sunMap !== null) await tellSunMap(request, request.sunMap, world, pause)
  } catch (error) {
    if (error instanceof Overtaken) return
    post({ type: 'fault', id, optionId: null, fault: faultDetail(error) })
  }
}

async function loop(): Promise<void> {
  if (running) return
  running = true
  const pause = new Pause()
  for (let request = waiting; request; request = waiting) {
    const { id } = request
    waiting = null
    overtaken = false
    const telling = setInterval(() => post({ type: 'working', id }), tellsEveryMs)
    await work(request, pause)
    clearInterval(telling)
    post({ type: 'idle', id })
  }
  pause.close()
  running = false
}

/** Reads the buildings in heights; asked of a worker of its own, which does nothing else. */
async function fit(request: FitRequest): Promise<void> {
  const answer = (said: FitAnswer) => self.postMessage(said)
  try {
    const { fitOf } = await import('./fit-of')
    answer({ found: await fitOf(request, (share) => answer({ share })), fault: null })
  } catch (error) {
    answer({ found: null, fault: faultDetail(error) })
  }
}

/** Holds what was made against what was promised; asked of a worker of its own too. */
async function after(request: AfterRequest): Promise<void> {
  const answer = (said: AfterAnswer) => self.postMessage(said)
  try {
    const { afterOf } = await import('./after-of')
    answer(await afterOf(request, graph))
  } catch (error) {
    answer({ report: null, fault: faultDetail(error) })
  }
}

/** Reads what was made; asked of a worker of its own. */
async function made(request: MadeRequest): Promise<void> {
  const answer = (said: MadeAnswer) => self.postMessage(said)
  try {
    const { madeOf } = await import('./after-of')
    answer(madeOf(request))
  } catch (error) {
    answer({ production: null, fault: faultDetail(error) })
  }
}

/** The ways to do an option; asked of a worker of its own. */
async function best(request: BestRequest): Promise<void> {
  const answer = (said: BestAnswer) => self.postMessage(said)
  try {
    const { bestOf } = await import('./best-of')
    answer({ candidates: await bestOf(request, graph, (share) => answer({ share })), fault: null })
  } catch (error) {
    answer({ candidates: null, fault: faultDetail(error) })
  }
}

self.onmessage = ({
  data,
}: MessageEvent<WorkerRequest | FitRequest | AfterRequest | MadeRequest | BestRequest>) => {
  if (data.type === 'best') {
    void best(data)
    return
  }
  if (data.type === 'after') {
    void after(data)
    return
  }
  if (data.type === 'made') {
    void made(data)
    return
  }
  if (data.type === 'fit') {
    void fit(data)
    return
  }
  if (data.type === 'overtaking') {
    overtaken = true
    return
  }
  if (data.protocol !== protocolVersion) {
    const fault = { code: 'wrong-version', data: { page: data.protocol, worker: protocolVersion }, path: '' }
    post({ type: 'fault', id: data.id, optionId: null, fault })
    post({ type: 'idle', id: data.id })
    return
  }
  waiting = data
  overtaken = running
  void loop()
}
