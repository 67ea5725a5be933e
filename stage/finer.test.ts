import { jest } from '@jest/globals'
import { FinerAtRest } from './finer'

/** A graphics unit that has done its work at a time, and frames of 16 ms by a clock of its own. */
function desk() {
  jest.useFakeTimers({ now: 0 })
  let doneAt = Infinity
  const gl = {
    SYNC_GPU_COMMANDS_COMPLETE: 1,
    SYNC_STATUS: 2,
    SIGNALED: 3,
    fenceSync: () => ({}),
    flush: () => undefined,
    deleteSync: () => undefined,
    getSyncParameter: () => (Date.now() >= doneAt ? 3 : 4),
  } as unknown as WebGL2RenderingContext
  globalThis.requestAnimationFrame = (then) =>
    setTimeout(() => then(Date.now()), 16) as unknown as ReturnType<typeof requestAnimationFrame>
  globalThis.cancelAnimationFrame = (frame) => clearTimeout(frame)
  let drawn = 0
  const finer = new FinerAtRest(gl, () => drawn++)
  return {
    finer,
    drawn: () => drawn,
    begin: (takesMs: number) => {
      doneAt = Date.now() + takesMs
      finer.begin(Date.now())
    },
    wait: (ms: number) => jest.advanceTimersByTime(ms),
  }
}

afterEach(() => jest.useRealTimers())

test('a picture that was quick is drawn finer once it has stood', () => {
  const { begin, drawn, wait } = desk()
  begin(10)
  wait(400)
  expect(drawn()).toBe(0)
  wait(200)
  expect(drawn()).toBe(1)
  wait(5000)
  expect(drawn()).toBe(1)
})

test('a picture that took long is left as it is, unless the stage is only looked at', () => {
  const { finer, begin, drawn, wait } = desk()
  begin(120)
  wait(3000)
  expect(drawn()).toBe(0)
  finer.bePatient()
  begin(120)
  wait(3000)
  expect(drawn()).toBe(1)
})

test('what is about to change is not drawn finer, and every picture begins anew', () => {
  const { finer, begin, drawn, wait } = desk()
  begin(10)
  wait(300)
  finer.stop()
  wait(3000)
  expect(drawn()).toBe(0)
  begin(10)
  wait(300)
  begin(10)
  wait(300)
  expect(drawn()).toBe(0)
  wait(300)
  expect(drawn()).toBe(1)
})
