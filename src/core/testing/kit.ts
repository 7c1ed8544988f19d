import { EXAMPLE_PARTS } from '@/core/kit/parts/examples'
import { EMPTY_ASSEMBLY, EMPTY_PORT, type Assembly, type ChainItem } from '@/core/kit/rig/assembly'
import type { Part } from '@/core/kit/parts/part'

/** The examples as a kit, by their own ids, for the tests. */
export const kit: Part[] = EXAMPLE_PARTS.map(({ id, part }) => ({ ...part, id }) as Part)

/** The same kit with a part changed. */
export function kitWith(id: string, change: (part: Part) => Part): Part[] {
  return kit.map((p) => (p.id === id ? change(structuredClone(p)) : p))
}

export const item = (partId: string, more: Partial<ChainItem> = {}, i = 0): ChainItem => ({
  key: `${i}-${partId}`,
  partId,
  unitId: null,
  flipped: false,
  setting: null,
  ...more,
})

/** A rig of parts by their ids: "turned " before an id turns it round. */
export function built(
  radioId: string,
  chain: string[],
  more: Partial<Assembly> & { mount?: string; mast?: string } = {},
): Assembly {
  const { mount = null, mast = null, ...rest } = more
  const items = chain.map((id, i) =>
    item(id.replace('turned ', ''), { flipped: id.startsWith('turned ') }, i),
  )
  return {
    ...EMPTY_ASSEMBLY,
    radioId,
    ports: [{ ...EMPTY_PORT, items, mountId: mount, mastId: mast }],
    ...rest,
  }
}
