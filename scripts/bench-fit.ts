import { fittedPractice } from '@/town/practice/flown'
import { housesEach, practiceKinds } from '@/town/practice/houses'
import { noneJudged, together } from '@/town/practice/judge'

/** Seeds that nothing was developed on. */
const seeds = [8101, 8102]
const every = 3

const share = (part: number, of: number) => `${((100 * part) / Math.max(1, of)).toFixed(1)} %`

for (const cellM of [0.25, 0.5])
  for (const outline of ['known', 'found'] as const) {
    let all = noneJudged
    const times: number[] = []
    for (const seed of seeds)
      for (const kind of practiceKinds)
        for (let house = 0; house < housesEach; house += every) {
          const start = performance.now()
          const { judged } = fittedPractice(seed, kind, house, cellM, 0.08, outline)
          times.push(performance.now() - start)
          all = together(all, judged)
        }
    times.sort((a, b) => a - b)
    console.log(
      `fit, cells of ${cellM} m, outline ${outline}, ${times.length} houses: ` +
        `${share(all.found, all.planes)} of ${all.planes} planes over 8 m2 found, ` +
        `${share(all.within, all.planes)} within 1° of pitch, 2° of azimuth and 0.15 m at eave and ridge, ` +
        `${share(all.invented, all.fitted)} invented, ${share(all.treesFound, all.trees)} of ${all.trees} trees; ` +
        `flown, fitted and judged in ${(times[times.length >> 1] ?? 0).toFixed(0)} ms, at most ${(times.at(-1) ?? 0).toFixed(0)} ms`,
    )
  }
