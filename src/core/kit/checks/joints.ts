import { solveAdapters } from '../parts/adapters'
import { endText, mating, type ConnectorEnd } from '../parts/connectors'
import type { Fix } from '../rig/fix'
import type { KitCheck, KitProblem } from './problem'

interface Open {
  end: ConnectorEnd
  name: string
}

/** Connectors that do not mate, look-alikes, and the adapters that would join them. */
export const checkJoints: KitCheck = ({ rig, port, portIndex, ownedAdapters, txMHz }) => {
  if (!port.connector) return []
  const problems: KitProblem[] = []
  let open: Open | null = { end: port.connector, name: rig.radio!.name }
  port.items.forEach((placed, at) => {
    const { near, far, part, item } = placed
    // What clips on joins nothing and hides nothing.
    if (near === null && part.kind !== 'antenna') return
    if (near !== null && open) {
      const state = mating(open.end, near)
      if (!state.mates) {
        const where = `${open.name} to ${part.name}`
        const turned = far !== null && mating(open.end, far).mates
        const solution = solveAdapters(
          open.end,
          near,
          freeAdapters(
            ownedAdapters,
            port.items.map((p) => p.item.partId),
          ),
          txMHz,
        )
        let wayOut: string
        let fix: Fix | null = null
        if (turned) {
          wayOut = `Turn ${part.name} round: its other end, ${endText(far)}, mates.`
          fix = { kind: 'turn round', portIndex, key: item.key }
        } else if (solution.solved) {
          const owned = solution.steps.map((s) => s.name).join(', then ')
          wayOut = `You own what joins them: ${owned} (${solution.lossDb.toFixed(2)} dB).`
          fix = { kind: 'insert adapters', portIndex, at, steps: solution.steps }
        } else wayOut = `None of your adapters joins them. Get ${solution.words}.`
        problems.push({
          code: `connector-${state.why}`,
          weight: state.harms ? 'harms' : 'stops',
          where,
          message: `${state.words}${state.harms ? ' Do not force it.' : ''}`,
          wayOut,
          fix,
        })
      }
    }
    open = far ? { end: far, name: part.name } : null
  })
  return problems
}

function freeAdapters(
  owned: readonly { part: Parameters<typeof solveAdapters>[2][number]['part']; free: number }[],
  inUse: readonly string[],
) {
  return owned.map(({ part, free }) => ({
    part,
    free: free - inUse.filter((id) => id === part.id).length,
  }))
}
