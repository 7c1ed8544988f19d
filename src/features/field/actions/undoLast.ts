import { flushSync } from 'react-dom'
import type { CheckKey, RunLog } from '@/core/trial'
import type { RunLogHandle } from '../log/useRunLog'
import { EMPTY_DRAFT, type Draft } from '../pad/draft'

/** Voids what was logged last; the check that it was stands on the screen again. */
export async function undoLast(
  log: RunLog,
  add: RunLogHandle['add'],
  setSaid: (words: string) => void,
  setDraft: (d: Draft) => void,
  setChosen: (key: CheckKey) => void,
): Promise<void> {
  const last = log.undoable[log.undoable.length - 1]
  if (!last) return setSaid('There is nothing to undo.')
  await add({ kind: 'void', reason: 'undone' }, last.id)
  const { body } = last
  flushSync(() => {
    if (body.kind === 'check') setChosen(body)
    setSaid(body.kind === 'check' ? `Undone: ${body.text}. It stays listed as void.` : 'Undone.')
    setDraft(EMPTY_DRAFT)
  })
}
