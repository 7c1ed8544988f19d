import { db, getPaper } from '@/data'

/** A photo or a paper of a part. Shown, never run: the type was checked when it was kept. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const paper = getPaper(db(), (await params).id)
  if (!paper) return new Response('There is no such paper.', { status: 404 })
  return new Response(new Uint8Array(paper.bytes), {
    headers: {
      'content-type': paper.type,
      'content-disposition': `inline; filename*=UTF-8''${encodeURIComponent(paper.name)}`,
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
      'cache-control': 'private, max-age=86400',
    },
  })
}
