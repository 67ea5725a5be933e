import { createHash } from 'node:crypto'
import { acStage } from '../stages/ac'
import { Fault } from '../model/fault'
import { freshGraph, job, option, worldOf } from '@/town/testing'
import { figuresOf, offerFile, offerInputs, type Sha256 } from './offer-file'
import { offeredDesign, statedIn } from './offered-design'

const sha256: Sha256 = (content) => createHash('sha256').update(content).digest('hex')
const patience = { atMostMs: Infinity, pause: async () => true }
const world = await worldOf()
const run = freshGraph().open(world)
await run.prepare([acStage], patience)
const inputs = offerInputs(job, job.options[0]?.id ?? '', world, [], sha256)
// As it is when it has been a file.
const sent = JSON.parse(JSON.stringify(offerFile(inputs, figuresOf(run), sha256))) as Record<string, unknown>
const nothing = { modules: [], inverters: [], batteries: [], optimizers: [], rules: [], mountings: [] }

test('the design of an offer gives what it stated, though the catalogue has none of its equipment any more', () => {
  const { design, file } = offeredDesign(sent, nothing)
  expect(design.option).toEqual(option)
  const again = freshGraph().open({ ...world, ...design })
  const kwh = again.value(acStage).kwhByInterval.reduce((sum, one) => sum + one, 0)
  expect(kwh).toBeGreaterThan(1000)
  expect(statedIn(file, 'yield')).toBeCloseTo(kwh, 6)
  expect(statedIn(file, 'no such figure')).toBeNull()
})

test.each([
  ['no object', 'an offer', 'no-offer-file'],
  ['another format', { ...sent, format: 'other' }, 'no-offer-file'],
  ['a digest that is none', { ...sent, digest: 'x' }, 'bad-offer-file'],
  ['an option that it has not', { ...sent, optionId: 'option-z' }, 'no-such-option'],
  ['no job', { ...sent, job: { format: 'other' } }, 'not-a-job'],
  ['sheets that are none', { ...sent, job: { ...(sent['job'] as object), equipment: 3 } }, 'bad-equipment'],
])('the file of an offer with %s is refused', (_, value, code) => {
  let found: unknown
  try {
    offeredDesign(value, nothing)
  } catch (error) {
    found = error
  }
  expect(found).toBeInstanceOf(Fault)
  expect((found as Fault).code).toBe(code)
})
