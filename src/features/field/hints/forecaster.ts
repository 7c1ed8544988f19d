'use client'

import { oneAtATime } from '@/ui/answers/oneAtATime'
import { oneWorker } from '@/ui/answers/oneWorker'
import type { FieldForecastApi } from '@/workers/fieldForecast'

/** What corrects the prediction on this device; one for the page. */
const worker = oneWorker<FieldForecastApi>(
  () => new Worker(new URL('../../../workers/fieldForecast.ts', import.meta.url), { type: 'module' }),
)

const inTurn = oneAtATime()

/** Asks it; while it is busy only the newest question waits. */
export const forecast = (signal: AbortSignal, ...asked: Parameters<FieldForecastApi['forecast']>) =>
  inTurn(signal, () => worker().worker.forecast(...asked))
