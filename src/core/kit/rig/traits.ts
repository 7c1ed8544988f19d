import type { Link, Rig } from './rig'

const FACTOR_NAMES = [
  'antenna',
  'antenna unit',
  'radio',
  'radio unit',
  'mount',
  'height',
  'mode',
  'channel',
  'power',
  'lead',
] as const
export type FactorName = (typeof FACTOR_NAMES)[number]

/** A rig's values of everything that a trial may vary; null where it is not known. */
function factorValues(rig: Rig): Record<FactorName, string | null> {
  const t = rig.traits ?? {}
  return {
    antenna: t.antenna ?? null,
    'antenna unit': t.antennaUnit ?? null,
    radio: t.radio ?? null,
    'radio unit': t.radioUnit ?? null,
    mount: t.carried ?? null,
    height: `${rig.antennaHeightM} m`,
    mode: t.mode ?? null,
    channel:
      rig.rxMHz !== null && rig.rxMHz !== rig.txMHz
        ? `${rig.txMHz} and ${rig.rxMHz} MHz`
        : `${rig.txMHz} MHz`,
    power: `${rig.powerW} W`,
    lead: rig.leadLossDb === null ? null : `${rig.leadLossDb.toFixed(1)} dB of lead`,
  }
}

/** Something that was set differently among links: at an end, with its values and which link had which. */
export interface Factor {
  end: 'base' | 'out'
  names: FactorName[]
  levels: string[]
  /** Index into levels, by link. */
  levelOf: Map<string, number>
}

/**
 * What varies among links, end by end. Things that always changed together are one factor: nothing in the log
 * can tell them apart. What a rig is called stands for what it is where nothing is known of its parts.
 * @param evened things that are taken out of the levels and so are no factors
 */
export function factorsOf(links: readonly Link[], evened: ReadonlySet<FactorName>): Factor[] {
  const found: Factor[] = []
  for (const end of ['base', 'out'] as const) {
    const rigs = links.map((l) => l[end])
    if (new Set(rigs.map((r) => r.id)).size < 2) continue
    const values = rigs.map(factorValues)
    for (const name of FACTOR_NAMES) {
      if (evened.has(name)) continue
      const here = values.map((v) => v[name])
      if (here.some((v) => v === null) || new Set(here).size < 2) continue
      add(found, end, name, links, here as string[])
    }
    // Where everything changed with the rig, or its antenna is known by nothing else, its name says it best.
    const isPartUnknown = rigs.some((r) => r.traits?.antenna === undefined)
    const ids = [...new Set(rigs.map((r) => r.id))]
    for (const f of found)
      if (f.end === end && f.levels.length === ids.length && (f.names.length > 1 || isPartUnknown))
        f.levels = f.levels.map((_, i) => rigs[links.findIndex((l) => f.levelOf.get(l.id) === i)]!.name)
    // Rigs that differ in nothing that is known still differ.
    if (!found.some((f) => f.end === end))
      add(
        found,
        end,
        'antenna',
        links,
        rigs.map((r) => r.name),
      )
  }
  return found
}

function add(found: Factor[], end: 'base' | 'out', name: FactorName, links: readonly Link[], here: string[]) {
  const levels = [...new Set(here)]
  const levelOf = new Map(links.map((l, i) => [l.id, levels.indexOf(here[i]!)]))
  const twin = found.find(
    (f) =>
      f.end === end &&
      f.levels.length === levels.length &&
      links.every((l) => f.levelOf.get(l.id) === levelOf.get(l.id)),
  )
  if (!twin) {
    found.push({ end, names: [name], levels, levelOf })
    return
  }
  twin.names.push(name)
  twin.levels = twin.levels.map((l, i) => `${l}, ${levels[i]}`)
}
