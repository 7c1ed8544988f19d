import { CAUSE_PROBES, type RunLog } from '@/core/trial'
import { andList } from '../words/phrases'

/** A check that failed and was looked into: which causes the tests and what else was logged leave standing. */
export interface WhyFailed {
  checkId: string
  linkId: string
  markId: string
  /** Told by a test that was heard. */
  shown: string[]
  /** Told against by a test that was not heard either. */
  ruledOut: string[]
  /** Neither. */
  standing: string[]
  /** Others heard on the channel there, or noise that was noted. */
  noted: string[]
}

/**
 * Why checks failed, as far as the log says: a test that was heard shows its cause, one that was not heard
 * either rules it out, what was not tried stays standing.
 */
export function whyFailed(log: Pick<RunLog, 'checks' | 'events'>): WhyFailed[] {
  const tests = log.events.flatMap(({ body }) =>
    body.kind === 'other' && body.what === 'test' && typeof body.detail.about === 'string'
      ? [{ about: body.detail.about, test: body.detail.test, heard: body.detail.heard === true }]
      : [],
  )
  return log.checks
    .filter((c) => c.voided === null && tests.some((t) => t.about === c.id))
    .map((c) => {
      const said = (heard: boolean) =>
        CAUSE_PROBES.filter(
          (k) => tests.findLast((t) => t.about === c.id && t.test === k.what)?.heard === heard,
        ).map((k) => k.cause)
      const [shown, ruledOut] = [said(true), said(false)]
      const noted = log.events.flatMap(({ body }) => {
        if (body.kind === 'noise' && body.markId === c.markId) return [`noise ${body.text}`]
        if (body.kind !== 'scan' || body.markId !== c.markId) return []
        const others = body.channels.filter((ch) => (ch.others ?? 0) > 0)
        return others.length > 0 ? [`others on channel ${others.map((ch) => ch.channel).join(', ')}`] : []
      })
      const standing = CAUSE_PROBES.map((k) => k.cause).filter(
        (k) => !shown.some((s) => s === k) && !ruledOut.some((s) => s === k),
      )
      return { checkId: c.id, linkId: c.linkId, markId: c.markId, shown, ruledOut, standing, noted }
    })
}

/** Why a check failed, in a sentence. */
export function whyFailedWords(
  w: WhyFailed,
  name: (id: string) => string,
  mark: (id: string) => string,
): string {
  const parts = [
    w.shown.length > 0 && `it was ${andList(w.shown)}`,
    w.ruledOut.length > 0 && `${andList(w.ruledOut)} ${w.ruledOut.length > 1 ? 'are' : 'is'} ruled out`,
    w.shown.length === 0 &&
      (w.standing.length > 0
        ? `left standing: ${andList(w.standing)}`
        : 'none of the causes that were tried explains it'),
    w.noted.length > 0 && `noted there: ${andList(w.noted)}`,
  ]
  return `Why ${name(w.linkId)} was not heard at ${mark(w.markId)}: ${parts.filter(Boolean).join('; ')}.`
}
