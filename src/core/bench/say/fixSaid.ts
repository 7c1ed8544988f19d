import { bearingText, coordinateText, turnDeg } from '@/core/geo'
import { distanceText, figureText, type Units } from '@/core/units'
import type { Bearing, Fix, NextStand } from '../fix'

/** Points of the compass, clockwise. */
const POINTS = [
  'north',
  'north-east',
  'east',
  'south-east',
  'south',
  'south-west',
  'west',
  'north-west',
] as const
const pointOf = (deg: number) => POINTS[Math.round(turnDeg(deg) / 45) % 8]!

/** Two bearings always cross somewhere, so that they cannot disagree. */
const FEWEST_TO_AGREE = 3
/** Less likely than this by the spreads given, and the spreads or the bearings are wrong. */
const DISAGREES = 0.01

/** Where it is, and how sure, the answer first. */
export function fixSaid(
  fix: Fix,
  bearings: readonly Bearing[],
  units: Units,
): { headline: string; more: string[] } {
  const { ellipse: e } = fix
  const about = (m: number) => distanceText(m, units)
  const named = (id: string) => bearings.find((b) => b.id === id)?.name || 'one of them'
  const more: string[] = []
  if (bearings.length < FEWEST_TO_AGREE)
    more.push('Two bearings always cross: nothing tells whether one of them is wrong. Take a third.')
  else if (fix.outlier)
    more.push(
      `The bearing of ${named(fix.outlier)} disagrees with the others: a reflection, or the compass near metal? Without it they agree.`,
    )
  else if (fix.agreement !== null && fix.agreement < DISAGREES)
    more.push('They disagree by more than their spreads allow. Take them wider, or look for a reflection.')
  else more.push('They agree within their spreads.')
  const least = [...fix.contributions]
    .filter((c) => c.withoutIt !== null)
    .sort((a, b) => b.withoutIt! - a.withoutIt!)[0]
  if (least && bearings.length >= FEWEST_TO_AGREE)
    more.push(
      `${named(least.id)} contributes the most: without it the ellipse is ${figureText(least.withoutIt!, 1)} times as large.`,
    )
  return {
    headline: `It is near ${coordinateText(fix.place, 'degrees')}: with 90 chances of 100 within ${about(e.longM)} along ${bearingText(e.bearingDeg)} and ${about(e.shortM)} across.`,
    more,
  }
}

/** Where to stand next, in a sentence. */
export const nextStandSaid = (n: NextStand, units: Units) =>
  `Stand ${distanceText(n.distanceM, units)} ${pointOf(n.bearingDeg)} of it next: one more bearing from there leaves ${Math.round(100 * n.areaLeft)} % of the ellipse.`
