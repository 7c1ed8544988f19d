import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import { BLIND_SEEN, type RunLog } from './foldEntries'

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

/** The draw that holds, whether another device has it, and whether a check was made since; null while none holds. */
export function blindDraw(log: RunLog): { id: string; device: string; seen: boolean; used: boolean } | null {
  const draw = log.events.findLast((e) => e.body.kind === 'blind')
  if (!draw || draw.body.kind !== 'blind' || !draw.body.on) return null
  const { id, device, time } = draw
  const seen = log.events.some(
    ({ body }) => body.kind === 'other' && body.what === BLIND_SEEN && body.detail.draw === id,
  )
  return { id, device, seen, used: log.checks.some((c) => !c.voided && c.time >= time) }
}
