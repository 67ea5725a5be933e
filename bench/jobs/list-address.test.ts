import { addressOfList, listAddressOf, wholeList } from './list-address'

test('a list comes back from its address, and what makes no sense there counts as not said', () => {
  const lists = [
    wholeList,
    { ...wholeList, q: 'Müller & Sons', status: 'offered', page: 3 },
    { ...wholeList, shelf: 'archive', tag: 'flat roof', isByNextStep: true },
    { ...wholeList, shelf: 'bin', owner: '01234567-89ab-cdef-0123-456789abcdef' },
  ] as const
  for (const list of lists) {
    const url = new URL(addressOfList(list), 'http://localhost')
    expect(listAddressOf(Object.fromEntries(url.searchParams))).toEqual(list)
  }
  expect(addressOfList(wholeList)).toBe('/')
  expect(
    listAddressOf({ q: ['a', 'b'], shelf: 'cellar', status: 'won', owner: '1', by: 'magic', page: '-2' }),
  ).toEqual(wholeList)
  expect(listAddressOf({ page: '1e99' })).toEqual(wholeList)
})
