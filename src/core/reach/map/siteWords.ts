import { andList, percentText } from '@/core/units'
import { shareText } from './mapWords'
import type { SitesTogether } from './sitesTogether'

/** A site as it is spoken of. */
export interface NamedSite {
  id: string
  name: string
  role: 'candidate' | 'relay'
}

/** Less than this share more is nothing to speak of. */
const LITTLE = 0.02
/** So sure a relay and the base must be of one another. */
const SURE = 0.9

/**
 * What other sites would bring, in a few sentences: the relay that brings most, and the other base.
 * @param of what is to be covered, as it is spoken of
 * @param needed share of it, 0 to 1
 */
export function sitesSentence(
  found: SitesTogether,
  sites: readonly NamedSite[],
  of: string,
  needed: number,
): string {
  const enough = (chance: number) =>
    ` It is the ${percentText(needed)} that is needed with a chance of ${Math.round(100 * chance)} of 100.`
  const { base } = found
  const known = found.sites.flatMap((worth) => {
    const site = sites.find((s) => s.id === worth.id)
    return site ? [{ site, worth }] : []
  })
  const most = (role: NamedSite['role'], gain: (w: (typeof known)[number]['worth']) => number) =>
    known.filter((k) => k.site.role === role).sort((a, b) => gain(b.worth) - gain(a.worth))[0]
  const relay = most('relay', (w) => w.through.median)
  const other = most('candidate', (w) => w.withBase.median)
  const said: string[] = []
  if (relay) {
    const { linked, through } = relay.worth
    const { name } = relay.site
    if (linked === null) said.push(`The ground between ${name} and the base is not known.`)
    else if (linked < 1 - SURE) said.push(`${name} as a relay would not copy the base.`)
    else if (through.median < base.median + LITTLE)
      said.push(`${name} as a relay would bring nothing to speak of.`)
    else
      said.push(
        `Through ${name} as a relay ${shareText(through)} of ${of} comes through, in place of ${percentText(base.median)}.` +
          enough(relay.worth.enough.asRelay) +
          (linked < SURE
            ? ` The relay and the base copy one another with a chance of ${Math.round(100 * linked)} of 100.`
            : ''),
      )
  }
  if (other) {
    const { withBase } = other.worth
    const { name } = other.site
    said.push(
      withBase.median < base.median + LITTLE
        ? `A second base at ${name} would add nothing to speak of.`
        : `With a second base at ${name} ${shareText(withBase)} of ${of} is covered, in place of ${percentText(base.median)}.${enough(other.worth.enough.asBase)}`,
    )
  }
  return said.join(' ')
}

/** How often two places of what is to be covered hear one another through a relay; empty where there is none. */
export function pairsSentence(found: SitesTogether, sites: readonly NamedSite[], of: string): string {
  const relays = found.sites.flatMap(({ id, pairs }) => {
    const site = sites.find((s) => s.id === id && s.role === 'relay')
    return site ? [{ name: site.name, pairs }] : []
  })
  const said = relays
    .sort((a, b) => b.pairs.median - a.pairs.median)
    .map(({ name, pairs }, i) => `${shareText(pairs)}${i === 0 ? ' hear one another' : ''} through ${name}`)
  return said.length === 0 ? '' : `Of all pairs of places in ${of} ${andList(said)}.`
}

/** What a base and all sites cover together, first of all that is said. @param bases how many they are */
export function togetherSentence(
  found: Pick<SitesTogether, 'atLeastOne' | 'atLeastTwo'> | null,
  bases: number,
  of: string,
  reliability: number,
): string {
  if (!found) return 'Working out what they cover together…'
  const calls = `with ${Math.round(100 * reliability)} of 100 calls`
  return `From one of the ${bases} bases or more ${shareText(found.atLeastOne)} of ${of} is covered ${calls}, from two or more ${shareText(found.atLeastTwo)}.`
}
