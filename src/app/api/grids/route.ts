import { messageOf } from '@/core/outcome'
import { checked } from '@/core/schema'
import { VOID } from '@/core/terrain'
import { db, storeGrid, unpackGrid } from '@/data'
import { gridPlaceRecord } from '@/features/ground/groundSchema'
import { bytesOf } from '@/server/body'
import { refused, refusedFor } from '@/server/json'

/** Heights of the most cells that are taken, as they are packed, bytes. */
const MAX_GRID_BYTES = 64e6

/** Takes in a grid that the browser has read: where it lies in the address, its heights as the body. */
export async function POST(request: Request) {
  const { name, ofTrial = null, ...typed } = Object.fromEntries(new URL(request.url).searchParams)
  // An address holds texts only.
  const numbers = Object.fromEntries(Object.entries(typed).map(([k, v]) => [k, v === '' ? v : Number(v)]))
  const where = checked(gridPlaceRecord, { name, ofTrial, ...numbers })
  if (!where.ok) return refused(messageOf(where))
  const { name: kept, ofTrial: only, ...place } = where.value
  const body = await bytesOf(request, MAX_GRID_BYTES)
  if (!body.ok) return refusedFor(body)
  const grid = unpackGrid(place, body.value)
  if (!grid)
    return refused(`The heights are not ${place.width} × ${place.height}: it was cut short on its way.`)
  if (grid.data.every((v) => v === VOID)) return refused('It holds no height at all, only voids.')
  return Response.json({ id: storeGrid(db(), kept, grid, only ?? null) })
}
