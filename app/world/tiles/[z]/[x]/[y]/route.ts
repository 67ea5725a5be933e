import { z } from 'zod'
import { tileCorner } from '@/core/geometry/geo'
import { greatCircleM } from '@/core/weather/station'
import { flightsOver } from '@/town/aerial/flights'
import { tileOf } from '../../../tile-store'
import { towns } from '@/town/towns'
import { route } from '@/server/respond'

const whole = z
  .string()
  .regex(/^\d{1,8}$/)
  .transform(Number)
const schema = z.object({
  z: whole.pipe(z.number().min(15).max(21)),
  x: whole,
  y: z
    .string()
    .regex(/^\d{1,8}\.png$/)
    .transform((v) => Number(v.slice(0, -4))),
})

/** XYZ tiles of the towns' aerial pictures, web Mercator, 512 px a side; `?picture=` names one other than the usual. */
export const GET = route<'GET /world/tiles/[z]/[x]/[y]', { z: string; x: string; y: string }>(
  'GET /world/tiles/[z]/[x]/[y]',
  async ({ request, params }) => {
    const parsed = schema.safeParse(params)
    if (!parsed.success) return new Response('Tiles are /z/x/y.png with z from 15 to 21.', { status: 400 })
    const tile = parsed.data
    const corner = tileCorner(tile)
    const town = towns.find(
      (t) => greatCircleM(corner.latitudeDeg, corner.longitudeDeg, t.latitudeDeg, t.longitudeDeg) < 5000,
    )
    if (!town) return new Response('No sheet here.', { status: 404 })
    const flights = flightsOver(town)
    const asked = request.nextUrl.searchParams.get('picture') ?? flights[0].id
    // What is not there is neither painted nor looked for in the data folder.
    if (!flights.some(({ id }) => id === asked)) return new Response('No such picture.', { status: 404 })
    const png = await tileOf(town.id, asked, tile)
    if (!png) return new Response('No sheet here.', { status: 404 })
    return new Response(new Uint8Array(png), {
      headers: { 'Content-Type': 'image/png', 'Cache-Control': 'public, max-age=86400' },
    })
  },
)
