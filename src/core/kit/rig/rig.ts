import { dbmOfWatts } from '@/core/rf/levels'
import type { Link, Rig, RigFigures } from './rigRecord'
import type { Direction, Listener } from './terms'

export type { Link, Rig, RigFigures, Traits } from './rigRecord'

/** The figures that count while a rig transmits or receives: each at its own frequency. */
export function figuresFor(rig: Rig, isSender: boolean): RigFigures {
  return isSender ? rig : (rig.atRx ?? rig)
}

export * from './terms'

/** Who hears a check in a direction. A loop is heard where it began, out there. */
export function listenerOf(direction: Direction): Listener {
  return direction === 'to base' ? 'base' : 'out'
}

/** The rig that transmits and the one that listens; in a loop the one out there does both. */
export function ends(link: Link, direction: Direction): { sender: Rig; receiver: Rig } {
  if (direction === 'to base') return { sender: link.out, receiver: link.base }
  if (direction === 'from base') return { sender: link.base, receiver: link.out }
  return { sender: link.out, receiver: link.out }
}

/** One known difference between two links, A - B, dB. */
export interface KnownDifference {
  what: 'power' | 'lead loss' | 'antenna gain' | 'attenuator' | 'height'
  end: 'base' | 'out'
  db: number
  /** Of a lead loss: what only the antennas' mismatch makes of it, dB; left out where neither was measured. */
  ofMatchDb?: number
}

/**
 * Everything known by which link A is favoured over link B in a direction, dB: power of the transmitting end, leads,
 * attenuators, antenna gains where both are known. What is not known on both sides is left in: that is the question.
 * @param evenHeight take height out by plane earth, 20 lg(hA/hB), only if asked
 */
export function knownDifferences(
  a: Link,
  b: Link,
  direction: Direction,
  evenHeight = false,
): KnownDifference[] {
  const ea = ends(a, direction)
  const eb = ends(b, direction)
  const found: KnownDifference[] = []
  const add = (
    what: KnownDifference['what'],
    end: KnownDifference['end'],
    db: number,
    ofMatchDb?: number,
  ) => {
    if (Math.abs(db) > 1e-9) found.push({ what, end, db, ...(ofMatchDb === undefined ? {} : { ofMatchDb }) })
  }
  const place = (isSender: boolean): 'base' | 'out' =>
    (direction === 'from base') === isSender ? 'base' : 'out'
  add('power', place(true), dbmOfWatts(ea.sender.powerW) - dbmOfWatts(eb.sender.powerW))
  const sides: [Rig, Rig, boolean][] =
    direction === 'loop'
      ? [
          [a.out, b.out, true],
          [a.base, b.base, false],
        ]
      : [
          [ea.sender, eb.sender, true],
          [ea.receiver, eb.receiver, false],
        ]
  for (const [rigA, rigB, isSender] of sides) {
    const [ra, rb] = [figuresFor(rigA, isSender), figuresFor(rigB, isSender)]
    if (ra.leadLossDb !== null && rb.leadLossDb !== null)
      add('lead loss', place(isSender), rb.leadLossDb - ra.leadLossDb, matchBetween(ra, rb))
    if (ra.antennaGainDbi !== null && rb.antennaGainDbi !== null)
      add('antenna gain', place(isSender), ra.antennaGainDbi - rb.antennaGainDbi)
    add('attenuator', place(isSender), attenuation(rigB, isSender) - attenuation(rigA, isSender))
    if (evenHeight) add('height', place(isSender), 20 * Math.log10(rigA.antennaHeightM / rigB.antennaHeightM))
  }
  return found
}

/** What a better match gives one over the other, dB; undefined where neither was measured. */
const matchBetween = (a: RigFigures, b: RigFigures): number | undefined =>
  a.mismatchDb === undefined && b.mismatchDb === undefined
    ? undefined
    : (b.mismatchDb ?? 0) - (a.mismatchDb ?? 0)

function attenuation(rig: Rig, isSender: boolean): number {
  if (rig.attenuatorAt === 'transmit' && !isSender) return 0
  if (rig.attenuatorAt === 'receive' && isSender) return 0
  return figuresFor(rig, isSender).attenuatorDb
}

/** Sum of known differences, dB. */
export function sumDb(known: readonly KnownDifference[]): number {
  return known.reduce((s, k) => s + k.db, 0)
}

/** A link's own name: that of the end that varies among the links given. */
function linkName(link: { base: { name: string }; out: { name: string } }, varies: 'base' | 'out' | 'both') {
  if (varies === 'base') return link.base.name
  if (varies === 'out') return link.out.name
  return `${link.out.name} with ${link.base.name}`
}

/** Which end differs among links. */
export function varyingEnd(
  links: readonly { base: { id: string }; out: { id: string } }[],
): 'base' | 'out' | 'both' {
  const bases = new Set(links.map((l) => l.base.id)).size
  const outs = new Set(links.map((l) => l.out.id)).size
  if (bases > 1 && outs > 1) return 'both'
  return bases > 1 ? 'base' : 'out'
}

/** Names and letters of links, after the end that varies among them. */
export function nameLinks(links: readonly Omit<Link, 'name' | 'letter'>[]): Link[] {
  const varies = varyingEnd(links)
  return links.map((l) => ({
    ...l,
    name: linkName(l, varies),
    letter:
      varies === 'base' ? l.base.letter : varies === 'out' ? l.out.letter : `${l.out.letter}${l.base.letter}`,
  }))
}
