import { flushSync } from 'react-dom'
import type { CheckKey, Entry, RunLog } from '@/core/trial'
import { countText, distanceText, type Units } from '@/core/units'
import type { RunLogHandle } from '../log/useRunLog'
import { EMPTY_DRAFT, type Draft } from '../pad/draft'

/** What this device logged last and can take back; what others logged is theirs. */
export function lastOfDevice(log: RunLog, device: string): Entry | null {
  return log.undoable.findLast((e) => e.device === device) ?? null
}

/** Anything but a check, in a few words. */
function entryWords(body: Entry['body'], units: Units): string {
  switch (body.kind) {
    case 'edge':
      return `${body.what} at ${distanceText(body.distanceM, units)}`
    case 'state':
      return body.state ?? 'a mark without looking'
    case 'mark':
      return `the mark ${body.mark.name}`
    case 'skip':
      return countText(body.keys.length, 'check left out', 'checks left out')
    default:
      return body.kind
  }
}

/** Voids an entry; the check that it was stands on the screen again. */
export async function undoLast(
  last: Entry | null,
  units: Units,
  nameOf: (key: CheckKey) => string,
  add: RunLogHandle['add'],
  setSaid: (words: string) => void,
  setDraft: (d: Draft) => void,
  setChosen: (key: CheckKey) => void,
): Promise<void> {
  if (!last) return setSaid('There is nothing of this device to undo.')
  await add({ kind: 'void', reason: 'undone' }, last.id)
  const { body } = last
  flushSync(() => {
    if (body.kind === 'check') setChosen(body)
    setSaid(
      body.kind === 'check'
        ? `Undone: ${nameOf(body)}, ${body.text}. It stays listed as void.`
        : `Undone: ${entryWords(body, units)}.`,
    )
    setDraft(EMPTY_DRAFT)
  })
}
