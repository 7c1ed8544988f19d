import { Readable } from 'node:stream'
import { db, writeBackup } from '@/data'

/** Everything that is kept here as one file, made while others go on writing. */
export async function GET() {
  const { stream, madeAt } = await writeBackup(db())
  const name = `even-reach-${madeAt.slice(0, 16).replace(/[T:]/g, '-')}.zip`
  return new Response(Readable.toWeb(stream) as ReadableStream, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  })
}
