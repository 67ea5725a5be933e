import { checkCodes } from '@/core/model/ledger'
import { chapterOf } from './checks'

test('what is not named elsewhere is of the wiring: every such code, so that a new one is thought about', () => {
  expect(checkCodes.filter((code) => chapterOf(code) === 'wire')).toEqual([
    ...['string-cold', 'string-peak', 'string-hot', 'inputs', 'current'],
    ...['strings-gone', 'strings-many', 'strings-unlike', 'strings-mixed', 'phases'],
    ...['off-wall', 'cable-drop', 'cable-thin', 'busbar', 'unbalanced', 'shutdown'],
    ...['unit-cold', 'unit-peak', 'unit-hot', 'unit-current', 'unit-power'],
    ...['optimizers-few', 'optimizers-many', 'optimizers-power', 'branch-many'],
    ...['dc-ac-high', 'dc-ac-low', 'inverter-idle', 'clipping', 'counted-twice'],
  ])
})
