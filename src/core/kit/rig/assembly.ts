import { endsOf, isChainPart, type ChainPart, type Part, type PartOf, type Polarisation } from '../parts/part'
import type { ConnectorEnd } from '../parts/connectors'
import type { Traits } from './rig'

/** One part in a chain. */
export interface ChainItem {
  /** Its own within the chain, so that the same kind may stand in it twice. */
  key: string
  partId: string
  unitId: string | null
  /** Turned round: its second end towards the radio. */
  flipped: boolean
  /** Of an antenna that can be set, in its chart's unit. */
  setting: number | null
}

/** A port of the radio with all that hangs on it. */
export interface Port {
  items: ChainItem[]
  mountId: string | null
  mastId: string | null
  polarisation: Polarisation | null
}

/** Where an antenna points. Who or what carries it is the mount. */
interface Pose {
  azimuthDeg: number | null
  tiltDeg: number | null
}

/** What a rig is put together from. */
export interface Assembly {
  radioId: string | null
  radioUnitId: string | null
  /** One, or two for a data radio that uses two antennas at once. */
  ports: Port[]
  /** Between the two antennas, m. */
  spacingM: number | null
  pose: Pose
  /** From the foot of the mast to the radio, m; null where there is no mast. */
  wayInM: number | null
  /** Parts that go along: radials, batteries, feeders. */
  alongIds: string[]
}

export const EMPTY_PORT: Port = { items: [], mountId: null, mastId: null, polarisation: null }
export const EMPTY_ASSEMBLY: Assembly = {
  radioId: null,
  radioUnitId: null,
  ports: [EMPTY_PORT],
  spacingM: null,
  pose: { azimuthDeg: null, tiltDeg: null },
  wayInM: null,
  alongIds: [],
}

/** Whether a rig was put together from parts, or only its figures are known. */
export const isBuilt = (assembly: Assembly | null): assembly is Assembly =>
  assembly !== null && (assembly.radioId !== null || assembly.ports.some((p) => p.items.length > 0))

/** What an assembly is made of, in words. @param units names of units, by id */
export function traitsOf(
  assembly: Assembly | null,
  parts: readonly Part[],
  typed: { mode: string; antenna: string },
  units: ReadonlyMap<string, string> = new Map(),
): Traits {
  const { mode } = typed
  if (!isBuilt(assembly)) return { mode, ...(typed.antenna ? { antenna: typed.antenna } : {}) }
  const { radio, ports } = placeParts(assembly, parts)
  const [port] = ports
  const unit = (id: string | null | undefined) => (id ? units.get(id) : undefined)
  const antennaUnit = unit(port?.items.find((i) => i.part.kind === 'antenna')?.item.unitId)
  const radioUnit = unit(assembly.radioUnitId)
  const carried = [port?.mount?.name, port?.mast?.name].filter(Boolean).join(' on ')
  return {
    mode,
    ...(port?.antenna ? { antenna: port.antenna.name } : {}),
    ...(radio ? { radio: radio.name } : {}),
    ...(antennaUnit ? { antennaUnit } : {}),
    ...(radioUnit ? { radioUnit } : {}),
    ...(carried ? { carried } : {}),
  }
}

/** An item with its part. */
export interface Placed {
  item: ChainItem
  part: ChainPart
  /** Towards the radio, and towards the sky. */
  near: ConnectorEnd | null
  far: ConnectorEnd | null
}

export interface PlacedPort {
  items: Placed[]
  antenna: PartOf<'antenna'> | null
  mount: PartOf<'mount'> | null
  mast: PartOf<'mast'> | null
  polarisation: Polarisation | null
  /** The radio's connector for this port; null for a fixed antenna or no radio. */
  connector: ConnectorEnd | null
}

/** An assembly with its parts looked up. Parts that are no longer there are left out and named. */
export interface PlacedRig {
  radio: PartOf<'radio'> | null
  ports: PlacedPort[]
  along: Part[]
  missing: string[]
  assembly: Assembly
}

/** Looks up the parts of an assembly. */
export function placeParts(assembly: Assembly, parts: readonly Part[]): PlacedRig {
  const missing: string[] = []
  const byId = new Map(parts.map((p) => [p.id, p]))
  const find = <K extends Part['kind']>(id: string | null, kind: K): PartOf<K> | null => {
    if (id === null) return null
    const part = byId.get(id)
    if (part?.kind === kind) return part as PartOf<K>
    missing.push(id)
    return null
  }
  const radio = find(assembly.radioId, 'radio')
  const ports = assembly.ports.map((port, i): PlacedPort => {
    const items = port.items.flatMap((item): Placed[] => {
      const part = byId.get(item.partId)
      if (!part || !isChainPart(part)) {
        missing.push(item.partId)
        return []
      }
      const { a, b } = endsOf(part)
      return [{ item, part, near: item.flipped ? b : a, far: item.flipped ? a : b }]
    })
    const last = items[items.length - 1]?.part
    const antenna = last?.kind === 'antenna' ? last : null
    return {
      items,
      antenna,
      mount: find(port.mountId, 'mount'),
      mast: find(port.mastId, 'mast'),
      polarisation: port.polarisation ?? antenna?.spec.polarisation ?? null,
      connector: radio ? (i === 0 ? radio.spec.connector : radio.spec.secondConnector) : null,
    }
  })
  const along = assembly.alongIds.flatMap((id) => {
    const part = byId.get(id)
    if (!part) missing.push(id)
    return part ? [part] : []
  })
  return { radio, ports, along, missing, assembly }
}

/** The open end that each item of a chain meets, from the radio on; what clips on meets none and hides none. */
export function endsBefore(port: PlacedPort): (ConnectorEnd | null)[] {
  let open = port.connector
  return port.items.map((placed) => {
    if (placed.near === null && placed.part.kind !== 'antenna') return null
    const before = open
    open = placed.far
    return before
  })
}

/** Every part that an assembly uses, as often as it uses it. */
export function partIdsOf(assembly: Assembly): string[] {
  const ids = assembly.ports.flatMap((p) => [...p.items.map((i) => i.partId), p.mountId, p.mastId])
  return [assembly.radioId, ...ids, ...assembly.alongIds].filter((id): id is string => id !== null)
}

/** Units that an assembly uses. */
export function unitIdsOf(assembly: Assembly): string[] {
  const ids = [assembly.radioUnitId, ...assembly.ports.flatMap((p) => p.items.map((i) => i.unitId))]
  return ids.filter((id): id is string => id !== null)
}

/** Where in a chain a new part goes: an antenna last, all else before the antenna. */
export function insertPlace(port: PlacedPort, part: ChainPart): number {
  if (part.kind === 'antenna') return port.items.length
  return port.antenna ? port.items.length - 1 : port.items.length
}
