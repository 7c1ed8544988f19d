export interface ScannedChannel {
  channel: string
  level: string
  others: number | null
}

/** Longest list taken. */
const MAX = 500

/**
 * Reads a channel scan, a channel a line: its name or number, its level, how many others are on it. Blanks,
 * tabs, commas or semicolons between them; a heading line and what stands after are passed over.
 */
export function readScan(text: string): { channels: ScannedChannel[] } | { problem: string } {
  const channels: ScannedChannel[] = []
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.trim()
    if (line === '') continue
    const [channel = '', level = '', others = ''] = line.split(/[\s;,\t]+/)
    if (!/^-?\d+(\.\d+)?$|^S\d/i.test(level)) {
      if (channels.length === 0 && /[a-z]/i.test(channel)) continue
      return {
        problem: `Line ${i + 1}, "${line.slice(0, 40)}": a channel, its level and how many others are wanted, such as 6 -71 3.`,
      }
    }
    channels.push({
      channel: channel.slice(0, 40),
      level: level.slice(0, 40),
      others: /^\d+$/.test(others) ? Number(others) : null,
    })
    if (channels.length > MAX) return { problem: `More than ${MAX} channels; cut the list.` }
  }
  return channels.length > 0
    ? { channels }
    : { problem: 'No channel was found. Write a channel a line, such as 6 -71 3.' }
}
