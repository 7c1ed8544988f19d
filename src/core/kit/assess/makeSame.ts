import { good, refuse, type Outcome } from '@/core/outcome'
import { isBuilt, type Assembly } from '../rig/assembly'
import type { Part, PartOf, Polarisation } from '../parts/part'
import type { Rig } from '../rig/rig'
import type { Attribute, ComparedRig } from './rigCompare'
import { wattText } from '../budget/trace'

type Port = Assembly['ports'][number]

/** What of a rig without parts can be made the same: its figures. */
const FIGURES: Partial<Record<Attribute, (like: Rig) => Partial<Rig>>> = {
  lead: (like) => ({ leadLossDb: like.leadLossDb }),
  antenna: (like) => ({ antennaGainDbi: like.antennaGainDbi }),
  attenuator: (like) => ({ attenuatorDb: like.attenuatorDb, attenuatorAt: like.attenuatorAt }),
}

/**
 * A rig with one attribute made the same as another's.
 * @returns the changed rig, or why it cannot be
 */
export function makeSame(
  target: ComparedRig,
  like: ComparedRig,
  attribute: Attribute,
  parts: readonly Part[],
): Outcome<ComparedRig> {
  const withRig = (change: Partial<Rig>) => good({ ...target, rig: { ...target.rig, ...change } })
  switch (attribute) {
    case 'power': {
      const radio = parts.find((p) => p.id === target.assembly?.radioId) as PartOf<'radio'> | undefined
      const has = radio?.spec.powers.filter((p) => p.powerW !== null) ?? []
      if (has.length > 0 && !has.some((p) => p.powerW === like.rig.powerW))
        return refuse(
          `${radio!.name} of rig ${target.rig.letter} has no setting of ${wattText(like.rig.powerW)}.`,
        )
      return withRig({ powerW: like.rig.powerW })
    }
    case 'height':
      return withRig({ antennaHeightM: like.rig.antennaHeightM })
    case 'channel':
      return withRig({ txMHz: like.rig.txMHz, rxMHz: like.rig.rxMHz })
    case 'mode':
      return good({ ...target, mode: like.mode, bandwidthKHz: like.bandwidthKHz })
    default: {
      const { assembly } = target
      const figures = FIGURES[attribute]
      if (!isBuilt(assembly) && figures) return withRig(figures(like.rig))
      if (!isBuilt(assembly) || !isBuilt(like.assembly))
        return refuse('Only rigs that are built of parts can be made the same in this. Build them first.')
      return good({ ...target, assembly: sameParts(assembly, like.assembly, attribute, parts) })
    }
  }
}

/** The parts of one attribute taken over from another assembly. */
function sameParts(to: Assembly, from: Assembly, attribute: Attribute, parts: readonly Part[]): Assembly {
  const ports = to.ports.map((port, i) => samePort(port, from.ports[i] ?? from.ports[0]!, attribute, parts))
  const assembly: Assembly = { ...to, ports: withOwnKeys(ports) }
  if (attribute === 'pointing') assembly.pose = from.pose
  if (attribute === 'along') assembly.alongIds = from.alongIds
  if (attribute === 'carried') assembly.wayInM = from.wayInM
  if (attribute === 'radio') {
    assembly.radioId = from.radioId
    assembly.radioUnitId = null
  }
  return assembly
}

function samePort(port: Port, other: Port, attribute: Attribute, parts: readonly Part[]): Port {
  const kindOf = (item: Port['items'][number]) => parts.find((p) => p.id === item.partId)?.kind
  const split = (items: Port['items']) => ({
    antenna: items.filter((x) => kindOf(x) === 'antenna'),
    attenuator: items.filter((x) => kindOf(x) === 'attenuator'),
    lead: items.filter((x) => kindOf(x) !== 'antenna' && kindOf(x) !== 'attenuator'),
    notAntenna: items.filter((x) => kindOf(x) !== 'antenna'),
  })
  const [mine, theirs] = [split(port.items), split(other.items)]
  if (attribute === 'antenna') return { ...port, items: [...mine.notAntenna, ...theirs.antenna] }
  if (attribute === 'lead') return { ...port, items: [...theirs.lead, ...mine.attenuator, ...mine.antenna] }
  if (attribute === 'attenuator')
    return { ...port, items: [...theirs.attenuator, ...mine.lead, ...mine.antenna] }
  if (attribute === 'carried') return { ...port, mountId: other.mountId, mastId: other.mastId }
  if (attribute === 'polarisation')
    return { ...port, polarisation: other.polarisation ?? polarisationOf(other, parts) }
  return port
}

function polarisationOf(port: Port, parts: readonly Part[]): Polarisation | null {
  const antenna = port.items
    .map((i) => parts.find((p) => p.id === i.partId))
    .find((p) => p?.kind === 'antenna')
  return antenna?.kind === 'antenna' ? antenna.spec.polarisation : null
}

/** Keys stay their own within each chain. */
function withOwnKeys(ports: Assembly['ports']): Assembly['ports'] {
  return ports.map((port) => ({
    ...port,
    items: port.items.map((item, i) => ({ ...item, key: `${i}-${item.partId}` })),
  }))
}
