import { expect, it } from 'vitest'
import { sortedTrials, type SortedBy } from './trialSort'

const line = (name: string, createdAt: string, workedAt: string, question = ''): SortedBy => ({
  ...{ name, question, createdAt, workedAt },
})
const trials = [
  line('Mast 10', '2026-01-02', '2026-01-09', 'What does the mast bring?'),
  line('mast 9', '2026-01-03', '2026-01-03'),
  line('Quay', '2026-01-01', '2026-01-05', 'By boat or car?'),
]
const names = (...args: Parameters<typeof sortedTrials>) => sortedTrials(...args).map((t) => t.name)

it('finds trials by every word, in the order asked for', () => {
  expect(names(trials, '', 'begun last')).toEqual(['mast 9', 'Mast 10', 'Quay'])
  expect(names(trials, '', 'worked on last')).toEqual(['Mast 10', 'Quay', 'mast 9'])
  expect(names(trials, '', 'by name')).toEqual(['mast 9', 'Mast 10', 'Quay'])
  expect(names(trials, 'MAST bring', 'by name')).toEqual(['Mast 10'])
  expect(names(trials, 'boat mast', 'by name')).toEqual([])
})
