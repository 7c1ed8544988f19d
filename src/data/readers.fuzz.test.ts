import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { mutator } from '@/core/testing/fuzz'
import { READERS } from './testing/readers'

const TIMES = 2000

beforeAll(() => {
  // A library that meets a damaged picture says so on the console.
  for (const how of ['warn', 'error', 'log'] as const)
    vi.spyOn(console, how).mockImplementation(() => undefined)
})
afterAll(() => vi.restoreAllMocks())

describe('whatever a file holds, its reader answers', () => {
  it.each(READERS.map((r) => [r.name, r] as const))(
    '%s',
    { timeout: 120_000 },
    async (_, { read, seeds, dear = 1 }) => {
      const damaged = mutator(seeds.length)
      for (let i = 0; i < TIMES / dear; i++) {
        const bytes = damaged(seeds[i % seeds.length]!)
        const answer = await Promise.resolve()
          .then(() => read(bytes))
          .catch((e: unknown) => {
            throw new Error(
              `${String(e)} in ${JSON.stringify(Buffer.from(bytes).toString('latin1')).slice(0, 400)}`,
              {
                cause: e,
              },
            )
          })
        if (answer.ok) continue
        expect(answer.problems.length).toBeGreaterThan(0)
        for (const p of answer.problems) expect(p.message).toMatch(/\S/)
      }
    },
  )

  it.each(READERS.map((r) => [r.name, r] as const))(
    '%s: what it takes is taken',
    async (_, { read, seeds, name }) => {
      if (['SRTM tile', 'rules', 'run file'].includes(name)) return
      for (const seed of seeds) expect(await read(seed)).toMatchObject({ ok: true })
    },
  )
})

describe('what a long run of damaged files has found', () => {
  const reader = (name: string) => READERS.find((r) => r.name === name)!
  // Names that every object has: the library that checks looked them up on itself.
  it.each(['toString', 'constructor', 'hasOwnProperty', '__proto__', 'valueOf'])(
    'a field named %s is refused in words',
    async (name) => {
      for (const what of ['kit', 'run file', 'entries']) {
        const { read, seeds } = reader(what)
        const whole = new TextDecoder().decode(seeds[0])
        const text = whole.replace(/"(name|runId)"/, `"${name}"`)
        expect(text).not.toBe(whole)
        const answer = await read(new TextEncoder().encode(text))
        // Of a batch the entry alone is refused.
        if (what === 'entries') expect(answer).toMatchObject({ value: { entries: [], refused: [{}] } })
        else expect(answer).toMatchObject({ ok: false })
      }
    },
  )
})
