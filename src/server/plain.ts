import type { IncomingMessage, ServerResponse } from 'node:http'
import { Readable } from 'node:stream'
import { postedEntries } from './postedEntries'

const ENTRIES = /^\/api\/runs\/([^/?]+)\/entries(?:\?|$)/

function asRequest(request: IncomingMessage): Request {
  const headers = new Headers()
  for (const [name, value] of Object.entries(request.headers))
    if (value !== undefined) headers.set(name, Array.isArray(value) ? value.join(', ') : value)
  const body = Readable.toWeb(request) as ReadableStream
  const init = { method: 'POST', headers, body, duplex: 'half' }
  return new Request(new URL(request.url ?? '/', 'http://127.0.0.1'), init)
}

/**
 * Answers what devices send all the time, entries of a run, without the framework, which costs more than the work.
 * @returns false where the request is another one, and nothing was done with it
 */
export function answeredPlainly(request: IncomingMessage, response: ServerResponse): boolean {
  const run = request.method === 'POST' ? ENTRIES.exec(request.url ?? '')?.[1] : undefined
  if (run === undefined) return false
  postedEntries(asRequest(request), decodeURIComponent(run))
    .then(async (answer) => {
      response.writeHead(answer.status, { 'content-type': 'application/json', 'cache-control': 'no-store' })
      response.end(await answer.text())
    })
    .catch((e: unknown) => {
      process.stderr.write(`${String(e)}\n`)
      if (!response.headersSent) response.writeHead(500)
      response.end()
    })
  return true
}
