import type { Burden } from '@/core/findings'
import { isBuilt, partIdsOf, type Part } from '@/core/kit'
import type { KitRig } from '@/data'

/** What it takes to carry and own each rig, from its parts; a sum of which one is not known is not known. */
export function burdensOf(rigs: readonly KitRig[], parts: readonly Part[]): [string, Burden][] {
  const sum = (list: readonly (number | null)[]) =>
    list.length > 0 && list.every((v) => v !== null) ? list.reduce<number>((s, v) => s + v!, 0) : null
  return rigs.map(({ id, powerW, assembly }) => {
    const own = isBuilt(assembly) ? partIdsOf(assembly).flatMap((p) => parts.filter((x) => x.id === p)) : []
    const worn = own.map((p) => p.wornMm).filter((v) => v !== null)
    return [
      id,
      {
        powerW,
        wornMm: worn.length > 0 ? worn.reduce((s, v) => s + v, 0) : null,
        weightG: sum(own.map((p) => p.weightG)),
        price: sum(own.map((p) => p.price)),
      },
    ]
  })
}
