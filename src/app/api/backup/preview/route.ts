import { db, previewBackup } from '@/data'
import { withBodyFile } from '@/server/bodyFile'
import { refusedFor } from '@/server/json'

const MAX_BACKUP_BYTES = 8e9

/** What a backup holds, and what is here that it does not hold. Nothing is changed yet. */
export async function POST(request: Request) {
  const preview = await withBodyFile(request, MAX_BACKUP_BYTES, (file) => previewBackup(db(), file))
  return preview.ok ? Response.json(preview.value) : refusedFor(preview)
}
