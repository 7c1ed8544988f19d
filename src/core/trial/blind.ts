import { uniformRandom } from '@/core/stats/numeric/uniformRandom'

/** Letters whose names are told apart by ear: no two of them rhyme, in either way of saying Z. */
const APART = ['K', 'W', 'R', 'X', 'Y', 'H', 'Z', 'L', 'F', 'M', 'O']
const OTHERS = ['S', 'N', 'Q', 'J', 'V', 'G', 'T', 'P', 'D', 'B', 'C', 'E', 'I', 'U', 'A']

/** The letters as they are spelt by radio, ITU Radio Regulations, Appendix 14. */
const SPELT: Record<string, string> = {
  A: 'Alfa',
  B: 'Bravo',
  C: 'Charlie',
  D: 'Delta',
  E: 'Echo',
  F: 'Foxtrot',
  G: 'Golf',
  H: 'Hotel',
  I: 'India',
  J: 'Juliett',
  K: 'Kilo',
  L: 'Lima',
  M: 'Mike',
  N: 'November',
  O: 'Oscar',
  P: 'Papa',
  Q: 'Quebec',
  R: 'Romeo',
  S: 'Sierra',
  T: 'Tango',
  U: 'Uniform',
  V: 'Victor',
  W: 'Whiskey',
  X: 'X-ray',
  Y: 'Yankee',
  Z: 'Zulu',
}

/** A letter, or several, as they are spelt by radio: "Kilo", "Alfa Bravo". */
export const speltOut = (letters: string) => [...letters].map((l) => SPELT[l] ?? l).join(' ')

/**
 * Letters for a blind order: one for each link, drawn by a seed, so that the listener learns nothing from them. None
 * is a letter that a rig has, for it would be taken for that rig.
 * @param links with the letters that they go by, of which one may have two
 * @param seed any whole number; the same gives the same letters
 */
export function blindLetters(
  links: readonly { id: string; letter: string; base?: { letter: string }; out?: { letter: string } }[],
  seed: number,
): Record<string, string> {
  const own = new Set(links.flatMap((l) => [...l.letter, l.base?.letter, l.out?.letter]))
  const free = (letters: readonly string[]) => letters.filter((l) => !own.has(l))
  const apart = free(APART)
  const pool = apart.length >= links.length ? apart : [...apart, ...free(OTHERS)].slice(0, links.length)
  const random = uniformRandom(seed)
  for (let i = pool.length - 1; i > 0; i--) {
    const j = Math.floor(random.uniform() * (i + 1))
    ;[pool[i], pool[j]] = [pool[j]!, pool[i]!]
  }
  return Object.fromEntries(links.map((l, i) => [l.id, pool[i % pool.length]!]))
}
