import { board } from '@/server/crew/board'
import { listen } from '@/server/crew/live'

/** Several changes within this are told as one, ms. */
const BREATH_MS = 400
/** A line now and then, so that nothing between takes the connection for dead. */
const BEAT_MS = 20_000

/** Who is out, told again with every change. */
export function GET(request: Request) {
  const trialId = new URL(request.url).searchParams.get('trial')
  const encoder = new TextEncoder()
  let end: () => void = () => undefined
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text))
      const tell = () => send(`data: ${JSON.stringify({ lines: board(trialId) })}\n\n`)
      let soon: NodeJS.Timeout | null = null
      const letGo = listen(() => {
        soon ??= setTimeout(() => {
          soon = null
          tell()
        }, BREATH_MS)
      })
      const beat = setInterval(() => send(': here\n\n'), BEAT_MS)
      end = () => {
        letGo()
        clearInterval(beat)
        if (soon) clearTimeout(soon)
      }
      request.signal.addEventListener('abort', () => {
        end()
        controller.close()
      })
      tell()
    },
    cancel: () => end(),
  })
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  })
}
