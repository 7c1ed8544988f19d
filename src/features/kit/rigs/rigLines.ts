import { assessRig, budgetFigures, isBuilt, type Part, type ServiceRule } from '@/core/kit'
import type { KitRig } from '@/data/rigs'

/** A rig as the list shows it: its chain in words, what it radiates, what is wrong with it. */
export interface RigLine {
  rig: KitRig
  chain: string[] | null
  eirp: string | null
  problems: { stops: number; costs: number; asks: number }
}

/** Adds to each rig what the list says of it. */
export function rigLines(
  rigs: readonly KitRig[],
  parts: readonly Part[],
  service: ServiceRule | null,
): RigLine[] {
  return rigs.map((rig) => {
    if (!isBuilt(rig.assembly))
      return { rig, chain: null, eirp: null, problems: { stops: 0, costs: 0, asks: 0 } }
    const { placed, ports } = assessRig(rig.assembly, rig, parts, service)
    const found = ports.flatMap((p) => p.problems)
    const port = placed.ports[0]!
    const chain = [
      placed.radio?.name ?? 'no radio',
      ...port.items.map((i) => i.part.name),
      port.mount?.name,
      port.mast?.name,
    ]
    return {
      rig,
      chain: chain.filter((c): c is string => c !== undefined),
      eirp: budgetFigures(ports[0]!.tx).eirp.value,
      problems: {
        stops: found.filter((p) => p.weight === 'stops' || p.weight === 'harms').length,
        costs: found.filter((p) => p.weight === 'costs').length,
        asks: found.filter((p) => p.weight === 'ask').length,
      },
    }
  })
}
