import { keyText, type CheckKey } from '@/core/trial'
import type { FieldForecast, WorthyCheck } from './forecast'

/** How much more than the check that comes next another must tell a minute before it is offered instead. */
const MUCH_MORE = 1.5
/** What takes away less than this of what is asked is not worth a word. */
const LEAST = 0.02

/** The open check that tells much more a minute than the one whose turn it is; null where none does. */
export function tellsMost(forecast: FieldForecast, now: CheckKey): WorthyCheck | null {
  const [best] = forecast.worth
  if (!best || best.narrows < LEAST || keyText(best) === keyText(now)) return null
  const same = (w: WorthyCheck) =>
    w.markId === now.markId && w.linkId === now.linkId && w.direction === now.direction
  const asItIs = forecast.worth.find(same)?.perMinute ?? 0
  return same(best) || best.perMinute < MUCH_MORE * asItIs ? null : best
}
