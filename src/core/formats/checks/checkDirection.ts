import type { Direction } from '@/core/kit/rig/rig'

const DIRECTIONS: [RegExp, Direction][] = [
  [/^(to base|to|inbound|in|talk-?\s?back)$/, 'to base'],
  [/^(from base|from|outbound|out|talk-?\s?out)$/, 'from base'],
  [/^(loop|there and back|both)$/, 'loop'],
]

/** The direction that a word names; undefined where it names none. */
export const directionOf = (text: string): Direction | undefined =>
  DIRECTIONS.find(([re]) => re.test(text.trim().toLowerCase()))?.[1]
