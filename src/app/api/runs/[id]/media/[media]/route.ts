import { messageOf } from '@/core/outcome'
import { bytesOf } from '@/server/body'
import { refused, refusedFor } from '@/server/json'
import { withDisk } from '@/server/withDisk'
import { MAX_MEDIA_BYTES, mediaTypeOf } from '@/core/trial'
import { db, getMedia, storeMedia } from '@/data'

interface Context {
  params: Promise<{ id: string; media: string }>
}

export async function GET(request: Request, { params }: Context) {
  const { id, media } = await params
  const row = getMedia(db(), id, media)
  if (!row) return refused('This is no longer on the server.', 404)
  // Kept before types were bare, one may say more than it should; what it is said to be decides nothing here.
  const headers = {
    'content-type': mediaTypeOf(row.type) ?? 'application/octet-stream',
    'content-disposition': 'attachment',
    'content-security-policy': "default-src 'none'; sandbox",
    'x-content-type-options': 'nosniff',
    'accept-ranges': 'bytes',
    'cache-control': 'private, max-age=31536000, immutable',
  }
  // A player asks for a stretch; without it no browser can jump about in a long recording.
  const range = /^bytes=(\d+)-(\d*)$/.exec(request.headers.get('range') ?? '')
  const size = row.bytes.length
  if (!range || Number(range[1]) >= size) return new Response(new Uint8Array(row.bytes), { headers })
  const from = Number(range[1])
  const to = Math.min(size - 1, range[2] ? Number(range[2]) : size - 1)
  return new Response(new Uint8Array(row.bytes.subarray(from, to + 1)), {
    status: 206,
    headers: { ...headers, 'content-range': `bytes ${from}-${to}/${size}` },
  })
}

/** Takes the bytes of a photo or a sound; the same again changes nothing. */
async function take(request: Request, { params }: Context) {
  const { id, media } = await params
  const type = request.headers.get('content-type') ?? ''
  const body = await bytesOf(request, MAX_MEDIA_BYTES)
  if (!body.ok) return refusedFor(body)
  const kept = storeMedia(db(), id, media, type, Buffer.from(body.value.buffer))
  return kept.ok ? Response.json({ id: kept.value }) : refused(messageOf(kept))
}

export const PUT = withDisk(take)
