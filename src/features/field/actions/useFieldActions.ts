'use client'

import { useState } from 'react'
import { flushSync } from 'react-dom'
import type { Link } from '@/core/kit'
import type { Scale } from '@/core/reports'
import {
  keyOf,
  keyText,
  type CheckKey,
  type EntryBody,
  type Mark,
  type PositionFix,
  type RunLog,
  type ScheduledCheck,
} from '@/core/trial'
import { keepPhoto, soundEvent } from './clipEvents'
import { lastOfDevice, undoLast } from './undoLast'
import { useKeptDraft } from './useKeptDraft'
import { useOnce } from './useOnce'
import {
  EMPTY_DRAFT,
  inHand,
  readyToLog,
  stepBack,
  wanted,
  type Draft,
  type SecondFigure,
} from '../pad/draft'
import { fixOf, type Position } from '../position/positionSource'
import type { Units } from '@/core/units'
import type { RecordedSound } from '../media/soundRecorder'
import type { Role, RunLogHandle } from '../log/useRunLog'
import type { SoundKind } from '../media/useSound'

interface Given {
  handle: RunLogHandle
  now: ScheduledCheck | null
  link: Link | null
  /** Names a check as the screen does. */
  nameOf: (key: CheckKey) => string
  scale: Scale | null
  /** The second figure of the check; null where one is enough. */
  also: SecondFigure | null
  /** The words read out, where words are counted. */
  sentWords: string[] | null
  position: Position | null
  units: Units
  tones: boolean
  mayWrite: boolean
}

export interface FieldActions {
  draft: Draft
  setDraft: (d: Draft | ((old: Draft) => Draft)) => void
  said: string
  setSaid: (words: string) => void
  logText: (text: string, also?: string) => Promise<void>
  logDraft: () => Promise<void>
  /** For a key that logs: a second tap of it that follows at once is the same tap. */
  tapped: (key: string, work: () => Promise<void>) => Promise<void>
  /** What is in hand goes first, then what this device logged last. */
  undo: () => Promise<void>
  canUndo: boolean
  skip: () => Promise<void>
  again: () => void
  atMark: () => Promise<void>
  /** Makes a mark where one stands, and is there. */
  beginMark: (mark: Mark, fix: PositionFix | null) => Promise<void>
  /** The check was sent; what came of it will be heard from a recording. */
  logSent: () => Promise<void>
  /** Reports of several checks, one after another. */
  logMany: (reports: { check: CheckKey; text: string }[]) => Promise<void>
  keepPhoto: (file: Blob, about: CheckKey) => Promise<void>
  keepSound: (kind: SoundKind, made: RecordedSound, role: Role, about: CheckKey | null) => Promise<void>
  /** Stores something else and says so. */
  addEvent: (body: EntryBody, words: string) => Promise<void>
}

/** Checks logged since a moment, by this end or the other. */
export function loggedSince(log: RunLog, startsAt: string): number {
  return new Set(log.checks.filter((c) => !c.voided && c.time >= startsAt).map(keyText)).size
}

/** A check as it is logged where nothing else is said of it. */
const checkBody = (
  key: CheckKey,
  text: string,
  position: Position | null,
): EntryBody & { kind: 'check' } => ({
  kind: 'check',
  ...keyOf(key),
  text,
  calls: 1,
  remark: '',
  state: 'graded',
  fix: fixOf(position),
})

/**
 * What the keys of the field screen do. One thing at a time: a second tap while the first is being stored
 * would be logged against the wrong check.
 */
