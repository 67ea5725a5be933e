import { type RoofEdge } from '@/core/kinds/volume/volume'
import { slope } from '@/words/format'
import { type Sayer } from '@/words/sayer'

/** The pitches of a roof's sides, each once. */
export const pitchesOf = (edges: readonly RoofEdge[], sayer: Sayer): string =>
  [
    ...new Set(
      edges.flatMap((edge) =>
        'pitchDeg' in edge
          ? [slope(edge.pitchDeg, sayer.place)]
          : 'gable' in edge
            ? []
            : [slope(edge.profile.at(-1)?.[1] ?? 0, sayer.place)],
      ),
    ),
  ].join(', ')
