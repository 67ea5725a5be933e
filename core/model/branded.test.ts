import { Keyed } from '../graph/keyed'
import { bearsMark } from './branded'
import { Fault } from './fault'

test('a mark is known whichever copy of a class gave it, and nothing else bears it', () => {
  const mark = Symbol.for('tall-gable a test')
  const copy = () =>
    class {
      static readonly [Symbol.hasInstance] = bearsMark(mark)
      get [mark](): true {
        return true
      }
    }
  const [One, Other] = [copy(), copy()]
  expect(new One()).toBeInstanceOf(Other)
  for (const other of [{}, null, undefined, 'text', new Error('no')]) expect(other instanceof One).toBe(false)
  expect(new Fault('gone')).toBeInstanceOf(Fault)
  expect(new Fault('gone')).toBeInstanceOf(Error)
  expect(new Error('gone')).not.toBeInstanceOf(Fault)
  expect(new Keyed('k', 1)).toBeInstanceOf(Keyed)
  expect({ key: 'k', value: 1 }).not.toBeInstanceOf(Keyed)
})
