import * as Comlink from 'comlink'
import {
  fieldForecast,
  forecastSpreads,
  type ForecastAsk,
  type ForecastBasis,
} from '@/core/findings/fieldForecast'
import type { FieldForecast } from '@/core/findings/forecast'

/** What was learnt of how things spread, by run; it is learnt anew only once a log has grown much. */
const learnt = new Map<string, ForecastBasis['learnt']>()

const api = {
  /** What to expect of the rest of a run; null where nothing was said of any prediction yet. */
  forecast(runId: string, ask: ForecastAsk): FieldForecast | null {
    const now = forecastSpreads(ask, learnt.get(runId) ?? ask.basis.learnt)
    learnt.set(runId, now)
    return fieldForecast(ask, now.spreads)
  },
}

export type FieldForecastApi = typeof api

Comlink.expose(api)
