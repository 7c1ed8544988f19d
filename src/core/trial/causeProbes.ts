/**
 * Tests that tell one cause of a failed check from another: what each says when it is heard, and what it then
 * rules out.
 */
export const CAUSE_PROBES = [
  {
    what: 'other channel',
    cause: 'somebody else or noise on the channel',
    tells: 'heard on another channel: somebody else or noise was on this one',
  },
  {
    what: 'nearer on the same line',
    cause: 'distance or what stands between',
    tells: 'heard nearer: distance or what stands between',
  },
  { what: 'higher', cause: 'the ground or trees', tells: 'heard higher up: the ground or trees' },
  { what: 'other unit', cause: 'this unit', tells: 'heard with another radio of the kind: this unit' },
] as const
