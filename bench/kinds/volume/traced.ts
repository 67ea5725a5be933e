import { ofKind } from '@/core/kinds/documents'
import { defaultEaveHeightM, defaultPitchDeg, type Volume } from '@/core/kinds/volume/volume'
import { signedArea } from '@/core/geometry/polygon'
import { newId } from '@/core/model/new-id'
import { checkOutline } from '@/core/roof/check-outline'
import { buildRoof } from '@/core/roof/roof'
import { nameAmong } from '../../tools/placing'
import { type Traced } from '../../tools/trace/drawing'

/** A building over its outline, with a roof that can be built: by heights where they were read, else a usual one. */
export const tracedVolume: Traced = {
  closes: true,
  label: 'Trace outline',
  make: (context, points) => {
    const outline = signedArea(points) < 0 ? [...points].reverse() : points
    const volume: Volume = {
      id: newId('volume', context.random),
      kind: 'volume',
      flat: null,
      name: nameAmong(context, 'volume', ofKind(context.documents.house, 'volume')),
      role: 'house',
      outline,
      eaveHeightM: defaultEaveHeightM,
      edges: outline.map(() => ({ pitchDeg: defaultPitchDeg })),
      ...context.roofOver(outline)?.roof,
    }
    checkOutline(outline)
    buildRoof(volume)
    return volume
  },
  said: ({ documents, roofOver }, id) => {
    const made = documents.house[id]
    return made?.kind === 'volume' ? (roofOver(made.outline)?.said ?? '') : ''
  },
}
