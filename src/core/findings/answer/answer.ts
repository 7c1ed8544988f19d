import type { RunLog } from '@/core/trial'
import { cautionWords } from '../cautions/cautionWords'
import { besideWords } from './beside'
import { answerByEar } from './byEar'
import { answerByEdges } from './byEdges'
import { answerByLevel } from './byLevel'
import { answerByReach } from './byReach'
import { answerBySwitches } from './bySwitches'
import { answerByThroughput } from './byThroughput'
import type { Answer, AnswerFrom } from './types'

/** Whether a log holds anything that an answer can be made from. */
export function answersAnything({ checks, events }: Pick<RunLog, 'checks' | 'events'>): boolean {
  return (
    checks.length > 0 ||
    events.some(
      ({ body }) =>
        body.kind === 'edge' ||
        body.kind === 'compare' ||
        body.kind === 'station' ||
        body.kind === 'carried' ||
        (body.kind === 'state' && body.state !== null),
    )
  )
}

/**
 * The answer of a log: by its checks where there are any, else by walks to the edge, by changes by ear, by what was
 * said on quick switches, by what a line carried.
 * @returns null where nothing of it was logged
 */
export function answerOf(from: AnswerFrom): Answer | null {
  const { findings, log, link, mark, units } = from
  const byChecks = () => (findings.where === 'ways' ? answerByReach(from) : answerByLevel(from))
  const found =
    (log.checks.some((c) => c.voided === null) ? byChecks() : null) ??
    answerByEdges(from) ??
    answerByEar(from) ??
    answerBySwitches(from) ??
    answerByThroughput(from) ??
    // Nothing but void checks: they are shown for what they are.
    (log.checks.length > 0 ? byChecks() : null)
  return (
    found && {
      ...found,
      cautions: findings.cautions.map((c) => cautionWords(c, link, mark, units)),
      beside: besideWords(from, found.basis),
    }
  )
}
