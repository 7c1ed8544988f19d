/** A strength figure: whole S-units, and dB over nine where it is S9. */
export interface Strength {
  units: number
  overDb: number
}

/** A report as it was read within its scale. `text` is what was said or typed, kept as given. */
export type Reading =
  | {
      state: 'heard'
      text: string
      /** 1 to 5 */
      readability: number | null
      /** From and to are the same but for a range or several samples. */
      strength: { from: Strength; to: Strength } | null
      /** dBm or the scale's own unit. */
      level: { from: number; to: number } | null
      /** Words or packets copied, of how many. */
      count: { k: number; n: number } | null
      /** Place on the scale's own ordered list, or a bare figure. */
      step: number | null
      /** A report about two links at once. */
      comparison: { better: 'A' | 'B' | 'alike'; byDb: number | null } | null
    }
  | { state: 'not heard'; text: string }
  /** Kept as text and asked about, never guessed. */
  | { state: 'not read'; text: string; why: string }
  /** Sent, and the far end's own recording is still to be graded. */
  | { state: 'not graded'; text: string }

type Heard = Extract<Reading, { state: 'heard' }>

/** A heard reading with only the parts given. */
export function heard(text: string, parts: Partial<Omit<Heard, 'state' | 'text'>>): Heard {
  return {
    state: 'heard',
    text,
    readability: null,
    strength: null,
    level: null,
    count: null,
    step: null,
    comparison: null,
    ...parts,
  }
}

/** A strength as it is written: "S7", "S9+20". */
export function strengthText(s: Strength): string {
  return `S${s.units}${s.overDb > 0 ? `+${s.overDb}` : ''}`
}

/** How the application writes a reading back for checking: "readability 5, S9+20". */
export function readingText(reading: Reading): string {
  if (reading.state !== 'heard')
    return reading.state === 'not read' ? `not read: ${reading.why}` : reading.state
  const parts: string[] = []
  if (reading.readability !== null) parts.push(`readability ${reading.readability}`)
  if (reading.strength) {
    const { from, to } = reading.strength
    const [a, b] = [strengthText(from), strengthText(to)]
    parts.push(a === b ? a : `${a} to ${b}`)
  }
  if (reading.level) {
    const { from, to } = reading.level
    parts.push(from === to ? `${from} dB` : `${from} to ${to} dB`)
  }
  if (reading.count) parts.push(`${reading.count.k} of ${reading.count.n}`)
  if (reading.comparison)
    parts.push(reading.comparison.better === 'alike' ? 'alike' : `${reading.comparison.better} better`)
  if (reading.step !== null) parts.push(`step ${reading.step}`)
  return parts.join(', ') || 'heard'
}
