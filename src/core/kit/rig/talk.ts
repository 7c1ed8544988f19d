import type { Rig } from './rigRecord'

/** Kinds of rig that stand at the base. */
export const isBaseKind = (rig: Pick<Rig, 'kind'>) => rig.kind === 'base' || rig.kind === 'relay'

/** Nobody of ours is out there: the far ends are other stations, and both directions are logged at the base. */
export const isAllStrangers = (links: readonly { out: Pick<Rig, 'kind'> }[]) =>
  links.length > 0 && links.every((l) => l.out.kind === 'other station')

/** Two channels are the same within this, MHz: half of the narrowest usual spacing. */
const SAME_CHANNEL_MHZ = 0.003

type Channel = Pick<Rig, 'txMHz' | 'rxMHz' | 'name'>

const hears = (sender: Channel, receiver: Channel) =>
  Math.abs(sender.txMHz - (receiver.rxMHz ?? receiver.txMHz)) <= SAME_CHANNEL_MHZ

/**
 * Why two rigs cannot hear each other at all: no channel in common, one way or the other. Modes are left to the
 * user, since one radio at the base often has several.
 * @returns a sentence; null where at least one way can be heard
 */
export function whyNoTalk(base: Channel, out: Channel): string | null {
  if (!hears(base, out) && !hears(out, base))
    return `${out.name} is on ${out.txMHz} MHz, ${base.name} listens on ${base.rxMHz ?? base.txMHz} MHz.`
  return null
}

/**
 * What is compared as long as nobody chose: every rig out there with every one at the base that it can hear.
 * @param most at most so many
 */
export function usualLinks(
  rigs: readonly (Channel & Pick<Rig, 'id' | 'kind'>)[],
  most: number,
): { baseRigId: string; outRigId: string }[] {
  const bases = rigs.filter(isBaseKind)
  const ours = rigs.filter((r) => !isBaseKind(r) && r.kind !== 'other station')
  // Whoever answers is out there where nobody of ours is, and what varies stands at the base.
  const outs = ours.length > 0 ? ours : rigs.filter((r) => r.kind === 'other station')
  const pairs = bases.flatMap((base) => outs.map((out) => ({ base, out })))
  return pairs
    .filter(({ base, out }) => whyNoTalk(base, out) === null)
    .slice(0, most)
    .map(({ base, out }) => ({ baseRigId: base.id, outRigId: out.id }))
}
