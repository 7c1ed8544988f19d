import type { BytePort } from './lineLink'

/**
 * A port with something simulated behind it, which hears and answers in bytes as a real one does.
 * @param say a line in, its answer out, or null
 * @param delayMs what an answer takes
 */
export function simulatedPort(say: (line: string) => string | null, delayMs: number): BytePort {
  const [decoder, encoder] = [new TextDecoder(), new TextEncoder()]
  let [heard, out]: [string, ReadableStreamDefaultController<Uint8Array> | null] = ['', null]
  const readable = new ReadableStream<Uint8Array>({ start: (c) => void (out = c) })
  const writable = new WritableStream<Uint8Array>({
    write: (bytes) => {
      heard += decoder.decode(bytes, { stream: true })
      const lines = heard.split(/[\r\n]+/)
      heard = lines.pop()!
      for (const line of lines) {
        const answer = say(line)
        if (answer !== null) setTimeout(() => out?.enqueue(encoder.encode(`${answer}\n`)), delayMs)
      }
    },
  })
  return { readable, writable, close: () => Promise.resolve() }
}
