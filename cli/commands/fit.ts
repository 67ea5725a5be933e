import { type Command } from 'commander'
import { fromArrayBuffer } from 'geotiff'
import { z } from 'zod'
import { fitFromFiles } from '@/core/fit/fit-file'
import { heightFile } from '@/core/heights/geotiff'
import { Fault } from '@/core/model/fault'
import { textOf } from '@/core/weather/text'
import { type Question } from '../case-command'
import { readBytes } from '../files'
import { addOptionCommand } from '../options'
import { writtenPlane } from '../written-plane'

const texts = {
  heights: { placeholder: 'file', says: 'height raster, GeoTIFF' },
  outline: { placeholder: 'file', says: 'outline of the house, GeoJSON' },
  heightUnit: { placeholder: 'unit', says: 'm or ft; what the raster says, or the unit of its coordinates' },
} as const

const metresOf = { m: 1, ft: 0.3048 } as const

const schema = z.object({
  heights: z.string().min(1),
  /** A file, or in a line of `--lines` the GeoJSON itself. */
  outline: z.union([z.string().min(1), z.record(z.string(), z.unknown())]),
  heightUnit: z.enum(['m', 'ft']).optional(),
})

async function answer({ heights, outline, heightUnit }: z.infer<typeof schema>): Promise<object> {
  const bytes = readBytes(heights)
  const tiff = await fromArrayBuffer(
    bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer,
  ).catch(() => {
    throw new Fault('bad-raster', { file: heights }, heights)
  })
  const raster = await heightFile(tiff, heights, heightUnit && metresOf[heightUnit])
  const text = typeof outline === 'string' ? textOf(readBytes(outline)) : JSON.stringify(outline)
  const file = typeof outline === 'string' ? outline : 'outline'
  const { planes, ...fitted } = await fitFromFiles(raster, { text, file })
  return { planes: planes.map((plane) => ({ ...writtenPlane(plane), fit: plane.fit })), ...fitted }
}

const question: Question<z.infer<typeof schema>> = { schema, answer }

export function addFit(gable: Command): void {
  addOptionCommand(
    gable.command('fit').description('Planes, obstructions and trees of a house from heights'),
    question,
    { numbers: {}, texts },
  )
}
