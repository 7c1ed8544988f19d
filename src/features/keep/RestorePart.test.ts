import { expect, it } from 'vitest'
import { goneWords } from './RestorePart'

it.each([
  [{ runs: 0, entries: 0 }, null],
  [{ runs: 0, entries: 1 }, '1 entry that is here is not in it.'],
  [{ runs: 1, entries: 12 }, '1 run and 12 entries that are here are not in it.'],
])('%j', (missing, said) => expect(goneWords(missing)).toBe(said))
