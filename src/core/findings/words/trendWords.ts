import { aboutDistanceText, type Units } from '@/core/units'
import { signed } from './phrases'
import type { JudgedPair } from '../compare/verdict'

const dB = (v: number) => `${signed(v)} dB`
const metres = (lg: number) => 10 ** lg

/** Where two change places, in a sentence for those who know which is ahead where; empty where they do not. */
export function crossingWords({ trend }: JudgedPair, units: Units): string {
  if (!trend?.crossing) return ''
  const show = (lg: number) => aboutDistanceText(metres(lg), units)
  const { x, low, high } = trend.crossing
  const [near, far] = [trend.band[0]!.x, trend.band[trend.band.length - 1]!.x]
  return `They change places at about ${show(x)} (${show(Math.max(low, near))} to ${show(Math.min(high, far))}).`
}

/**
 * Whether the ranking flips with distance, in a sentence: a crossing with its margin, else how the lead
 * changes where that is sure, else that no flip was found inside what was tested.
 */
export function trendWords(pair: JudgedPair, name: (id: string) => string, units: Units): string {
  const { trend } = pair
  if (!trend)
    return 'Too few marks at different distances to say whether the difference changes with distance.'
  const show = (lg: number) => aboutDistanceText(metres(lg), units)
  const [near, far] = [trend.band[0]!, trend.band[trend.band.length - 1]!]
  const tested = `${show(near.x)} to ${show(far.x)}`
  if (trend.crossing) {
    const [first, second] = near.median > 0 ? [pair.a, pair.b] : [pair.b, pair.a]
    const { x, low, high } = trend.crossing
    return `They change places: ${name(first)} is ahead near the base, ${name(second)} beyond about ${show(x)} (${show(Math.max(low, near.x))} to ${show(Math.min(high, far.x))}).`
  }
  const { low, high } = trend.slope95
  if (low! > 0 || high! < 0) {
    const leader = Math.abs(far.median) > Math.abs(near.median) ? far.median : near.median
    const ahead = name(leader > 0 ? pair.a : pair.b)
    const sign = leader > 0 ? 1 : -1
    return `The lead of ${ahead} changes with distance: ${dB(sign * near.median)} at ${show(near.x)}, ${dB(sign * far.median)} at ${show(far.x)}. No flip is sure inside what was tested, ${tested}.`
  }
  return `No flip inside what was tested, ${tested}.`
}
