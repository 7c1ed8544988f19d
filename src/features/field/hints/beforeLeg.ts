import type { Prediction } from './edgeWarning'

/**
 * What is not logged yet and can only be logged before a leg: conditions at the start, the channel's noise.
 * Null where nothing.
 */
export function beforeLeg({ log, now, plan }: Prediction): string | null {
  if (!now) return null
  const { legId, legName } = now.mark
  const legOf = (markId: string | null) =>
    [...plan.marks, ...log.marksAdded.map((m) => m.mark)].find((m) => m.id === markId)?.legId
  if (log.checks.some((c) => !c.voided && legOf(c.markId) === legId)) return null
  const conditions = log.events.some((e) => e.body.kind === 'conditions')
  const noise = log.events.some(
    (e) => e.body.kind === 'noise' && (e.body.markId === null || legOf(e.body.markId) === legId),
  )
  const missing = [...(conditions ? [] : ['the conditions']), ...(noise ? [] : ['the noise on the channel'])]
  return missing.length === 0
    ? null
    : `Before ${legName || 'this leg'}: log ${missing.join(' and ')}, under More.`
}
