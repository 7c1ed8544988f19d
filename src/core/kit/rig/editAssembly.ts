import { EMPTY_PORT, insertPlace, placeParts, type Assembly, type ChainItem, type Port } from './assembly'
import type { Fix } from './fix'
import { mating, type ConnectorEnd } from '../parts/connectors'
import { endsOf, isChainPart, type ChainPart, type Part } from '../parts/part'

/** A key that no item of the chain has. */
function freeKey(items: readonly ChainItem[], partId: string): string {
  let n = items.length
  while (items.some((i) => i.key === `${n}-${partId}`)) n++
  return `${n}-${partId}`
}

function withPort(assembly: Assembly, index: number, change: (port: Port) => Port): Assembly {
  return { ...assembly, ports: assembly.ports.map((p, i) => (i === index ? change(p) : p)) }
}

const withItems = (assembly: Assembly, index: number, change: (items: ChainItem[]) => ChainItem[]) =>
  withPort(assembly, index, (port) => ({ ...port, items: change(port.items) }))

/** Which way round a part mates with the end before it; as made where neither does. */
function turnedToMate(part: ChainPart, open: ConnectorEnd | null): boolean {
  const { a, b } = endsOf(part)
  if (!open || !a || !b || mating(open, a).mates) return false
  return mating(open, b).mates
}

/**
 * Puts a part where it belongs: a radio, a mount, a mast in their places; an antenna last, in place of
 * another; the rest into the chain at a place, or before the antenna, turned the way round that mates.
 * @param at index in the chain; left out, the usual place
 */
export function putPart(
  assembly: Assembly,
  part: Part,
  parts: readonly Part[],
  portIndex: number,
  at?: number,
): Assembly {
  if (part.kind === 'radio') {
    const ports = part.spec.secondConnector ? assembly.ports : assembly.ports.slice(0, 1)
    return { ...assembly, radioId: part.id, radioUnitId: null, ports }
  }
  if (part.kind === 'mount') return withPort(assembly, portIndex, (p) => ({ ...p, mountId: part.id }))
  if (part.kind === 'mast') return withPort(assembly, portIndex, (p) => ({ ...p, mastId: part.id }))
  if (!isChainPart(part))
    return assembly.alongIds.includes(part.id)
      ? assembly
      : { ...assembly, alongIds: [...assembly.alongIds, part.id] }
  const placed = placeParts(assembly, parts).ports[portIndex]!
  const items = assembly.ports[portIndex]!.items
  const base: ChainItem = {
    key: freeKey(items, part.id),
    partId: part.id,
    unitId: null,
    flipped: false,
    setting: null,
  }
  if (part.kind === 'antenna')
    return withItems(assembly, portIndex, (old) => [
      ...old.filter((i) => i.key !== placed.items.find((p) => p.part.kind === 'antenna')?.item.key),
      base,
    ])
  const place = Math.min(at ?? insertPlace(placed, part), insertPlace(placed, part))
  const before = placed.items
    .slice(0, place)
    .reverse()
    .find((p) => p.far !== null)
  const item = { ...base, flipped: turnedToMate(part, before ? before.far : placed.connector) }
  return withItems(assembly, portIndex, (old) => [...old.slice(0, place), item, ...old.slice(place)])
}

export const takeOut = (assembly: Assembly, portIndex: number, key: string): Assembly =>
  withItems(assembly, portIndex, (items) => items.filter((i) => i.key !== key))

/** Moves an item to another place of its chain. An antenna stays last. */
export function moveItem(
  assembly: Assembly,
  parts: readonly Part[],
  portIndex: number,
  key: string,
  to: number,
): Assembly {
  const placed = placeParts(assembly, parts).ports[portIndex]!
  const moving = placed.items.find((p) => p.item.key === key)
  if (!moving || moving.part.kind === 'antenna') return assembly
  const last = placed.antenna ? placed.items.length - 2 : placed.items.length - 1
  return withItems(assembly, portIndex, (items) => {
    const item = items.find((i) => i.key === key)!
    const rest = items.filter((i) => i.key !== key)
    const place = Math.max(0, Math.min(to, last))
    return [...rest.slice(0, place), item, ...rest.slice(place)]
  })
}

/** Changes what an item says of itself: turned round, its setting, its unit. */
export const changeItem = (
  assembly: Assembly,
  portIndex: number,
  key: string,
  change: Partial<Omit<ChainItem, 'key' | 'partId'>>,
): Assembly =>
  withItems(assembly, portIndex, (items) => items.map((i) => (i.key === key ? { ...i, ...change } : i)))

export const changePort = (
  assembly: Assembly,
  portIndex: number,
  change: Partial<Omit<Port, 'items'>>,
): Assembly => withPort(assembly, portIndex, (port) => ({ ...port, ...change }))

/** Hangs a second chain on the radio's second port, or takes it off. */
export const setTwoPorts = (assembly: Assembly, two: boolean): Assembly => ({
  ...assembly,
  ports: two ? [assembly.ports[0]!, assembly.ports[1] ?? EMPTY_PORT] : assembly.ports.slice(0, 1),
  spacingM: two ? assembly.spacingM : null,
})

/** What a mend does to the assembly; power and height are the rig's own and come back beside it. */
export function applyFix(
  assembly: Assembly,
  fix: Fix,
): { assembly: Assembly; powerW?: number; antennaHeightM?: number } {
  switch (fix.kind) {
    case 'turn round': {
      const item = assembly.ports[fix.portIndex]!.items.find((i) => i.key === fix.key)
      return { assembly: changeItem(assembly, fix.portIndex, fix.key, { flipped: !item?.flipped }) }
    }
    case 'set antenna':
      return { assembly: changeItem(assembly, fix.portIndex, fix.key, { setting: fix.setting }) }
    case 'insert adapters':
      return {
        assembly: withItems(assembly, fix.portIndex, (items) => {
          const made = fix.steps.reduce<ChainItem[]>((list, { partId, flipped }) => {
            const key = freeKey([...items, ...list], partId)
            return [...list, { key, partId, unitId: null, flipped, setting: null }]
          }, [])
          return [...items.slice(0, fix.at), ...made, ...items.slice(fix.at)]
        }),
      }
    case 'set power':
      return { assembly, powerW: fix.powerW }
    case 'set height':
      return { assembly, antennaHeightM: fix.heightM }
  }
}
