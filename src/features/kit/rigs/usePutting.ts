import { KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core'
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable'
import { moveItem, putPart, type Assembly, type Part, type PlacedRig } from '@/core/kit'
import type { RigFacts } from './useRigDraft'

interface Given {
  parts: Part[]
  /** The port that is worked on. */
  at: number
  port: PlacedRig['ports'][number]
  isNew: boolean
  powerW: string
  setAssembly: (change: (a: Assembly) => Assembly) => void
  setFacts: (change: Partial<RigFacts>) => void
}

/** Puts parts into the chain, by a tap or dragged, and moves those in it. */
export function usePutting({ parts, at, port, isNew, powerW, setAssembly, setFacts }: Given) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const put = (part: Part, place?: number) => {
    setAssembly((a) => putPart(a, part, parts, at, place))
    if (part.kind !== 'radio') return
    const full = part.spec.powers.find((p) => p.powerW !== null)
    const kind = part.spec.use === 'desk' || part.spec.use === 'data' ? 'base' : part.spec.use
    setFacts({
      ...(powerW === '' && full ? { powerW: String(full.powerW) } : {}),
      ...(isNew ? { kind } : {}),
    })
  }
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over) return
    const place = port.items.findIndex((p) => p.item.key === over.id)
    const id = String(active.id)
    if (id.startsWith('part:')) {
      const part = parts.find((p) => p.id === id.slice(5))
      if (part) put(part, place === -1 ? undefined : place)
    } else if (place !== -1) setAssembly((a) => moveItem(a, parts, at, id, place))
  }
  return { put, onDragEnd, sensors }
}
