import { usualTrees } from './tree/tree'
import { withUsual } from './usual'

test('usual measures follow the sort, a measured one stays, and nothing else of the object comes along', () => {
  const oak = { id: 'tree-1', ...usualTrees.broadleaf, heightM: 13.4 }
  expect(withUsual(oak, usualTrees.broadleaf, usualTrees.palm)).toEqual({ ...usualTrees.palm, heightM: 13.4 })
  expect(withUsual(usualTrees.palm, usualTrees.palm, usualTrees.conifer)).toEqual(usualTrees.conifer)
})
