import { readFile } from 'node:fs/promises'
import { join } from 'node:path'

/** The service worker that the build made. */
export async function GET() {
  try {
    const text = await readFile(
      join(/*turbopackIgnore: true*/ process.cwd(), '.next', 'service-worker.js'),
      'utf8',
    )
    return new Response(text, {
      headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache' },
    })
  } catch {
    return new Response('There is no service worker; build first.', { status: 404 })
  }
}
