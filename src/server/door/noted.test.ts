import { describe, expect, it } from 'vitest'
import { note } from './noted'

describe('what the door notes', () => {
  it('is one line, whatever somebody sends', () => {
    const lines: string[] = []
    note('turned away', { path: '/x\n2026-01-01 door: let in', status: 403 }, (l) => lines.push(l))
    expect(lines).toHaveLength(1)
    expect(lines[0]).toMatch(
      /^\d{4}-\d\d-\d\dT[\d:.]+Z door: turned away path=\/x\?2026-01-01 door: let in status=403\n$/,
    )
  })
  it('does not fill a disk', () => {
    const lines: string[] = []
    for (let i = 0; i < 500; i++) note('turned away', {}, (l) => lines.push(l))
    expect(lines.length).toBeLessThanOrEqual(60)
  })
})
