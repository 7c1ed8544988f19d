import { messageOf } from '@/core/outcome'
import { addRig, type Db, type RigInput } from '@/data'

/** A rig of which only its figures are known. @returns its id */
export function figuresRig(
  db: Db,
  rig: Pick<RigInput, 'letter' | 'name' | 'kind' | 'txMHz' | 'powerW' | 'antennaHeightM' | 'note'> &
    Partial<RigInput>,
): string {
  const made = addRig(db, {
    rxMHz: null,
    antennaGainDbi: null,
    leadLossDb: 0,
    attenuatorDb: 0,
    attenuatorAt: 'both ways',
    ...rig,
  })
  if (!made.ok) throw new Error(messageOf(made))
  return made.value
}
