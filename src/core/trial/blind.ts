import { uniformRandom } from '@/core/stats/numeric/uniformRandom'

/** Letters told apart by ear; none of them rhymes with another in English. */
const LETTERS = ['K', 'M', 'R', 'W', 'X', 'F', 'H', 'J', 'L', 'N', 'Q', 'S', 'V', 'Y', 'Z', 'A']

/**
 * Letters for a blind order: one for each link, drawn by a seed, so that the listener learns nothing from them.
 * @param seed any whole number; the same gives the same letters
 */
export function blindLetters(linkIds: readonly string[], seed: number): Record<string, string> {
  const random = uniformRandom(seed)
  const pool = LETTERS.slice(0, Math.max(linkIds.length + 4, 8))
  for (let i = pool.length - 1; i > 0; i--) {
    const j = Math.floor(random.uniform() * (i + 1))
    ;[pool[i], pool[j]] = [pool[j]!, pool[i]!]
  }
  return Object.fromEntries(linkIds.map((id, i) => [id, pool[i % pool.length]!]))
}
