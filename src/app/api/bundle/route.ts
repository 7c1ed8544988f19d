import { Readable } from 'node:stream'
import { revalidatePath } from 'next/cache'
import { fileNameOf } from '@/core/trial'
import { db, openTrial } from '@/data'
import { mergeBundle } from '@/data/bundle/mergeBundle'
import { writeBundle } from '@/data/bundle/writeBundle'
import { withBodyFile } from '@/server/bodyFile'
import { refused, refusedFor } from '@/server/json'

const MAX_BUNDLE_BYTES = 1e9

/** One trial, or all where none is named, as an archive that other programs read too. */
export function GET(request: Request) {
  const trialId = new URL(request.url).searchParams.get('trial')
  const open = trialId === null ? null : openTrial(db(), trialId)
  if (trialId !== null && !open) return refused('This trial is no longer there.', 404)
  const name = encodeURIComponent(`${open ? fileNameOf(open.trial.name) : 'all-trials'}-bundle.zip`)
  return new Response(Readable.toWeb(writeBundle(db(), trialId)) as ReadableStream, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename*=UTF-8''${name}`,
      'cache-control': 'no-store',
    },
  })
}

/** Takes a bundle in, merged by id; with `?look` it says what would come and takes nothing. */
export async function POST(request: Request) {
  const onlyLook = new URL(request.url).searchParams.has('look')
  const merged = await withBodyFile(request, MAX_BUNDLE_BYTES, (file) => mergeBundle(db(), file, onlyLook))
  if (!merged.ok) return refusedFor(merged)
  if (!onlyLook) revalidatePath('/', 'layout')
  return Response.json(merged.value)
}
