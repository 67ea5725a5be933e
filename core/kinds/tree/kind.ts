import { distance2 } from '../../geometry/vector'
import { alterings, type Alteration } from '../alteration/alteration'
import { noParts, type Kind } from '../kind'
import { round } from '../place'
import { noCheck, standing, type Drag, type Handle } from '../standing'
import { crownOf, treeGeometry } from './geometry'
import {
  grown,
  highestTreeM,
  lowestTreeM,
  narrowestCrownM,
  treeMigrations,
  treeSchema,
  treeVersion,
  widestCrownM,
  type Tree,
} from './tree'

export const treeKind: Kind<Tree> = {
  kind: 'tree',
  document: 'house',
  schema: treeSchema,
  version: treeVersion,
  migrations: treeMigrations,
  singles: null,
  standing: standing<Tree, 'name', null>({
    rank: 'ground',
    ignores: ['name'],
    reads: () => null,
    build: treeGeometry,
    handles: treeHandles,
    drag: dragTree,
    check: noCheck,
    move: {
      middle: (tree) => tree.center,
      to: (_tree, center) => ({ center }),
      along: 'level',
    },
    carrier: null,
    height: 'heightM',
    altered: { ways: alterings, as: alteredTree },
  }),
  parts: noParts,
}

function treeHandles(tree: Tree): Handle[] {
  const [x, y] = tree.center
  const { centerM, halfHeightM } = crownOf(tree)
  return [
    { name: 'tree-top', index: 0, at: [x, y, tree.heightM], moves: 'up' },
    { name: 'clear-stem', index: 0, at: [x, y, centerM - halfHeightM], moves: 'up' },
    { name: 'crown', index: 0, at: [x + tree.crownDiameterM / 2, y, centerM], moves: 'width' },
  ]
}

/** The top is the height, the foot of the crown the clear stem, the side of the crown its width. */
function dragTree(tree: Tree, handle: Handle, to: Drag): Partial<Tree> {
  if (handle.name === 'tree-top')
    return { heightM: round(Math.max(lowestTreeM, Math.min(highestTreeM, to.heightM))) }
  if (handle.name === 'clear-stem')
    return { clearStemM: round(Math.max(0, Math.min(tree.heightM, to.heightM))) }
  if (!to.at) return {}
  const diameter = 2 * distance2(to.at, tree.center)
  return { crownDiameterM: round(Math.max(narrowestCrownM, Math.min(widestCrownM, diameter))) }
}

/** Without the tree, with its top cut off, or some years later. */
function alteredTree(
  tree: Tree,
  { what, heightM, years }: Pick<Alteration, 'what' | 'heightM' | 'years'>,
): Tree | null {
  if (what === 'gone') return null
  if (what === 'grown') return years === 0 ? tree : { ...tree, ...grown(tree, years) }
  return heightM < tree.heightM ? { ...tree, heightM } : tree
}
