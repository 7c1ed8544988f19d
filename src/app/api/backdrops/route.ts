import { messageOf } from '@/core/outcome'
import { bytesOf } from '@/server/body'
import { refused } from '@/server/json'
import { MAX_FILE_BYTES } from '@/core/formats'
import { db, storeBackdrop } from '@/data'

/** Takes in an MBTiles file: its name in the address, the file as the body. */
export async function POST(request: Request) {
  const name = new URL(request.url).searchParams.get('name')?.trim().slice(0, 200)
  if (!name) return refused('The file has no name.')
  const body = await bytesOf(request, MAX_FILE_BYTES)
  if (!body.ok)
    return refused('It is larger than 64 MB. Cut it to your ground, or leave out the finest levels.', 413)
  const kept = await storeBackdrop(db(), name, body.value)
  return kept.ok ? Response.json({ id: kept.value }) : refused(messageOf(kept))
}
