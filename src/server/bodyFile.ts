import { createWriteStream, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable, Transform } from 'node:stream'
import type { ReadableStream } from 'node:stream/web'
import { pipeline } from 'node:stream/promises'
import { bad, DONE, problem, refuse, type Outcome } from '@/core/outcome'
import { TOO_LARGE } from './body'

class TooLarge extends Error {}

/**
 * Writes the bytes of a request to a file as they come, so that a large one is never held whole. What was not wholly
 * written is put away again.
 * @param most bytes
 */
async function bodyToFile(request: Request, file: string, most: number): Promise<Outcome> {
  if (!request.body) return refuse('No file came with it.')
  let length = 0
  const bound = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      length += chunk.length
      done(length > most ? new TooLarge() : null, chunk)
    },
  })
  try {
    await pipeline(Readable.fromWeb(request.body as ReadableStream), bound, createWriteStream(file))
    return DONE
  } catch (e) {
    rmSync(file, { force: true })
    if (!(e instanceof TooLarge)) throw e
    const gigabytes = Math.round(most / 1e9)
    return bad(
      problem(TOO_LARGE, 'body', `It is larger than ${gigabytes} GB, which is the most that is taken here.`),
    )
  }
}

/** Works on what a request brings, as a file that is there for as long. @param most bytes */
export async function withBodyFile<T>(
  request: Request,
  most: number,
  work: (file: string) => Outcome<T> | Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-upload-'))
  try {
    const file = join(folder, 'body')
    const written = await bodyToFile(request, file, most)
    return written.ok ? await work(file) : written
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
