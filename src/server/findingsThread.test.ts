import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { FindingsInput } from '@/core/findings'
import { startThread } from './findingsThread'

describe('a thread that breaks', () => {
  let folder: string
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'even-reach-thread-'))
  })
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  it.each([
    ['throws', "throw new Error('out of memory')", 'out of memory'],
    ['ends', 'process.exit(0)', 'their thread has ended'],
  ])('and %s says so to whoever waits, and is not kept', async (what, code, why) => {
    const file = join(folder, `${what}.cjs`)
    writeFileSync(file, code)
    const onEnd = vi.fn()
    const asked = startThread(file, onEnd).findings({} as FindingsInput)
    await expect(asked).rejects.toThrow(why)
    expect(onEnd).toHaveBeenCalled()
  })
})
