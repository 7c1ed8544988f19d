// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { foldEntries, type Entry } from '@/core/trial'
import { TeamsLine } from './TeamsLine'

afterEach(cleanup)

const said = (device: string, minutesAgo: number): Entry => ({
  id: `${device} ${minutesAgo}`,
  runId: 'r',
  device,
  role: 'out there',
  wallTime: new Date(Date.now() - minutesAgo * 60_000).toISOString(),
  seq: 1,
  supersedes: null,
  body: { kind: 'note', text: 'here' },
})

const handleOf = (entries: Entry[]) => ({ entries, device: 'Base', log: foldEntries(entries) })
const atBase = { role: 'base', alone: false } as const

it('says how long ago each team gave word, the longest silent first, and opens what else is known', () => {
  const open = vi.fn()
  const entries = [said('Two', 3), said('One', 14), said('Base', 0), said('Two', 9)]
  render(<TeamsLine handle={handleOf(entries)} settings={atBase} onOpen={open} />)
  const line = screen.getByRole('button')
  expect(line.textContent).toBe('Last wordOne 14 minTwo 3 min')
  line.click()
  expect(open).toHaveBeenCalledOnce()
})

it('is not there where nobody else has logged, nor out there', () => {
  const quiet = [said('Base', 1)]
  const { rerender } = render(
    <TeamsLine handle={handleOf(quiet)} settings={atBase} onOpen={() => undefined} />,
  )
  expect(screen.queryByRole('button')).toBeNull()
  const out = { role: 'out there', alone: false } as const
  const entries = [...quiet, said('Two', 2)]
  rerender(<TeamsLine handle={handleOf(entries)} settings={out} onOpen={() => undefined} />)
  expect(screen.queryByRole('button')).toBeNull()
})
