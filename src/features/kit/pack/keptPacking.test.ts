import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { PackingState } from '@/data/schema'

const packing = (...ticked: string[]): PackingState => ({
  use: 'in turn',
  hours: null,
  temperatureC: 10,
  ticked,
})

function storage(full = false) {
  const held = new Map<string, string>()
  return {
    getItem: (k: string) => held.get(k) ?? null,
    setItem: (k: string, v: string) => {
      if (full) throw new DOMException('no room left', 'QuotaExceededError')
      held.set(k, v)
    },
    removeItem: (k: string) => held.delete(k),
  }
}

/** As on a page that has just been opened. */
async function opened() {
  vi.resetModules()
  return import('./keptPacking')
}

describe('packing kept on the device', () => {
  beforeEach(() => {
    vi.stubGlobal('localStorage', storage())
  })

  it('outlives the page until it is stored', async () => {
    const before = await opened()
    before.keepPacking('t', packing('rope'))
    const after = await opened()
    expect(JSON.parse(after.keptPacking('t')!)).toEqual(packing('rope'))
    expect(after.keptPacking('other')).toBeNull()
    after.forgetPacking('t', after.keptPacking('t')!)
    expect((await opened()).keptPacking('t')).toBeNull()
  })

  it('what was changed while the last was being stored stays', async () => {
    const page = await opened()
    page.keepPacking('t', packing('rope'))
    const sent = page.keptPacking('t')!
    page.keepPacking('t', packing('rope', 'tape'))
    page.forgetPacking('t', sent)
    expect(JSON.parse(page.keptPacking('t')!)).toEqual(packing('rope', 'tape'))
  })

  it('tells whoever listens, and no longer once it has stopped', async () => {
    const page = await opened()
    const heard = vi.fn()
    const stop = page.onPackingKept(heard)
    page.keepPacking('t', packing('rope'))
    page.forgetPacking('t', page.keptPacking('t')!)
    expect(heard).toHaveBeenCalledTimes(2)
    stop()
    page.keepPacking('t', packing())
    expect(heard).toHaveBeenCalledTimes(2)
  })

  it('with no room on the device it is held for the visit; what is no JSON there is passed over', async () => {
    vi.stubGlobal('localStorage', storage(true))
    const page = await opened()
    page.keepPacking('t', packing('rope'))
    expect(JSON.parse(page.keptPacking('t')!)).toEqual(packing('rope'))
    vi.stubGlobal('localStorage', { ...storage(), getItem: () => '{broken' })
    expect((await opened()).keptPacking('t')).toBeNull()
  })
})
