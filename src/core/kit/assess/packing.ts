import { isBuilt, partIdsOf, type Assembly } from '../rig/assembly'
import type { Part, PartKind } from '../parts/part'

/** A rig of a trial, at which end it is. */
export interface PackedRig {
  letter: string
  name: string
  end: 'base' | 'out'
  assembly: Assembly | null
}

/** One line of the list. */
export interface PackingLine {
  /** Stable, so that a tick stays where it was. */
  id: string
  group:
    | 'Radios and antennas'
    | 'Leads and adapters'
    | 'Mounts and masts'
    | 'Power'
    | 'Tools'
    | 'Paper and the rest'
  name: string
  count: number
  why: string
  /** How many are owned, where fewer than are needed. */
  short: number | null
}

export interface PackingInput {
  rigs: readonly PackedRig[]
  parts: readonly Part[]
  /** In turn: what two rigs of one end share is brought once. At once: twice. */
  use: 'in turn' | 'at once'
  /** Batteries by the endurance sum: for each radio part, how many last for the planned time; null where not known. */
  batteries: readonly { radioId: string; name: string; count: number | null; why: string }[]
  plannedText: string
}

const GROUPS: Partial<Record<PartKind, PackingLine['group']>> = {
  radio: 'Radios and antennas',
  antenna: 'Radios and antennas',
  radials: 'Radios and antennas',
  lead: 'Leads and adapters',
  adapter: 'Leads and adapters',
  attenuator: 'Leads and adapters',
  protector: 'Leads and adapters',
  switch: 'Leads and adapters',
  choke: 'Leads and adapters',
  transformer: 'Leads and adapters',
  mount: 'Mounts and masts',
  mast: 'Mounts and masts',
  battery: 'Power',
  'power feeder': 'Power',
}

const TOOLS: Record<string, string[]> = {
  clamp: ['Spanner for the clamp', 'Self-amalgamating tape'],
  bracket: ['Spanner for the bracket', 'Self-amalgamating tape'],
  tripod: ['Sand bag or pegs for the tripod'],
  'car roof': ['Cloth to wipe the roof'],
  'car edge': ['Hex key for the edge mount'],
}

/** Everything to bring for a trial. */
export function packingList(input: PackingInput): PackingLine[] {
  const { rigs, parts } = input
  const counts = countParts(input)
  const lines: PackingLine[] = [...counts].flatMap(([id, { count, letters }]) => {
    const part = parts.find((p) => p.id === id)
    if (!part) return []
    return [
      {
        id: `part ${id}`,
        group: GROUPS[part.kind] ?? 'Paper and the rest',
        name: part.name,
        count,
        why: `for ${letters.join(', ')}`,
        short: part.owned < count ? part.owned : null,
      },
    ]
  })
  for (const { letter, name, assembly } of rigs)
    if (!isBuilt(assembly))
      lines.push({
        id: `rig ${letter}`,
        group: 'Radios and antennas',
        name: `${name}, all of it`,
        count: 1,
        why: `rig ${letter} is known by its figures only`,
        short: null,
      })
  for (const b of input.batteries)
    lines.push({
      id: `battery ${b.radioId}`,
      group: 'Power',
      name: b.count === null ? `Spare battery for ${b.name}` : `Charged battery for ${b.name}`,
      count: b.count ?? 1,
      why: b.why,
      short: null,
    })
  return [...lines, ...tools(input, counts), ...paper(input)]
}

function countParts({ rigs, use }: PackingInput) {
  const total = new Map<string, { count: number; letters: string[] }>()
  for (const end of ['base', 'out'] as const) {
    const byPart = new Map<string, { count: number; letters: string[] }>()
    for (const rig of rigs.filter((r) => r.end === end)) {
      if (!isBuilt(rig.assembly)) continue
      const ids = partIdsOf(rig.assembly)
      for (const id of new Set(ids)) {
        const n = ids.filter((x) => x === id).length
        const old = byPart.get(id) ?? { count: 0, letters: [] }
        byPart.set(id, {
          count: use === 'in turn' ? Math.max(old.count, n) : old.count + n,
          letters: [...old.letters, rig.letter],
        })
      }
    }
    // Both ends work at the same time, whatever is done in turn at each.
    for (const [id, { count, letters }] of byPart) {
      const old = total.get(id) ?? { count: 0, letters: [] }
      total.set(id, { count: old.count + count, letters: [...old.letters, ...letters] })
    }
  }
  return total
}

function tools(input: PackingInput, counts: Map<string, unknown>): PackingLine[] {
  const there = input.parts.filter((p) => counts.has(p.id))
  const names = new Set<string>()
  for (const part of there) {
    if (part.kind === 'mount') for (const t of TOOLS[part.spec.place] ?? []) names.add(t)
    if (part.kind === 'mast') ['Guys and pegs', 'Spirit level', 'Gloves'].forEach((t) => names.add(t))
    if (part.kind === 'antenna' && part.spec.setBy !== null) names.add('Rule or tape for setting the antenna')
  }
  const line = (name: string, why: string): PackingLine => ({
    id: `tool ${name}`,
    group: 'Tools',
    name,
    count: 1,
    why,
    short: null,
  })
  const vehicle = there.some((p) => p.kind === 'radio' && (p.spec.use === 'mobile' || p.spec.use === 'desk'))
  return [
    ...[...names].map((n) => line(n, 'for the mounts and antennas of this trial')),
    ...(vehicle ? [line('Spare fuse for each mobile or desk radio', 'a blown fuse ends the day')] : []),
  ]
}

function paper({ plannedText }: PackingInput): PackingLine[] {
  const line = (name: string, why: string): PackingLine => ({
    id: `paper ${name}`,
    group: 'Paper and the rest',
    name,
    count: 1,
    why,
    short: null,
  })
  return [
    line('Paper log of the plan and two pencils', 'when the device does not live through the rain'),
    line('Charged telephone or tablet, and a way to charge it', `the field screen, ${plannedText}`),
    line('Licence or authorisation, call signs and channel on paper', 'for whoever asks'),
    line('Warm and dry clothes, light, water, first aid', 'and somebody who knows the way and the time back'),
  ]
}
