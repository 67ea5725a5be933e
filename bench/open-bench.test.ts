import { type Objects } from '@/core/kinds/documents'
import { defaultOffer, offerId } from '@/core/kinds/offer/offer'
import { changeBetween } from '@/core/model/change'
import { withPending } from './open-bench'
import { houseId } from './store/documents'

const option: Objects = { [offerId]: defaultOffer }
const job = { name: 'Job', house: {}, options: [{ id: 'option-a', objects: option }] }
const priced = (objects: Objects, pricePerWatt: number): Objects => ({
  ...objects,
  [offerId]: { ...defaultOffer, pricePerWatt },
})
const edit = (id: string, documentId: string, from: Objects, to: Objects) => ({
  id,
  documentId,
  change: changeBetween(from, to),
})

test('edits the server has not got yet are put on top, one after the other', () => {
  const once = priced(option, 3)
  const twice = priced(option, 4)
  const { documents, order } = withPending(job, [
    edit('1', 'option-a', option, once),
    edit('2', 'option-a', once, twice),
  ])
  expect(documents['option-a']).toEqual(twice)
  expect(documents[houseId]).toEqual({})
  expect(order).toEqual(['option-a'])
})

test('an edit whose answer was lost changes nothing; one that met another’s waits', () => {
  const stored = priced(option, 3)
  const there = { ...job, options: [{ id: 'option-a', objects: stored }] }
  expect(withPending(there, [edit('1', 'option-a', option, stored)]).documents['option-a']).toEqual(stored)
  const late = edit('2', 'option-a', priced(option, 9), priced(option, 10))
  expect(withPending(there, [late]).documents['option-a']).toEqual(stored)
})

test('an option made while the server was away is there, after the others', () => {
  const { documents, order } = withPending(job, [edit('1', 'option-b', {}, option)])
  expect(documents['option-b']).toEqual(option)
  expect(order).toEqual(['option-a', 'option-b'])
})
