/** Paper and ink, and one accent for what to do now: each a colour as a style sheet takes it. */
export interface Palette {
  paper: string
  raised: string
  ink: string
  soft: string
  rule: string
  accent: string
  /** What is written on the accent. */
  onAccent: string
  bad: string
}

/** Rigs are told apart by letter, line pattern and hue; the hues stay apart for the colour-blind. */
const RIG_LOOKS = [
  { hue: 'var(--rig-1)', dash: '' },
  { hue: 'var(--rig-2)', dash: '7 3' },
  { hue: 'var(--rig-3)', dash: '2 3' },
  { hue: 'var(--rig-4)', dash: '9 3 2 3' },
  { hue: 'var(--rig-5)', dash: '12 4' },
  { hue: 'var(--rig-6)', dash: '5 2 1 2 1 2' },
  { hue: 'var(--rig-7)', dash: '1 4' },
  { hue: 'var(--rig-8)', dash: '14 3 4 3' },
] as const

export const rigLook = (i: number) => RIG_LOOKS[i % RIG_LOOKS.length]!

/**
 * The look of each rig by its letter, so that a rig looks the same on every screen; where two letters fall together the
 * later takes the next free look.
 */
export function looksOf(letters: readonly string[]): number[] {
  const n = RIG_LOOKS.length
  const taken = new Set<number>()
  return letters.map((letter) => {
    let look = (letter.charCodeAt(0) + 7 * Math.max(0, letter.length - 1) - 65 + n) % n
    if (taken.size < n) while (taken.has(look)) look = (look + 1) % n
    taken.add(look)
    return look
  })
}

/** The look of each link by its id. */
export function looksById(links: readonly { id: string; letter: string }[]): Record<string, number> {
  const looks = looksOf(links.map((l) => l.letter))
  return Object.fromEntries(links.map((l, i) => [l.id, looks[i]!]))
}
