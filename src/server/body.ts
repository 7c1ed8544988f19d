import { bad, good, problem, type Outcome } from '@/core/outcome'

/** The code of a body that is larger than is taken. */
export const TOO_LARGE = 'too large'

const megabytes = (bytes: number) => `${Math.max(1, Math.round(bytes / 1e6))} MB`

/**
 * The bytes of a request, given up as soon as they are more than are taken: what is not wanted is never held whole.
 * @param most bytes
 */
export async function bytesOf(request: Request, most: number): Promise<Outcome<Uint8Array<ArrayBuffer>>> {
  const tooLarge = () =>
    bad(
      problem(
        TOO_LARGE,
        'body',
        `It is larger than ${megabytes(most)}, which is the most that is taken here.`,
      ),
    )
  const said = Number(request.headers.get('content-length') ?? 0)
  if (said > most) return tooLarge()
  const reader = request.body?.getReader()
  const parts: Uint8Array[] = []
  let length = 0
  for (;;) {
    const next = await reader?.read()
    if (!next || next.done) break
    length += next.value.byteLength
    if (length > most) {
      await reader!.cancel()
      return tooLarge()
    }
    parts.push(next.value)
  }
  return good(new Uint8Array(Buffer.concat(parts)))
}
