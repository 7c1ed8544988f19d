import { useCallback, useRef } from 'react'
import { answer } from '../device/feedback'

/** A second tap of a key within so long of the first is the same tap, ms. */
const HOLD_OFF_MS = 350

interface Given {
  ready: boolean
  mayWrite: boolean
  tones: boolean
  say: (words: string) => void
}

type Once = (work: () => Promise<void>) => Promise<void>
type Tapped = (key: string, work: () => Promise<void>) => Promise<void>

/**
 * Does one thing at a time, answers it, and says why where it could not be done. `tapped` is for a key that logs: a
 * finger that trembles on it logs once.
 */
export function useOnce({ ready, mayWrite, tones, say }: Given): { once: Once; tapped: Tapped } {
  const busy = useRef(false)
  const last = useRef({ key: '', until: -Infinity })
  const once = useCallback(
    async (work: () => Promise<void>) => {
      if (busy.current || !ready) return
      if (!mayWrite) {
        say('This run is open in another tab; nothing is logged from here.')
        return answer('refused', tones)
      }
      busy.current = true
      try {
        await work()
        answer('done', tones)
      } catch {
        answer('refused', tones)
        say(
          'This could not be stored on the device, and nothing was logged. Free some space, or write the run to a file under More.',
        )
      } finally {
        busy.current = false
      }
    },
    [ready, mayWrite, tones, say],
  )
  const tapped: Tapped = useCallback(async (key, work) => {
    if (key === last.current.key && performance.now() < last.current.until) return
    last.current = { key, until: performance.now() + HOLD_OFF_MS }
    await work()
    last.current = { key, until: performance.now() + HOLD_OFF_MS }
  }, [])
  return { once, tapped }
}
