import { marksNow, type Recording, type RunLog, type TrialPlan } from '@/core/trial'
import type { KnownMoment } from './AlignPanel'
import { cutsOf, listeningOrder, sentTo, type Cut } from './cuts'

const BEFORE_S = 1

/** A recording of the log, with the entry that holds it. */
export type KeptRecording = Recording & { entryId: string }

interface View {
  afterS: number
  listener: string
  blind: boolean
  /** Cuts put off for later. */
  passed: readonly string[]
}

/** The cuts of a recording in the order to listen to them, what is left of them, and what each is in words. */
export function gradeQueue(log: RunLog, plan: TrialPlan, recording: KeptRecording | null, view: View) {
  const { afterS, listener, blind, passed } = view
  const marks = marksNow(plan, log)
  const mark = (id: string) => marks.find((m) => m.id === id)?.name ?? 'an added mark'
  const link = (id: string) => plan.links.find((l) => l.id === id)?.name ?? 'another rig'
  const checkWords = (c: { linkId: string; markId: string; direction: string }) =>
    `${link(c.linkId)} ${c.direction} at ${mark(c.markId)}`
  const words = (cut: Cut) =>
    cut.about.kind === 'state' ? 'a change marked without looking' : checkWords(cut.about.check)
  const cuts = recording ? cutsOf(log, recording, { beforeS: BEFORE_S, afterS }) : []
  const gradeOf = (cut: Cut) =>
    cut.about.kind === 'check'
      ? cut.about.check.grades.findLast((g) => g.listener === listener)?.text
      : undefined
  const order = listeningOrder(cuts, blind, plan.order.seed + (listener === 'first' ? 1 : 2))
  const left = order.filter((c) => gradeOf(c) === undefined)
  const now = left.find((c) => !passed.includes(c.id)) ?? left[0] ?? null
  const moments: KnownMoment[] = [
    ...log.events.flatMap((e) =>
      e.body.kind === 'other' && e.body.what === 'sync mark'
        ? [{ id: e.id, time: e.time, words: 'Sync mark' }]
        : [],
    ),
    ...(recording ? sentTo(log, recording.at) : []).map((c) => ({
      id: c.id,
      time: c.time,
      words: `Sent: ${link(c.linkId)} at ${mark(c.markId)}`,
    })),
  ]
  return { cuts, left, now, gradeOf, words, checkWords, moments }
}
export type GradeQueue = ReturnType<typeof gradeQueue>
