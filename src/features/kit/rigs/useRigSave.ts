import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Units } from '@/core/units'
import type { KitRig } from '@/data/rigs'
import { unanswered, useAction } from '@/ui/answers/useAction'
import { ahead } from '@/ui/early/ahead'
import { saveRig } from './actions'
import { builtOf, typedOf, type RigDraft } from './useRigDraft'

// As much to load as the builder itself, and wanted only when it is saved.
const rigRules = ahead(() => import('./checkRig'))

/** Saves a rig once its facts hold, and goes on to the kit; what does not hold is said at its field. */
export function useRigSave(trialId: string, rig: KitRig | null, draft: RigDraft, units: Units, home: string) {
  const router = useRouter()
  const action = useAction()
  const [errors, setErrors] = useState<Record<string, string>>({})
  const save = async () => {
    const rules = await rigRules().catch((e: unknown) => action.refuse(unanswered(e)))
    if (!rules) return
    const typed = rules.checkRig(typedOf(draft, units))
    setErrors(
      typed.ok
        ? {}
        : Object.fromEntries(
            typed.problems.map((p) => [p.where === 'antennaHeightM' ? 'antennaHeight' : p.where, p.message]),
          ),
    )
    if (!typed.ok) return action.refuse()
    const built = builtOf(draft, units)
    // A rig of figures alone keeps those that the builder has no field for.
    const { antennaGainDbi = null, leadLossDb = null } = built ? {} : (rig ?? {})
    const stored = { ...typed.value, antennaGainDbi, leadLossDb, assembly: built }
    await action.run(
      () => saveRig(trialId, rig?.id ?? null, rig?.revision ?? 0, stored),
      () => router.push(home),
    )
  }
  return { action, errors, save }
}
