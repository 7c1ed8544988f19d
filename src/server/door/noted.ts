import { Pace } from './pace'

/** Lines a minute at most: whoever knocks without end must not fill a disk. */
const MOST_A_MINUTE = 60
const pace = new Pace(MOST_A_MINUTE)

/** What is safe to print: one line, of text as it is typed, not too long. */
const plain = (text: string) => text.replace(/[^\x20-\x7e]/g, '?').slice(0, 120)

/**
 * Says in the terminal, and so in the system's journal, what had to do with who is let in: tries that were turned away,
 * devices brought in and shut out. Words and tokens are never in it.
 * @param what in words
 * @param more names and values beside it
 */
export function note(
  what: string,
  more: Record<string, string | number> = {},
  say: (line: string) => void = (line) => process.stderr.write(line),
): void {
  if (!pace.goesOn('all')) return
  const said = Object.entries(more).map(([k, v]) => `${k}=${plain(String(v))}`)
  say(`${new Date().toISOString()} door: ${[what, ...said].join(' ')}\n`)
}
