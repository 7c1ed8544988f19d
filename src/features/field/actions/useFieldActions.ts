'use client'

import { useCallback, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import type { Link } from '@/core/kit'
import type { Scale } from '@/core/reports'
import {
  keyOf,
  keyText,
  type CheckKey,
  type EntryBody,
  type PositionFix,
  type RunLog,
  type ScheduledCheck,
} from '@/core/trial'
import { keepPhoto, soundEvent } from './clipEvents'
import { undoLast } from './undoLast'
import { draftText, EMPTY_DRAFT, wanted, type Draft } from '../pad/draft'
import { answer } from '../device/feedback'
import type { Position } from '../position/positionSource'
import type { RecordedSound } from '../media/soundRecorder'
import type { Role, RunLogHandle } from '../log/useRunLog'
import type { SoundKind } from '../media/useSound'

interface Given {
  handle: RunLogHandle
  now: ScheduledCheck | null
  link: Link | null
  scale: Scale | null
  /** The words read out, where words are counted. */
  sentWords: string[] | null
  position: Position | null
  tones: boolean
  mayWrite: boolean
}

export interface FieldActions {
  draft: Draft
  setDraft: (d: Draft | ((old: Draft) => Draft)) => void
  said: string
  setSaid: (words: string) => void
  logText: (text: string) => Promise<void>
  logDraft: () => Promise<void>
  undo: () => Promise<void>
  skip: () => Promise<void>
  again: () => void
  atMark: () => Promise<void>
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

const fixOf = (p: Position | null): PositionFix | null =>
  p && { lat: p.lat, lon: p.lon, accuracyM: p.accuracyM }

/**
 * What the keys of the field screen do. One thing at a time: a second tap while the first is being stored
 * would be logged against the wrong check.
 */
export function useFieldActions(given: Given, setChosen: (key: CheckKey | null) => void): FieldActions {
  const { handle, now, link, scale, sentWords, position, tones, mayWrite } = given
  const { log, add, ready } = handle
  const [draft, setDraft] = useState<Draft>(EMPTY_DRAFT)
  const [said, setSaid] = useState('')
  const busy = useRef(false)

  const once = useCallback(
    async (work: () => Promise<void>) => {
      if (busy.current || !ready) return
      if (!mayWrite) {
        setSaid('This run is open in another tab; nothing is logged from here.')
        return answer('refused', tones)
      }
      busy.current = true
      try {
        await work()
        answer('done', tones)
      } catch {
        answer('refused', tones)
        setSaid(
          'This could not be stored on the device, and nothing was logged. Free some space, or write the run to a file under More.',
        )
      } finally {
        busy.current = false
      }
    },
    [ready, mayWrite, tones],
  )
  const body = (key: CheckKey, text: string): EntryBody & { kind: 'check' } => ({
    kind: 'check',
    ...keyOf(key),
    text,
    calls: 1,
    remark: '',
    state: 'graded',
    fix: fixOf(position),
  })
  /** The arrival, where it was not logged, and the check in one. */
  const withArrival = (check: EntryBody & { kind: 'check' }) =>
    handle.addAll([
      ...(log.currentMark === check.markId
        ? []
        : [{ kind: 'at mark' as const, markId: check.markId, fix: fixOf(position) }]),
      check,
    ])
  const logText = (text: string) =>
    once(async () => {
      if (!now || !link) return
      const { calls, remark } = draft
      const words = sentWords && text !== 'not heard' ? { sent: sentWords, taken: draft.taken } : null
      await withArrival({ ...body(now, text), calls, remark, words })
      flushSync(() => {
        setSaid(`Logged: ${log.blind?.[link.id] ?? link.name} ${now.direction} at ${now.mark.name}, ${text}`)
        setDraft(EMPTY_DRAFT)
        setChosen(null)
      })
    })
  const logSent = () =>
    once(async () => {
      if (!now || !link) return
      await withArrival({ ...body(now, 'sent'), state: 'sent', remark: draft.remark })
      flushSync(() => {
        setSaid(`Sent: ${log.blind?.[link.id] ?? link.name} at ${now.mark.name}, to be graded`)
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
    const text = scale && draftText(draft, scale)
    if (text) return logText(text)
    if (scale) setSaid(`${wanted(draft, scale)} Nothing is logged yet.`)
  }
  const undo = () => once(() => undoLast(log, add, setSaid, setDraft, setChosen))
  const skip = () =>
    once(async () => {
      if (!now || !link) return
      await add({ kind: 'skip', keys: [keyOf(now)], reason: '' })
      flushSync(() => {
        setSaid(`Skipped: ${link.name} ${now.direction} at ${now.mark.name}`)
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
    undo,
    skip,
    again,
    atMark,
    addEvent,
  }
}
