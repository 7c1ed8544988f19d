import type { ReadCheck } from '../input'
import type { Call, ModelListener } from '@/core/model/reports'
import type { CopyRule } from '@/core/reports/copyRule'
import { heard, type Reading } from '@/core/reports/reading'
import type { Scale } from '@/core/reports/scale'
import { isInDb, levelCell, stepWidthDb } from '@/core/reports/toCell'

/** A listener as the model knows it, and how its reports are read into calls. */
export interface ListenerReader {
  listener: ModelListener
  /** Reports are strengths in dB: what is found is in dB, not in steps of a list. */
  inDb: boolean
  /** Readability, of 1 to 5, is among what it reports. */
  readability: boolean
  /** Which step of its list a copy rule wants at least, and which level besides, dB. */
  asked: (rule: CopyRule) => { step: number; levelDb: number | null }
  /** What a heard report says; null where it says nothing that the model knows. */
  read: (reading: Extract<Reading, { state: 'heard' }>) => Call | null
}

/** Bare figures are put together into so many steps at most. */
const MAX_STEPS = 9
/** The middle of what the step of a meter may be that nobody knows, dB, and the level that it counts from. */
const UNKNOWN_STEP_DB = 4.5
const S9_DB = 0
const READABILITY_STEPS = 5
/** How much of a step a meter, or a display, is misread by. */
const METER_ERROR = 0.25
const DISPLAY_ERROR = 0.5
const MIN_ERROR_DB = 0.25

const hearing = { step: 1, levelDb: null }
const atStep = (step: number | null) => ({ step: Math.max(1, step ?? 1), levelDb: null })

const silentOnly: Omit<ListenerReader, 'read'> = {
  listener: { steps: 1, readingErrorDb: 1, counts: false },
  inDb: false,
  readability: false,
  asked: () => hearing,
}
const heardOnly = (): Call => ({ kind: 'step', step: 1 })

/**
 * How a listener's scale goes into the model. Comparisons of one link with another, and rates, go in as heard or
 * not heard only.
 * @param checks that listener's, of which bare figures are put into steps
 */
export function listenerReader(scale: Scale, checks: readonly ReadCheck[]): ListenerReader {
  switch (scale.kind) {
    case 'readability-strength':
    case 'strength':
      return strengthReader(scale, scale.kind === 'readability-strength')
    case 'level':
      return isInDb(scale) ? levelReader(scale) : { ...silentOnly, read: heardOnly }
    case 'readability':
      return {
        listener: { steps: READABILITY_STEPS, readingErrorDb: 1, counts: false },
        inDb: false,
        readability: true,
        asked: (rule) => atStep(rule.minReadability),
        read: ({ readability }) => step(readability ?? 1, READABILITY_STEPS),
      }
    case 'words':
    case 'heard': {
      const steps = Math.max(1, ...scale.words.map((w) => w.step))
      return {
        listener: { steps, readingErrorDb: 1, counts: false },
        inDb: false,
        readability: false,
        asked: (rule) => atStep(scale.kind === 'words' ? rule.minWord : null),
        read: (r) => step(r.step ?? 1, steps),
      }
    }
    case 'count':
      return {
        listener: { steps: 1, readingErrorDb: 1, counts: true },
        inDb: false,
        readability: false,
        asked: () => hearing,
        read: ({ count }) => (count ? { kind: 'share', k: count.k, n: count.n } : null),
      }
    case 'bare':
      return bareReader(scale, checks)
    case 'comparative':
    case 'rate':
      return { ...silentOnly, read: heardOnly }
  }
}

const finite = (v: number | undefined) => (v !== undefined && Number.isFinite(v) ? v : null)

const step = (at: number, steps: number): Call => ({ kind: 'step', step: Math.max(1, Math.min(steps, at)) })

function strengthReader(
  scale: Extract<Scale, { kind: 'readability-strength' | 'strength' }>,
  readability: boolean,
): ListenerReader {
  const unitDb = scale.strength.stepDb ?? UNKNOWN_STEP_DB
  const byEar = scale.strength.by === 'ear'
  const steps = readability ? READABILITY_STEPS : byEar ? scale.strength.top + 1 : 1
  return {
    listener: {
      steps,
      readingErrorDb: METER_ERROR * stepWidthDb(scale, unitDb),
      counts: false,
      ...(scale.strength.stepDb === null && !byEar ? { stretchedBelowDb: S9_DB } : {}),
    },
    inDb: !byEar,
    readability,
    asked: ({ minReadability, minFigure = null }) => {
      if (readability) return atStep(minReadability)
      if (minFigure === null) return hearing
      if (byEar) return atStep(minFigure + 1)
      const units = Math.min(scale.strength.top, Math.round(minFigure))
      const from = heard('', { strength: { from: { units, overDb: 0 }, to: { units, overDb: 0 } } })
      return { step: 1, levelDb: finite(levelCell(from, scale, unitDb)?.lower) }
    },
    read: (r) => {
      const cell = levelCell(r, scale, unitDb)
      const told = r.readability ?? null
      if (!cell) {
        if (byEar && !readability) return r.strength ? step(r.strength.from.units + 1, steps) : heardOnly()
        return told !== null && readability ? step(told, steps) : null
      }
      // The lowest mark of a meter is where its needle lies when there is less.
      const lowerDb = r.strength && r.strength.from.units <= 1 ? -Infinity : cell.lower
      const strength = { lowerDb, upperDb: cell.upper }
      return told !== null && readability
        ? { kind: 'step and strength', step: Math.max(1, Math.min(steps, told)), ...strength }
        : { kind: 'strength', ...strength }
    },
  }
}

function levelReader(scale: Extract<Scale, { kind: 'level' }>): ListenerReader {
  return {
    listener: {
      steps: 1,
      readingErrorDb: Math.max(MIN_ERROR_DB, DISPLAY_ERROR * scale.stepDb),
      counts: false,
    },
    inDb: true,
    readability: false,
    asked: ({ minLevel }) => ({ step: 1, levelDb: minLevel }),
    read: (r) => {
      const cell = levelCell(r, scale, 1)
      return cell && { kind: 'strength', lowerDb: cell.lower, upperDb: cell.upper }
    },
  }
}

/** Figures without a unit are an order and nothing more: bars and few figures are steps, many are put together by how many there are. */
function bareReader(scale: Extract<Scale, { kind: 'bare' }>, checks: readonly ReadCheck[]): ListenerReader {
  const values = checks
    .flatMap(({ reading }) => (reading.state === 'heard' && reading.step !== null ? [reading.step] : []))
    .sort((a, b) => a - b)
  const distinct = [...new Set(values)]
  const range = scale.top - scale.bottom
  const edges =
    scale.unit === 'bars' && range < MAX_STEPS
      ? Array.from({ length: range + 1 }, (_, i) => scale.bottom + i)
      : distinct.length <= MAX_STEPS
        ? distinct
        : [
            ...new Set(
              Array.from(
                { length: MAX_STEPS },
                (_, i) => values[Math.floor((i * values.length) / MAX_STEPS)]!,
              ),
            ),
          ]
  const steps = Math.max(1, edges.length)
  return {
    listener: { steps, readingErrorDb: 1, counts: false },
    inDb: false,
    readability: false,
    asked: ({ minFigure = null }) =>
      atStep(minFigure === null ? null : 1 + edges.filter((e) => e < minFigure).length),
    read: ({ step: figure }) =>
      figure === null ? null : step(edges.filter((e) => e <= figure).length, steps),
  }
}
