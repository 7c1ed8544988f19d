import { backdropTile, db } from '@/data'

/** One tile of a backdrop. The file is named by its hash, so a tile never changes. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string; z: string; x: string; y: string }> },
) {
  const { id, ...at } = await params
  const [z, x, y] = [Number(at.z), Number(at.x), Number(at.y)]
  if (![z, x, y].every((v) => Number.isInteger(v) && v >= 0))
    return new Response('No such tile.', { status: 400 })
  const tile = backdropTile(db(), id, z, x, y)
  // Nothing there is no fault: the sheet ends.
  if (!tile) return new Response(null, { status: 204 })
  return new Response(new Uint8Array(tile.bytes), {
    headers: {
      'content-type': tile.format === 'jpg' ? 'image/jpeg' : `image/${tile.format}`,
      'cache-control': 'private, max-age=31536000, immutable',
    },
  })
}
