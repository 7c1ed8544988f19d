import { fileNameOf, RUN_FILE_END } from '@/core/trial'
import { db, getRun } from '@/data'
import { refused } from '@/server/json'
import { runFileOf } from '@/server/runFile'

/** A run as a file, for a device that no network reaches. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const run = getRun(db(), (await params).id)
  if (!run) return refused('This run is no longer on the server.', 404)
  const name = encodeURIComponent(`${fileNameOf(run.name)}${RUN_FILE_END}`)
  return Response.json(runFileOf(db(), run), {
    headers: { 'content-disposition': `attachment; filename*=UTF-8''${name}` },
  })
}
