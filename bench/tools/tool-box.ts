import { type ToolId } from '../store/session'
import { type Vec2 } from '@/core/geometry/vector'
import { type PointerInput, ToolChart, type ToolContext } from './chart'
import { type Tool } from './tool'

/** The tool in hand; taking another puts the first one back as it was. */
export class ToolBox {
  readonly #context: ToolContext
  readonly #tools: readonly Tool[]
  #chart: ToolChart
  #pointer: Vec2 | null = null

  constructor(context: ToolContext, tools: readonly Tool[]) {
    this.#context = context
    this.#tools = tools
    this.#chart = this.#make('select')
  }

  get chart(): ToolChart {
    return this.#chart
  }

  /** Where the hand points: on what stands there, or on the ground; null while it is elsewhere. */
  get pointer(): Vec2 | null {
    return this.#pointer
  }

  point(input: PointerInput | null): void {
    this.#pointer = input && (input.hit ? [input.hit.point[0], input.hit.point[1]] : input.at)
  }

  take(id: ToolId): void {
    if (this.#chart.id !== 'select') this.#context.session.setState({ sketch: null, hover: null })
    else this.#context.documents.cancel()
    this.#chart = this.#make(id)
    this.#context.session.setState({ tool: id, placing: null })
  }

  /** Whether the hand is free for what is selected: no other tool is in it. */
  get selects(): boolean {
    return this.#chart.id === 'select'
  }

  #make(id: ToolId): ToolChart {
    const tool = this.#tools.find((one) => one.id === id)
    if (!tool) throw new RangeError(`there is no tool ${id}`)
    return new ToolChart(id, tool.begin(this.#context), () => this.take('select'))
  }
}
