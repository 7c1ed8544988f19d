import { describe, expect, it } from 'vitest'
import { lineLink, type BytePort } from './lineLink'
import { simulatedPort } from './simulatedPort'

const bytes = (text: string) => new TextEncoder().encode(text)

/** A port that echoes what it hears, answers in pieces, and can be pulled out. */
function echoing(answer: string): BytePort & { pull: () => void } {
  let out!: ReadableStreamDefaultController<Uint8Array>
  const readable = new ReadableStream<Uint8Array>({ start: (c) => void (out = c) })
  const writable = new WritableStream<Uint8Array>({
    write: (sent) => {
      out.enqueue(sent)
      for (const piece of answer.match(/[^]{1,4}/g) ?? []) out.enqueue(bytes(piece))
    },
  })
  return { readable, writable, close: () => Promise.resolve(), pull: () => out.close() }
}
const ok = (text: string) => /^OK$/m.test(text)

describe('a line to an instrument', () => {
  it('takes a whole answer in pieces, without the echo of the question', async () => {
    const link = lineLink(echoing('\r\r\n+CESQ: 99,99,255,255,20,55\r\n\r\nOK\r\n'), '\r')
    expect(await link.ask('AT+CESQ', 500, ok)).toMatch(/^\+CESQ: 99,99,255,255,20,55\n+OK$/)
  })

  it('reaches a simulated instrument by a line feed or a carriage return', async () => {
    for (const end of ['\n', '\r'] as const) {
      const link = lineLink(
        simulatedPort((line) => (line === 'a' ? null : `heard ${line}`), 1),
        end,
      )
      await link.send('a')
      expect(await link.ask('b', 500)).toBe('heard b')
    }
  })

  it('says that nothing answers, and that it was pulled out', async () => {
    const silent = lineLink(
      simulatedPort(() => null, 1),
      '\n',
    )
    await expect(silent.ask('*IDN?', 20)).rejects.toThrow(/does not answer/)
    const port = echoing('')
    const link = lineLink(port, '\n')
    const asked = link.ask('*IDN?', 500)
    setTimeout(port.pull, 10)
    await expect(asked).rejects.toThrow(/is gone/)
  })
})
