/** A family of connectors that mate among themselves. */
export interface ConnectorFamily {
  id: string
  name: string
  /** Ohm; null where it is not constant. */
  impedanceOhm: 50 | 75 | null
  /** Highest frequency for which it is made, MHz; above it the loss and the mismatch are anybody's guess. */
  maxMHz: number
  /** Made with the contacts exchanged too (reverse polarity). */
  hasReverse: boolean
}

/** Typical figures; good makes go further, poor ones less far. */
export const CONNECTOR_FAMILIES: readonly ConnectorFamily[] = [
  { id: 'SMA', name: 'SMA', impedanceOhm: 50, maxMHz: 18000, hasReverse: true },
  { id: 'BNC', name: 'BNC', impedanceOhm: 50, maxMHz: 4000, hasReverse: true },
  { id: 'BNC75', name: 'BNC, 75 ohm', impedanceOhm: 75, maxMHz: 2000, hasReverse: false },
  { id: 'TNC', name: 'TNC', impedanceOhm: 50, maxMHz: 11000, hasReverse: true },
  { id: 'N', name: 'N', impedanceOhm: 50, maxMHz: 11000, hasReverse: true },
  { id: 'N75', name: 'N, 75 ohm', impedanceOhm: 75, maxMHz: 2000, hasReverse: false },
  { id: 'UHF', name: 'UHF', impedanceOhm: null, maxMHz: 300, hasReverse: false },
  { id: 'mini-UHF', name: 'Mini-UHF', impedanceOhm: 50, maxMHz: 2500, hasReverse: false },
  { id: 'F', name: 'F', impedanceOhm: 75, maxMHz: 2000, hasReverse: false },
  { id: 'FME', name: 'FME', impedanceOhm: 50, maxMHz: 2000, hasReverse: false },
  { id: 'MCX', name: 'MCX', impedanceOhm: 50, maxMHz: 6000, hasReverse: false },
  { id: 'MMCX', name: 'MMCX', impedanceOhm: 50, maxMHz: 6000, hasReverse: false },
  { id: 'SMB', name: 'SMB', impedanceOhm: 50, maxMHz: 4000, hasReverse: false },
  { id: 'board', name: 'Board snap-on, 2 mm', impedanceOhm: 50, maxMHz: 6000, hasReverse: false },
  { id: '7-16', name: '7/16', impedanceOhm: 50, maxMHz: 7500, hasReverse: false },
  { id: 'stud-3/8', name: 'Stud 3/8 in, 24 threads', impedanceOhm: null, maxMHz: 500, hasReverse: false },
  { id: 'stud-M10', name: 'Stud M10', impedanceOhm: null, maxMHz: 500, hasReverse: false },
  { id: 'stud-M6', name: 'Stud M6', impedanceOhm: null, maxMHz: 500, hasReverse: false },
  { id: 'post', name: 'Binding post or wire', impedanceOhm: null, maxMHz: 60, hasReverse: false },
]

/** One end as it is: the family, which half, and whether its contacts are exchanged. */
export interface ConnectorEnd {
  family: string
  /** The half with the nut or the bayonet is male in every family, whatever its contact is. */
  gender: 'male' | 'female'
  reverse: boolean
}

export function familyOf(id: string): ConnectorFamily {
  const family = CONNECTOR_FAMILIES.find((f) => f.id === id)
  if (!family) throw new RangeError(`"${id}" is no family of connectors that is known here`)
  return family
}

/** "SMA male", "reverse SMA female". */
export function endText(end: ConnectorEnd): string {
  return `${end.reverse ? 'reverse ' : ''}${familyOf(end.family).name} ${end.gender}`
}

/** The end that mates with this one. */
export function mateOf(end: ConnectorEnd): ConnectorEnd {
  return { ...end, gender: end.gender === 'male' ? 'female' : 'male' }
}

/** Two ends that screw or push together and yet do not mate: why, and what happens. */
interface LookAlike {
  a: (end: ConnectorEnd) => boolean
  b: (end: ConnectorEnd) => boolean
  why: string
}

const is = (family: string, gender?: 'male' | 'female', reverse?: boolean) => (e: ConnectorEnd) =>
  e.family === family &&
  (gender === undefined || e.gender === gender) &&
  (reverse === undefined || e.reverse === reverse)

const LOOK_ALIKES: readonly LookAlike[] = [
  {
    a: is('N', 'male', false),
    b: is('N75', 'female'),
    why: 'the 50 ohm pin is thicker and spreads the 75 ohm contact for good',
  },
  {
    a: is('N75', 'male'),
    b: is('N', 'female', false),
    why: 'the 75 ohm pin is too thin to touch; it works now and then, which is worse than never',
  },
  {
    a: is('BNC', undefined, false),
    b: is('BNC75'),
    why: 'it locks, but the impedance jumps; fit for a bench lead at low frequencies, not for a comparison',
  },
  { a: is('stud-3/8'), b: is('stud-M10'), why: 'the threads start together and then jam: 9.5 and 10 mm' },
  {
    a: is('UHF'),
    b: is('mini-UHF'),
    why: 'the names are alike, the sizes are not: 5/8 and 3/8 in threads',
  },
  { a: is('MCX'), b: is('MMCX'), why: 'the smaller snaps into nothing; forced, the spring breaks' },
  { a: is('SMB'), b: is('MCX'), why: 'both snap on and differ by a third of a millimetre' },
  { a: is('F', 'male'), b: is('FME'), why: 'the threads differ; forced, the fine one strips' },
]

export type Mating =
  | { mates: true }
  /** `harms`: forced together it damages something. */
  | { mates: false; why: 'gender' | 'family' | 'polarity' | 'look-alike'; harms: boolean; words: string }

/** Whether two ends mate, and if not, why not in words. */
export function mating(a: ConnectorEnd, b: ConnectorEnd): Mating {
  if (a.family === b.family && a.gender !== b.gender && a.reverse === b.reverse) return { mates: true }
  const names = `${endText(a)} to ${endText(b)}`
  if (a.family === b.family && a.gender !== b.gender)
    return {
      mates: false,
      why: 'polarity',
      harms: true,
      words: `${names} screws together, but one has its contacts exchanged: either two pins meet and break, or two sleeves meet and nothing does.`,
    }
  const alike = LOOK_ALIKES.find((l) => (l.a(a) && l.b(b)) || (l.a(b) && l.b(a)))
  if (alike && a.gender !== b.gender)
    return { mates: false, why: 'look-alike', harms: true, words: `${names}: ${alike.why}.` }
  if (a.family === b.family)
    return {
      mates: false,
      why: 'gender',
      harms: false,
      words: `${names}: both are ${a.gender}; one of each is needed.`,
    }
  return { mates: false, why: 'family', harms: false, words: `${names}: they do not fit.` }
}