export function useFieldActions(given: Given, setChosen: (key: CheckKey | null) => void): FieldActions {
  const { handle, now, link, nameOf, scale, also, sentWords, position, units, tones, mayWrite } = given
  const { log, add, ready } = handle
  const [draft, setDraft] = useKeptDraft(handle.runId, ready && now ? keyText(now) : null)
  const [said, setSaid] = useState('')
  const { once, tapped } = useOnce({ ready, mayWrite, tones, say: setSaid })
  const body = (key: CheckKey, text: string) => checkBody(key, text, position)
  /** The arrival, where it was not logged, and the check in one. */
  const withArrival = (check: EntryBody & { kind: 'check' }) =>
    handle.addAll([
      ...(log.currentMark === check.markId
        ? []
        : [{ kind: 'at mark' as const, markId: check.markId, fix: fixOf(position) }]),
      check,
    ])
  const logText = (text: string, second?: string) =>
    once(async () => {
      if (!now || !link) return
      const { calls, remark } = draft
      const taken = [...draft.taken, ...draft.also.taken]
      const words = sentWords && text !== 'not heard' ? { sent: sentWords, taken } : null
      const more = second === undefined ? {} : { also: second }
      await withArrival({ ...body(now, text), ...more, calls, remark, words })
      flushSync(() => {
        setSaid(`Logged: ${nameOf(now)}, ${text}${second === undefined ? '' : `, ${second}`}`)
        setDraft(EMPTY_DRAFT)
        setChosen(null)
      })
    })
  const logSent = () =>
    once(async () => {
      if (!now || !link) return
      await withArrival({ ...body(now, 'sent'), state: 'sent', remark: draft.remark })
      flushSync(() => {
        setSaid(`Sent: ${nameOf(now)}, to be graded`)
        setDraft(EMPTY_DRAFT)
        setChosen(null)
      })
    })
  const logMany = (reports: { check: CheckKey; text: string }[]) =>
    once(async () => {
      await handle.addAll(reports.map(({ check, text }) => body(check, text)))
      setSaid(`Logged: ${reports.length} reports at once`)
      setChosen(null)
    })
  const logDraft = async () => {
    const found = scale && readyToLog(draft, scale, also)
    if (found === 'second') return setDraft((d) => ({ ...d, at: 'second' }))
    if (found) return logText(found.text, found.also)
    if (scale) setSaid(`${wanted(draft, scale, also)} Nothing is logged yet.`)
  }
  const last = lastOfDevice(log, handle.device)
  const undo = async () => {
    if (!inHand(draft)) return once(() => undoLast(last, units, nameOf, add, setSaid, setDraft, setChosen))
    setDraft(stepBack(draft))
    setSaid(
      draft.calls > 1
        ? `Back to call ${draft.calls - 1}. Nothing logged was touched.`
        : 'Cleared. Nothing logged was touched.',
    )
  }
  const skip = () =>
    once(async () => {
      if (!now || !link) return
      await add({ kind: 'skip', keys: [keyOf(now)], reason: '' })
      flushSync(() => {
        setSaid(`Skipped: ${nameOf(now)}`)
        setChosen(null)
        setDraft(EMPTY_DRAFT)
      })
    })
  const atMark = () =>
    once(async () => {
      if (!now) return
      await add({ kind: 'at mark', markId: now.markId, fix: fixOf(position) })
      setSaid(`At ${now.mark.name}`)
    })
  const beginMark = (mark: Mark, fix: PositionFix | null) =>
    once(async () => {
      await handle.addAll([
        { kind: 'mark', mark, before: null },
        { kind: 'at mark', markId: mark.id, fix },
      ])
      flushSync(() => {
        setSaid(`At ${mark.name}`)
        setChosen(null)
      })
    })
  const addEvent = (body: EntryBody, words: string) =>
    once(async () => {
      await add(body)
      setSaid(words)
    })
  const again = () => setDraft((d) => ({ ...d, calls: d.calls + 1 }))
  return {
    draft,
    setDraft,
    said,
    setSaid,
    logText,
    logDraft,
    logSent,
    logMany,
    keepPhoto: (file, about) => keepPhoto(handle.runId, file, about, addEvent),
    keepSound: (kind, made, role, about) => addEvent(...soundEvent(kind, made, role, about)),
    tapped,
    undo,
    canUndo: last !== null || inHand(draft),
    skip,
    again,
    atMark,
    beginMark,
    addEvent,
  }
}
