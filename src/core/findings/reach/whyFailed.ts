import { median } from '@/core/stats/numeric/median'
import { CAUSE_PROBES, type LoggedCheck, type LoggedEvent, type RunLog } from '@/core/trial'
import { andList } from '../words/phrases'

/** What others on the channel, or noise there, are called among the causes. */
const ON_CHANNEL = CAUSE_PROBES[0].cause

/** A check that failed and was looked into: which causes the tests and what else was logged leave standing. */
export interface WhyFailed {
  checkId: string
  linkId: string
  markId: string
  /** Told by a test that was heard. */
  shown: string[]
  /** Told against by a test that was not heard either. */
  ruledOut: string[]
  /** Told by others on the channel, or by more noise than elsewhere. */
  pointedTo: string[]
  /** Nothing of it. */
  standing: string[]
  /** The noise and the scan as they were logged there. */
  noted: string[]
}

/** Noise is more than elsewhere from so many dB, or S-units, on. */
const MORE = { dB: 6, S: 2 }

/** A noise reading as a figure of one of two kinds; null where it is neither. */
function noiseFigure(text: string): { kind: keyof typeof MORE; value: number } | null {
  const m = /^\s*(S?)\s*([-\u2212]?\d+(?:[.,]\d+)?)/i.exec(text)
  if (!m) return null
  const value = Number(m[2]!.replace('\u2212', '-').replace(',', '.'))
  return { kind: m[1] ? 'S' : 'dB', value }
}

/** What noise was where it was noted elsewhere, in the same kind of figure; null where it was not. */
function noiseElsewhere(events: readonly LoggedEvent[], markId: string, kind: keyof typeof MORE) {
  const values = events.flatMap(({ body }) => {
    const found = body.kind === 'noise' && body.markId !== markId ? noiseFigure(body.text) : null
    return found?.kind === kind ? [found.value] : []
  })
  return values.length > 0 ? median(values) : null
}

/** Noise and scans logged at a check's mark once it had failed: what they say, and whether they point to the channel. */
function lookedAt(events: readonly LoggedEvent[], check: LoggedCheck) {
  const noted: string[] = []
  let points = false
  for (const { time, body } of events) {
    if ((body.kind !== 'noise' && body.kind !== 'scan') || body.markId !== check.markId) continue
    if (time < check.time) continue
    if (body.kind === 'noise') {
      const here = noiseFigure(body.text)
      const elsewhere = here && noiseElsewhere(events, check.markId, here.kind)
      const more = here !== null && elsewhere !== null && here.value >= elsewhere + MORE[here.kind]
      points ||= more
      const usual = here?.kind === 'S' ? `S${elsewhere}` : String(elsewhere)
      noted.push(`noise ${body.text}${elsewhere === null ? '' : `, ${usual} elsewhere`}`)
    } else {
      const others = body.channels.filter((ch) => (ch.others ?? 0) > 0)
      points ||= others.length > 0
      if (others.length > 0) noted.push(`others on channel ${others.map((ch) => ch.channel).join(', ')}`)
      else if (body.channels.some((ch) => ch.others !== null))
        noted.push('nobody else on the channels scanned')
    }
  }
  return { noted, points }
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
  // A scan or a noise reading looks into the last check that failed at its mark before.
  const looked = new Set(
    log.events.flatMap(({ time, body }) => {
      if (body.kind !== 'noise' && body.kind !== 'scan') return []
      const before = log.checks.filter((c) => !c.voided && c.markId === body.markId && c.time <= time)
      const last = before.at(-1)
      return last?.text === 'not heard' ? [last.id] : []
    }),
  )
  return log.checks
    .filter((c) => c.voided === null && (looked.has(c.id) || tests.some((t) => t.about === c.id)))
    .map((c) => {
      const said = (heard: boolean) =>
        CAUSE_PROBES.filter(
          (k) => tests.findLast((t) => t.about === c.id && t.test === k.what)?.heard === heard,
        ).map((k): string => k.cause)
      const [shown, ruledOut] = [said(true), said(false)]
      const { noted, points } = lookedAt(log.events, c)
      const told = new Set([...shown, ...ruledOut])
      const pointedTo: string[] = points && !told.has(ON_CHANNEL) ? [ON_CHANNEL] : []
      const standing = CAUSE_PROBES.map((k): string => k.cause).filter(
        (cause) => !told.has(cause) && !pointedTo.includes(cause),
      )
      return {
        checkId: c.id,
        linkId: c.linkId,
        markId: c.markId,
        shown,
        ruledOut,
        pointedTo,
        standing,
        noted,
      }
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
      w.pointedTo.length > 0 &&
      `what was noted there points to ${andList(w.pointedTo)}`,
    w.shown.length === 0 && w.standing.length > 0 && `left standing: ${andList(w.standing)}`,
    w.shown.length + w.pointedTo.length + w.standing.length === 0 &&
      'none of the causes that were tried explains it',
    w.noted.length > 0 && `noted there: ${andList(w.noted)}`,
  ]
  return `Why ${name(w.linkId)} was not heard at ${mark(w.markId)}: ${parts.filter(Boolean).join('; ')}.`
}
