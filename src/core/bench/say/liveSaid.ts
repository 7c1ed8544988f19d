import { countText, figureText, signedText } from '@/core/units'
import { isBeside, type LiveSeries } from '../live'

const nameOf = ({ quantity, port }: LiveSeries) =>
  `${quantity.name}${port === null ? '' : ` of port ${port}`}`

/** What being plugged in brings to one quantity, in a sentence. */
export function seriesSaid(s: LiveSeries): string {
  const { answer: a, quantity } = s
  if (!a) return `${nameOf(s)}: only one state was read.`
  const gain = `${a.atLeast ? 'at least ' : ''}${signedText(a.gain)} ${quantity.unit === 'dBm' ? 'dB' : quantity.unit}`
  if (!a.interval)
    return `${nameOf(s)}: ${gain}, by ${countText(a.swaps, 'swap')}; swap twice more to see how well it repeats.`
  const range = `${signedText(a.interval.low)} to ${signedText(a.interval.high)}`
  const sure = a.interval.low > 0 || a.interval.high < 0
  return `${nameOf(s)}: ${gain} (${range}), by ${countText(a.swaps, 'swap')}${sure ? '' : '; that may be nothing'}.`
}

/** Less than this over the whole session, and the drift is not worth a word. */
const DRIFTS = 1

/** The answer, for the level that says the most. @param what what is plugged in, as somebody named it */
export function liveSaid(all: readonly LiveSeries[], what: string): { headline: string; more: string[] } {
  const judged = all.filter((s) => !isBeside(s.quantity.id))
  const first = judged.find((s) => s.answer?.interval) ?? judged.find((s) => s.answer)
  const thing = what.trim() || 'what is plugged in'
  if (!first?.answer)
    return { headline: 'Log some readings with it out and some with it in, by turns.', more: [] }
  const { answer: a } = first
  const unit = first.quantity.unit === 'dBm' ? 'dB' : first.quantity.unit
  const size = `${figureText(Math.abs(a.gain))} ${unit}`
  const more = all.map(seriesSaid)
  const times = first.readings.map((r) => r.atS)
  const drifted = ((a.driftPerHour ?? 0) * (Math.max(...times) - Math.min(...times))) / 3600
  if (Math.abs(drifted) >= DRIFTS)
    more.push(`Meanwhile it drifted by ${signedText(drifted)} ${unit} by itself; that is taken out.`)
  if (all.some((s) => isBeside(s.quantity.id)))
    more.push('Throughput and delay depend on who else is on: they stand beside, and decide nothing.')
  if (!a.interval)
    return {
      headline: `${cap(thing)} brings ${size} ${a.gain < 0 ? 'less' : 'more'} by one swap, which proves little: swap again.`,
      more,
    }
  const sure = a.interval.low > 0 || a.interval.high < 0
  const range = `${figureText(a.interval.low)} to ${figureText(a.interval.high)}`
  return {
    headline: sure
      ? `${cap(thing)} makes ${nameOf(first)} ${a.atLeast ? 'at least ' : ''}${size} ${a.gain < 0 ? 'weaker' : 'stronger'} (${range}), here.`
      : `Cannot tell whether ${thing} changes ${nameOf(first)}: it lies between ${range} ${unit}.`,
    more,
  }
}

const cap = (s: string) => s.charAt(0).toUpperCase() + s.slice(1)
