import { useCallback, useEffect, useState } from 'react'
import { EMPTY_DRAFT, type Draft } from '../pad/draft'

type Change = Draft | ((old: Draft) => Draft)

const keyOf = (runId: string) => `report in hand ${runId}`

interface Kept {
  check: string
  draft: Draft
}

function kept(runId: string): Kept | null {
  try {
    return JSON.parse(sessionStorage.getItem(keyOf(runId)) ?? 'null') as Kept | null
  } catch {
    return null
  }
}

/**
 * A report that is half made; it is there again after the page was loaded anew, for the check that it was made for.
 * @param check that stands on the screen; null while there is none
 */
export function useKeptDraft(runId: string, check: string | null): [Draft, (d: Change) => void] {
  const [draft, setDraft] = useState<Draft>(EMPTY_DRAFT)
  const [taken, setTaken] = useState(false)
  if (!taken && check !== null) {
    setTaken(true)
    const before = kept(runId)
    if (before?.check === check) setDraft({ ...EMPTY_DRAFT, ...before.draft })
  }
  useEffect(() => {
    if (!taken || check === null) return
    try {
      sessionStorage.setItem(keyOf(runId), JSON.stringify({ check, draft } satisfies Kept))
    } catch {
      // It holds for this visit then.
    }
  }, [runId, check, draft, taken])
  return [draft, useCallback((d: Change) => setDraft(d), [])]
}
