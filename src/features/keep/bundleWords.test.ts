import { expect, it } from 'vitest'
import type { BundleCounts } from '@/data/bundle/mergeBundle'
import { bundleWords } from './BundlePart'

const NONE = { fresh: 0, known: 0 }
const counts = (more: Partial<BundleCounts>) =>
  ({ trial: NONE, run: NONE, entry: NONE, rig: NONE, ...more }) as BundleCounts

it.each([
  [counts({ rig: { fresh: 0, known: 4 } }), 'Everything in it is here already.'],
  [
    counts({ trial: { fresh: 1, known: 0 }, run: { fresh: 2, known: 0 }, entry: { fresh: 1, known: 0 } }),
    '1 trial, 2 runs, 1 entry came in.',
  ],
  [
    counts({ entry: { fresh: 3, known: 9 }, rig: { fresh: 1, known: 0 } }),
    '3 entries, 1 row of kit and ground came in. 9 rows in it are here already and stay as they are.',
  ],
])('says what came', (c, said) => expect(bundleWords(c, 'came')).toBe(said))
