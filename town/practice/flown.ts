import { buildingsAt } from '@/core/fit/find-outline'
import { fitHouse, type FittedHouse } from '@/core/fit/fit'
import { sub2 } from '@/core/geometry/vector'
import { cellAt } from '@/core/heights/raster'
import { practiceHouse, type PracticeKind } from './houses'
import { judged, type Judged } from './judge'
import { surveyed } from './survey'
import { truthOf } from './truth'

/**
 * A practice house flown over, fitted and held against the truth.
 * @param outline whether its outline is known, or found in the heights too
 */
export function fittedPractice(
  seed: number,
  kind: PracticeKind,
  house: number,
  cellM: number,
  noiseM: number,
  outline: 'known' | 'found' = 'known',
): { readonly fitted: FittedHouse; readonly truth: ReturnType<typeof truthOf>; readonly judged: Judged } {
  const place = practiceHouse(seed, kind, house)
  const truth = truthOf(place)
  const { grid } = surveyed(place, { cellM, noiseM, seed: seed * 1000 + house })
  const [origin = [0, 0]] = place.outline
  const local = { ...grid, first: sub2(grid.first, origin) }
  const fitted = fitHouse(
    local,
    outline === 'known' ? truth.outline : buildingsAt(local, sub2(place.lot.center, origin)).house,
  )
  const middle = cellAt(local, grid.columns / 2, grid.rows / 2)
  const reachM = (grid.columns * cellM) / 2 - 1
  return {
    fitted,
    truth,
    judged: judged(
      fitted,
      truth,
      ({ x, y, crownDiameterM }) =>
        Math.max(Math.abs(x - middle[0]), Math.abs(y - middle[1])) < reachM - crownDiameterM / 2,
    ),
  }
}
