import { z } from 'zod'
import { tileCorner } from '@/core/geometry/geo'
import { greatCircleM } from '@/core/weather/station'
import { paintTile } from '@/town/tile-painter'
import { townMap } from '@/town/town-map'
import { towns } from '@/town/towns'

const whole = z.string().regex(/^\d{1,8}$/).transform(Number)
const schema = z.object({ z: whole.pipe(z.number().min(15).max(21)), x: whole, y: z.string().regex(/^\d{1,8}\.png$/).transform((v) => Number(v.slice(0, -4))) })

/** Tiles painted before; some 60 kB each. */
const kept = new Map<string, Buffer>()
const mostKept = 400

/** XYZ tiles of the towns' aerial sheets, web Mercator, 256 px. */
export async function GET(_request: Request, { params }: { readonly params: Promise<{ z: string; x: string; y: string }> }): Promise<Response> {
  const parsed = schema.safeParse(await params)
  if (!parsed.success) return new Response('Tiles are /z/x/y.png with z from 15 to 21.', { status: 400 })
  const tile = parsed.data
  const corner = tileCorner(tile)
  const town = towns.find((t) => greatCircleM(corner.latitudeDeg, corner.longitudeDeg, t.latitudeDeg, t.longitudeDeg) < 5000)
  if (!town) return new Response('No sheet here.', { status: 404 })
  const key = `${tile.z}/${tile.x}/${tile.y}`
  let png = kept.get(key)
  if (!png) {
    png = paintTile(townMap(town), tile)
    kept.set(key, png)
    const oldest = kept.size > mostKept ? kept.keys().next().value : undefined
    if (oldest !== undefined) kept.delete(oldest)
  }
  return new Response(new Uint8Array(png), { headers: { 'Content-Type': 'image/png', 'Cache-Control': 'public, max-age=86400' } })
}
