import type ApexCharts from 'apexcharts'
import { type ApexOptions } from 'apexcharts'

/** Longest that new figures wait for their drawing while the page is busy, ms. */
const longestWaitMs = 1000

/** Does something when the page has nothing more urgent to do. @returns what calls it off */
function whenIdle(work: () => void): () => void {
  if (!('requestIdleCallback' in window)) {
    const timer = setTimeout(work, 100)
    return () => clearTimeout(timer)
  }
  const asked = window.requestIdleCallback(work, { timeout: longestWaitMs })
  return () => window.cancelIdleCallback(asked)
}

/**
 * A chart in its element. Drawing one takes longer than working out a year: figures that follow one another quickly are
 * drawn once, when the page is at rest, and those out of sight when they come into it. Until then the element says with
 * `data-stale` that its drawing is of the figures before.
 */
export class DrawnChart {
  readonly #element: HTMLElement
  readonly #watch: IntersectionObserver
  #chart: ApexCharts | null = null
  #wanted: ApexOptions | null = null
  #inSight = false
  #drawing = false
  #callOff: (() => void) | null = null
  #gone = false

  constructor(element: HTMLElement) {
    this.#element = element
    this.#watch = new IntersectionObserver((entries) => {
      this.#inSight = entries.at(-1)?.isIntersecting ?? false
      if (this.#inSight) this.#plan()
    })
    this.#watch.observe(element)
  }

  /** @param atOnce for a page that is printed: it waits for nothing */
  show(options: ApexOptions, atOnce: boolean): void {
    this.#wanted = options
    this.#element.toggleAttribute('data-stale', this.#chart !== null)
    if (atOnce) void this.#draw()
    else this.#plan()
  }

  dispose(): void {
    this.#gone = true
    this.#watch.disconnect()
    this.#callOff?.()
    this.#chart?.destroy()
  }

  #plan(): void {
    if (!this.#wanted || this.#callOff || this.#gone || (this.#chart && !this.#inSight)) return
    this.#callOff = whenIdle(() => {
      this.#callOff = null
      void this.#draw()
    })
  }

  async #draw(): Promise<void> {
    if (this.#drawing) return
    this.#drawing = true
    try {
      const { default: Chart } = await import('apexcharts')
      const options = this.#wanted
      if (!options || this.#gone) return
      this.#wanted = null
      if (this.#chart) await this.#chart.updateOptions(options)
      else {
        this.#chart = new Chart(this.#element, options)
        await this.#chart.render()
      }
      // Unless newer figures have come meanwhile.
      this.#element.toggleAttribute('data-stale', this.#wanted !== null)
    } finally {
      this.#drawing = false
    }
    this.#plan()
  }
}
