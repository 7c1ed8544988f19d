import { expect, it } from 'vitest'
import { messageOf } from '@/core/outcome'
import { bytesOf } from './body'

/** A body that comes in pieces of a megabyte, and how many of them were asked for. */
function coming(pieces: number, headers: Record<string, string> = {}) {
  const asked = { pieces: 0, cancelled: false }
  const body = new ReadableStream<Uint8Array>(
    {
      pull: (to) => {
        if (asked.pieces === pieces) return to.close()
        asked.pieces++
        to.enqueue(new Uint8Array(1e6).fill(asked.pieces))
      },
      cancel: () => {
        asked.cancelled = true
      },
    },
    { highWaterMark: 0 },
  )
  const request = new Request('http://127.0.0.1/', {
    method: 'POST',
    body,
    headers,
    duplex: 'half',
  } as RequestInit)
  return { request, asked }
}

it('reads what comes, in its order', async () => {
  const read = await bytesOf(coming(3).request, 5e6)
  expect(read.ok && [read.value.length, read.value[0], read.value[1e6], read.value[2.5e6]]).toEqual([
    3e6, 1, 2, 3,
  ])
  const none = await bytesOf(new Request('http://127.0.0.1/', { method: 'POST' }), 10)
  expect(none.ok && none.value.length).toBe(0)
})

it('gives a body up while it comes, once it is more than is taken', async () => {
  const { request, asked } = coming(700)
  const read = await bytesOf(request, 5e6)
  expect(read.ok ? '' : messageOf(read)).toBe('It is larger than 5 MB, which is the most that is taken here.')
  expect(asked).toEqual({ pieces: 6, cancelled: true })
})

it('does not begin with one that says itself how large it is', async () => {
  const { request, asked } = coming(700, { 'content-length': '700000000' })
  expect((await bytesOf(request, 5e6)).ok).toBe(false)
  expect(asked.pieces).toBe(0)
})
