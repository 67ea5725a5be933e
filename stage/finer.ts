/** How long a picture must stand before it is drawn finer. */
const restMs = 500
/** A finer picture takes about four times as long: where a plain one takes longer than this, a hand would notice. */
const quickMs = 30
/** The same where the stage is only looked at. */
const patientMs = 1500

/** Draws the picture once more, and finer, when it has stood for a while and where that is quick. */
export class FinerAtRest {
  readonly #gl: WebGL2RenderingContext
  readonly #draw: () => void
  #patienceMs = quickMs
  #timer: ReturnType<typeof setTimeout> | undefined
  #frame = 0
  #done: WebGLSync | null = null

  constructor(gl: WebGL2RenderingContext, draw: () => void) {
    this.#gl = gl
    this.#draw = draw
  }

  /** Nobody works on the stage: finer pictures may take their time. */
  bePatient(): void {
    this.#patienceMs = patientMs
  }

  /**
   * A plain picture has just been asked for. How long it takes is known when the graphics unit has done it, which the
   * next frame of the page does not wait for.
   * @param began performance.now() before it was asked for
   */
  begin(began: number): void {
    this.stop()
    this.#done = this.#gl.fenceSync(this.#gl.SYNC_GPU_COMMANDS_COMPLETE, 0)
    this.#gl.flush()
    this.#look(began)
  }

  /** Something is about to change: the picture that stands is not worth the time. */
  stop(): void {
    cancelAnimationFrame(this.#frame)
    clearTimeout(this.#timer)
    this.#gl.deleteSync(this.#done)
    this.#done = null
  }

  #look(began: number): void {
    this.#frame = requestAnimationFrame((now) => {
      if (!this.#done) return
      const isDone = this.#gl.getSyncParameter(this.#done, this.#gl.SYNC_STATUS) === this.#gl.SIGNALED
      const inTime = now - began < this.#patienceMs
      if (!isDone && inTime) {
        this.#look(began)
        return
      }
      this.stop()
      if (isDone && inTime) this.#timer = setTimeout(this.#draw, restMs)
    })
  }
}
