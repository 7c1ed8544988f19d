/** What a serial port gives, and a simulated one as well. */
export interface BytePort {
  readable: ReadableStream<Uint8Array> | null
  writable: WritableStream<Uint8Array> | null
  close: () => Promise<void>
}

/** A line out, a line back. */
export interface LineLink {
  send: (line: string) => Promise<void>
  /** @param waitMs how long an answer may take @throws Error with what to do, where none comes */
  ask: (line: string, waitMs: number, done?: (text: string) => boolean) => Promise<string>
  close: () => Promise<void>
}

const SILENT = 'The instrument does not answer. Is it on, and is this its port and speed?'
const GONE = 'The connection to the instrument is gone. Plug it in, and connect again.'

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

const firstLine = (text: string) => text.includes('\n')

/** What ends a line: measuring instruments take a line feed, modems a carriage return (ITU-T V.250). */
export type LineEnd = '\n' | '\r'

/** Speaks lines of text over a port's bytes. One question at a time; an echo of it is no answer. */
export function lineLink(port: BytePort, end: LineEnd): LineLink {
  const reader = port.readable!.getReader()
  const writer = port.writable!.getWriter()
  const decoder = new TextDecoder()
  const encoder = new TextEncoder()
  let heard = ''
  let wake = () => {}
  let gone = false
  const listen = async () => {
    for (;;) {
      const { value, done } = await reader.read()
      if (done) break
      heard += decoder.decode(value, { stream: true }).replace(/\r\n?/g, '\n')
      wake()
    }
  }
  void listen()
    .catch(() => undefined)
    .finally(() => {
      gone = true
      wake()
    })
  const send = (line: string) => writer.write(encoder.encode(`${line}${end}`))
  const answered = (line: string) =>
    heard.replace(/^\n+/, '').replace(new RegExp(`^${escaped(line)}\\n+`), '')
  const waited = (line: string, done: (text: string) => boolean, waitMs: number) =>
    new Promise<void>((resolve, reject) => {
      const timer = setTimeout(() => reject(new Error(SILENT)), waitMs)
      wake = () => {
        const there = done(answered(line))
        if (!gone && !there) return
        clearTimeout(timer)
        if (!there) reject(new Error(GONE))
        else resolve()
      }
      wake()
    })
  return {
    send,
    ask: async (line, waitMs, done = firstLine) => {
      heard = ''
      await send(line)
      await waited(line, done, waitMs)
      return answered(line).trim()
    },
    close: async () => {
      await reader.cancel().catch(() => undefined)
      await writer.close().catch(() => undefined)
      await port.close().catch(() => undefined)
    },
  }
}
