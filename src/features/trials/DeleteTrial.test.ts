import { expect, it } from 'vitest'
import { goesWords } from './DeleteTrial'

const contents = { name: 'T', runs: 0, checks: 0, entries: 0, media: 0, digest: '' }

it.each([
  [{}, 'Its plan goes. No run was begun.'],
  [{ runs: 1, checks: 1, entries: 1 }, 'Its plan goes, and 1 run with 1 check (1 entry of the log).'],
  [
    { runs: 2, checks: 36, entries: 80, media: 3 },
    'Its plan goes, and 2 runs with 36 checks (80 entries of the log) and 3 photos and sounds.',
  ],
])('says what goes with a trial of %j', (more, words) => {
  expect(goesWords({ ...contents, ...more })).toBe(words)
})
