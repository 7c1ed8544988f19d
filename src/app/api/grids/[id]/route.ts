import { db, gridFile } from '@/data'

/** The heights of a grid, as they are stored. Named by their hash, so they never change. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const file = gridFile(db(), (await params).id)
  if (!file) return new Response('There is no such ground.', { status: 404 })
  return new Response(new Uint8Array(file), {
    headers: {
      'content-type': 'application/octet-stream',
      'cache-control': 'private, max-age=31536000, immutable',
    },
  })
}
