import { expect, it, vi } from 'vitest'
import { unanswered } from './useAction'

const named = (name: string) => Object.assign(new Error('no'), { name })

it('tells a server that is away from one that stumbled', () => {
  vi.stubGlobal('navigator', { onLine: true })
  expect(unanswered(new TypeError('Failed to fetch')).code).toBe('away')
  expect(unanswered(named('ChunkLoadError')).code).toBe('away')
  expect(unanswered(named('Error')).code).toBe('broken')
  vi.stubGlobal('navigator', { onLine: false })
  expect(unanswered(named('Error')).code).toBe('away')
  vi.unstubAllGlobals()
})
