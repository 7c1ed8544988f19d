'use client'

import { useMemo, useState } from 'react'
import { forecastKey, type FieldForecast } from '@/core/findings/forecast'
import { marksNow, standingChecks, type CheckKey, type RunLog } from '@/core/trial'
import { useAnswer } from '@/ui/answers/useAnswer'
import type { RunPack } from '../log/runPack'
import { expectedChance } from './expected'
import type { forecast } from './forecaster'

/** A chance of copy, and how many checks it was corrected by; 0 for the prediction alone. */
export interface Chance {
  chance: number
  checks: number
}

/** What is expected of the checks of a run on this device. */
export interface Expected {
  /** As of now; null where it is not known. */
  now: (linkId: string, markId: string) => Chance | null
  /** As it stood before the newest check, which it is no surprise to any more. */
  before: (linkId: string, markId: string) => number | null
  /** The newest forecast; null before any. */
  forecast: FieldForecast | null
}

/** The newest forecast, and the newest that knows fewer of the run's checks. */
function useLastTwo(found: FieldForecast | null) {
  const [held, setHeld] = useState<[FieldForecast | null, FieldForecast | null]>([null, null])
  if (found === null || found === held[0]) return held
  const next: typeof held = [found, held[0] && held[0].ofRun < found.ofRun ? held[0] : held[1]]
  setHeld(next)
  return next
}

/** Its worker comes when it is first asked. */
const byWorker: typeof forecast = async (...asked) => (await import('./forecaster')).forecast(...asked)

/**
 * What the pack brought, corrected on the device by all that is logged; with no network, after each check.
 * @param corrected works the correction out
 */
export function useExpected(
  pack: RunPack,
  log: RunLog,
  open: readonly CheckKey[],
  corrected = byWorker,
): Expected {
  const { basis, runId, plan } = pack
  const checks = useMemo(() => standingChecks(log), [log])
  const told = useMemo(
    () =>
      JSON.stringify([
        log.currentMark,
        open.length,
        log.marksAdded.length,
        checks.map((c) => [c.id, c.versions, c.text]),
      ]),
    [log, open.length, checks],
  )
  const answer = useAnswer(
    basis ? [basis, runId, told] : null,
    async ([base, run], signal) => {
      const asked = { basis: base, plan, marks: marksNow(plan, log), checks, open: open.map(keyOf) }
      return corrected(signal, run, { ...asked, hereId: log.currentMark })
    },
    [runId],
  )
  const [last, earlier] = useLastTwo(answer.value)
  const made = checks.length
  return useMemo(() => {
    const ofPack = (linkId: string, markId: string): Chance | null => {
      const chance = expectedChance(pack, linkId, markId)
      return chance === null ? null : { chance, checks: pack.ground?.correctedBy?.checks ?? 0 }
    }
    const by = (f: FieldForecast | null) => (linkId: string, markId: string) => {
      const chance = f?.chances[forecastKey(markId, linkId)]
      return f === null || chance === undefined ? ofPack(linkId, markId) : { chance, checks: f.checks }
    }
    const before = by(last && last.ofRun < made ? last : earlier)
    return {
      now: by(last),
      before: (linkId, markId) => before(linkId, markId)?.chance ?? null,
      forecast: last,
    }
  }, [pack, last, earlier, made])
}

const keyOf = ({ markId, linkId, direction, repeat }: CheckKey): CheckKey => ({
  markId,
  linkId,
  direction,
  repeat,
})
