import { useEffect, useMemo, useRef, useState } from 'react'
import type { Correction, PredictionSettings } from '@/core/reach'
import { useAction } from '@/ui/answers/useAction'
import { keepPrediction } from './actions'

/** After the last change it is kept, ms. */
const WAIT_MS = 600

/** What a trial's predictions take for granted: used at once, kept with the trial a moment after the last change. */
export function useKeptPrediction(trialId: string, kept: PredictionSettings, correction: Correction | null) {
  const [settings, setSettings] = useState<PredictionSettings>(kept)
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null)
  const action = useAction()
  const run = useRef(action.run)
  useEffect(() => {
    run.current = action.run
  })
  useEffect(
    () => () => {
      if (timer.current) clearTimeout(timer.current)
    },
    [],
  )
  const change = (next: PredictionSettings) => {
    setSettings(next)
    if (timer.current) clearTimeout(timer.current)
    timer.current = setTimeout(
      () => void run.current(() => keepPrediction({ trialId, settings: next })),
      WAIT_MS,
    )
  }
  const corrected = useMemo(() => ({ ...settings, correction }), [settings, correction])
  return {
    /** With what the log taught, for predicting. */
    settings: corrected,
    /** As they are kept. */
    kept: settings,
    change,
    refusal: action.refusal('The settings were not kept', 'What to expect'),
  }
}
