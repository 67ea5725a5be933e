import { type Command } from 'commander'
import { z } from 'zod'
import { fitAtPlace, fitFromFiles } from '@/core/fit/fit-file'
import { openHeights } from '@/core/heights/open-heights'
import { ruleMessage } from '@/core/model/rules'
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
  ground: {
    placeholder: 'file',
    says: 'another raster, of the bare ground; the two tell themselves which is which',
  },
  outline: {
    placeholder: 'file',
    says: 'outline of the house, GeoJSON; left out, it is found in the heights',
  },
  heightUnit: { placeholder: 'unit', says: 'm or ft; what the raster says, or the unit of its coordinates' },
} as const

const numbers = {
  lat: {
    placeholder: 'degrees',
    low: -90,
    high: 90,
    says: 'where the house stands if there is no outline; else the middle of the raster',
  },
  lon: { placeholder: 'degrees', low: -180, high: 180, says: 'longitude of the same' },
  epsg: {
    placeholder: 'number',
    low: 1,
    high: 99_999,
    says: 'reference system of a raster that names none; else the UTM zone of the place',
  },
} as const

const metresOf = { m: 1, ft: 0.3048 } as const

const fields = z.object({
  heights: z.string().min(1),
  ground: z.string().min(1).optional(),
  /** A file, or in a line of `--lines` the GeoJSON itself. */
  outline: z.union([z.string().min(1), z.record(z.string(), z.unknown())]).optional(),
  lat: numberField(numbers.lat).optional(),
  lon: numberField(numbers.lon).optional(),
  heightUnit: z.enum(['m', 'ft']).optional(),
  epsg: numberField(numbers.epsg).optional(),
})

const schema = fields
  .refine(({ lat, lon }) => (lat === undefined) === (lon === undefined), {
    path: ['lon'],
    message: ruleMessage('both-or-none'),
  })
  .refine(({ outline, lat }) => outline === undefined || lat === undefined, {
    path: ['lat'],
    message: ruleMessage('place-or-outline'),
  })

async function answer({
  heights,
  ground,
  outline,
  lat,
  lon,
  heightUnit,
  epsg,
}: z.infer<typeof schema>): Promise<object> {
  const opened = (file: string) => {
    const bytes = readBytes(file)
    const content = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer
    return openHeights(content, file, { heightUnitM: heightUnit && metresOf[heightUnit], epsg })
  }
  const [raster, second] = [await opened(heights), ground === undefined ? null : await opened(ground)]
  const { planes, ...fitted } =
    outline === undefined
      ? await fitAtPlace(
          raster,
          lat === undefined || lon === undefined ? null : { latitudeDeg: lat, longitudeDeg: lon },
          second,
        )
      : await fitFromFiles(raster, outlineOf(outline), second)
  return { planes: planes.map((plane) => ({ ...writtenPlane(plane), fit: plane.fit })), ...fitted }
}

function outlineOf(outline: string | Record<string, unknown>): { text: string; file: string } {
  const text = typeof outline === 'string' ? textOf(readBytes(outline)) : JSON.stringify(outline)
  const file = typeof outline === 'string' ? outline : 'outline'
  return { text, file }
}

const question: Question<z.infer<typeof schema>> = { schema, answer }

export function addFit(gable: Command): void {
  addOptionCommand(
    gable.command('fit').description('Planes, obstructions and trees of a house from heights'),
    question,
    { numbers, texts },
  )
}
