import { type ToolId } from '../store/session'
import { ToolChart, type ToolContext } from './chart'
import { TogglingGable } from './gable/toggling'
import { Laying } from './lay/laying'
import { Placing } from './place/placing'
import { StandingRack } from './rack/standing'
import { SelectIdle } from './select/idle'
import { TraceIdle } from './trace/idle'

/** The tool in hand; taking another puts the first one back as it was. */
export class ToolBox {
  readonly #context: ToolContext
  #chart: ToolChart

  constructor(context: ToolContext) {
    this.#context = context
    this.#chart = this.#make('select')
  }

  get chart(): ToolChart {
    return this.#chart
  }

  take(id: ToolId): void {
    if (this.#chart.id !== 'select') this.#context.session.setState({ sketch: null, hover: null })
    else this.#context.documents.cancel()
    this.#chart = this.#make(id)
    this.#context.session.setState({ tool: id })
  }

  #make(id: ToolId): ToolChart {
    const leave = () => this.take('select')
    const context = this.#context
    if (id === 'trace') return new ToolChart(id, new TraceIdle(context), leave)
    if (id === 'gable') return new ToolChart(id, new TogglingGable(context), leave)
    if (id === 'lay') return new ToolChart(id, new Laying(context), leave)
    if (id === 'chimney' || id === 'tree') return new ToolChart(id, new Placing(context, id), leave)
    if (id === 'rack') return new ToolChart(id, new StandingRack(context), leave)
    return new ToolChart(id, new SelectIdle(context), leave)
  }
}
