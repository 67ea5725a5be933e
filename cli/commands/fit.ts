import { type Command } from 'commander'
import { z } from 'zod'
import { fitFromFiles } from '@/core/fit/fit-file'
import { openHeights } from '@/core/heights/open-heights'
import { textOf } from '@/core/weather/text'
import { type Question } from '../case-command'
import { readBytes } from '../files'
import { addOptionCommand, numberField } from '../options'
import { writtenPlane } from '../written-plane'

const texts = {
  heights: {
    placeholder: 'file',
    says: 'height raster: GeoTIFF, ASCII grid, or points on a grid as x, y, height',
  },
  outline: { placeholder: 'file', says: 'outline of the house, GeoJSON' },
  heightUnit: { placeholder: 'unit', says: 'm or ft; what the raster says, or the unit of its coordinates' },
} as const

const numbers = {
  epsg: {
    placeholder: 'number',
    low: 1,
    high: 99_999,
    says: 'reference system of a raster that names none; else the UTM zone of the place',
  },
} as const

const metresOf = { m: 1, ft: 0.3048 } as const

const schema = z.object({
  heights: z.string().min(1),
  /** A file, or in a line of `--lines` the GeoJSON itself. */
  outline: z.union([z.string().min(1), z.record(z.string(), z.unknown())]),
  heightUnit: z.enum(['m', 'ft']).optional(),
  epsg: numberField(numbers.epsg).optional(),
})

async function answer({ heights, outline, heightUnit, epsg }: z.infer<typeof schema>): Promise<object> {
  const bytes = readBytes(heights)
  const content = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer
  const raster = await openHeights(content, heights, {
    heightUnitM: heightUnit && metresOf[heightUnit],
    epsg,
  })
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
    { numbers, texts },
  )
}
