import type { CheckKey } from '@/core/trial'
import type { Role } from '../log/useRunLog'
import { useClips } from '../media/useClips'
import { useSound } from '../media/useSound'
import type { FieldActions } from './useFieldActions'

/** Sounds and photos of a run: what is recorded goes into the log, and its bytes on their way to the server. */
export function useKeptSounds(
  runId: string,
  mayWrite: boolean,
  actions: FieldActions,
  role: Role,
  now: CheckKey | null,
) {
  const clips = useClips(runId, mayWrite, (made) => void actions.keepSound('way', made, role, null))
  const sound = useSound(runId, (kind, made) => {
    void actions.keepSound(kind, made, role, now).then(clips.send)
  })
  return { clips, sound }
}
