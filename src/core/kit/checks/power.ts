import { wattsOfDbm } from '@/core/rf'
import { wattText } from '../budget/trace'
import type { KitCheck, KitProblem } from './problem'

/** Parts that the power is too much for, and power that the radio does not have. */
export const checkPower: KitCheck = ({ rig, port, powerW, tx }) => {
  const problems: KitProblem[] = []
  const known = (rig.radio?.spec.powers ?? []).filter((p) => p.powerW !== null)
  if (rig.radio && known.length > 0 && !known.some((p) => Math.abs(p.powerW! - powerW) < 1e-9)) {
    const nearest = known.reduce((a, b) =>
      Math.abs(b.powerW! - powerW) < Math.abs(a.powerW! - powerW) ? b : a,
    )
    problems.push({
      code: 'no-such-power',
      weight: 'stops',
      where: rig.radio.name,
      message: `${rig.radio.name} has no setting of ${wattText(powerW)}: it has ${known.map((p) => `${p.name} ${wattText(p.powerW!)}`).join(', ')}.`,
      wayOut: `Take ${nearest.name}, ${wattText(nearest.powerW!)}.`,
      fix: { kind: 'set power', powerW: nearest.powerW! },
    })
  }
  let before = tx.powerDbm
  for (const { item, part } of port.items) {
    const rating = part.kind === 'adapter' ? null : part.spec.ratingW
    const arrives = wattsOfDbm(before)
    if (rating !== null && arrives > rating * 1.0001) {
      const small = known.filter((p) => p.powerW! <= rating).sort((a, b) => b.powerW! - a.powerW!)[0]
      problems.push({
        code: 'over-rating',
        weight: 'harms',
        where: part.name,
        message: `${part.name} takes ${wattText(rating)}; ${wattText(arrives)} arrive there.${part.kind === 'attenuator' ? ' A small attenuator burns or fails open, and then the radio sees no load.' : ''}`,
        wayOut: small
          ? `Set the radio to ${small.name}, ${wattText(small.powerW!)}, or take one rated for more.`
          : 'Take one rated for the full power.',
        fix: small ? { kind: 'set power', powerW: small.powerW! } : null,
      })
    }
    before = tx.steps.find((s) => s.key === item.key)?.levelDbm ?? before
  }
  return problems
}
