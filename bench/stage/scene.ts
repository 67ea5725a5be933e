import { type Catalogue } from '@/core/electrical/catalogue'
import { ofKind, type Objects } from '@/core/model/document'
import { type Fault } from '@/core/model/fault'
import { type Chimney } from '@/core/model/kinds/chimney'
import { coverId } from '@/core/model/kinds/cover'
import { crownOf, type Tree } from '@/core/model/kinds/tree'
import { type Volume } from '@/core/model/kinds/volume'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { layPanels, type Laid } from '@/core/pipeline/panels'
import { type Roof } from '@/core/roof/roof'
import { chimneyBox, roofsOf } from '@/core/shade/scene'

/** What stands on the stage, worked out from the documents by the core. */
export interface StageScene {
  readonly volumes: readonly {
    readonly volume: Volume
    readonly roof: Roof | null
    readonly fault: Fault | null
  }[]
  readonly chimneys: readonly {
    readonly chimney: Chimney
    readonly base: readonly Vec2[]
    readonly bottomM: number
    readonly topM: number
  }[]
  readonly trees: readonly {
    readonly tree: Tree
    readonly center: Vec3
    readonly radiusM: number
    readonly halfHeightM: number
  }[]
  readonly laid: Laid
  readonly roofs: ReadonlyMap<string, Roof>
}

export function stageScene(house: Objects, option: Objects, catalogue: Catalogue): StageScene {
  const { roofs, faults } = roofsOf(house)
  const cover = option[coverId]
  const module = cover?.kind === 'cover' ? catalogue.modules.find((m) => m.id === cover.moduleId) : undefined
  return {
    roofs,
    volumes: ofKind(house, 'volume').map((volume) => ({
      volume,
      roof: roofs.get(volume.id) ?? null,
      fault: faults.find((fault) => fault.volumeId === volume.id)?.fault ?? null,
    })),
    chimneys: ofKind(house, 'chimney').map((chimney) => ({ chimney, ...chimneyBox(chimney, roofs) })),
    trees: ofKind(house, 'tree').map((tree) => {
      const crown = crownOf(tree)
      return {
        tree,
        center: [tree.center[0], tree.center[1], crown.centerM],
        radiusM: crown.radiusM,
        halfHeightM: crown.halfHeightM,
      }
    }),
    laid:
      module && cover?.kind === 'cover'
        ? layPanels(ofKind(option, 'array'), ofKind(option, 'rack'), cover, module, house, roofs)
        : { arrays: [], homeless: [] },
  }
}
