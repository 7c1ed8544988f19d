import type { RunLog, TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import type { Findings } from '../findings'
import type { WalkOrders } from '../onTheWay/edges'

/** What a log answers by. */
export type AnswerBasis = 'reach' | 'level' | 'edges' | 'by ear' | 'switches' | 'throughput'

/** A stretch of a way on which a link was heard one way, m; the farther end is null where it is open. */
export interface AnswerSpan {
  means: 'clear' | 'broken' | 'lost'
  fromM: number
  toM: number | null
}

/** One link in the answer, the first of them first. */
export interface AnswerLine {
  linkId: string
  letter: string
  name: string
  /** What is said of it, in a phrase. */
  text: string
  /** What belongs to it besides; empty where nothing does. */
  note: string
  /** On the axis; null where it is not known, or open. */
  value: number | null
  low: number | null
  high: number | null
  /** How it was heard, way by way; empty but by ear. */
  ways: { name: string; text: string; spans: AnswerSpan[] }[]
}

/** The answer to a trial's question: what every place says first, in the same words. */
export interface Answer {
  basis: AnswerBasis
  /** What was found, in one sentence. */
  lead: string
  /** What belongs to it, at most four sentences. */
  detail: string[]
  /** What the lines are drawn on; null where they are words alone. */
  axis: {
    unit: 'm' | 'dB' | 'steps' | 'share' | 'Mbit/s' | 'ms'
    label: string
    /** What the ways' stretches mean. */
    key?: string
  } | null
  lines: AnswerLine[]
  /** How sure it is, and what it was found from. */
  sure: string
  /** What would settle what is open; null where nothing is. */
  settle: string | null
  /** What counts as copied; null where that has no part in it. */
  copied: string | null
  /** What is to be known before it is believed. */
  cautions: string[]
  /** What else the log holds that bears on it. */
  beside: string[]
}

/** What an answer is made from. */
export interface AnswerFrom {
  plan: TrialPlan
  log: RunLog
  findings: Findings
  /** Where links were lost on the way, put in order. */
  walks: WalkOrders
  /** How often a copy is wanted, 0 to 1. */
  reliability: number
  units: Units
  link: (id: string) => string
  mark: (id: string) => string
}

/** An answer before what holds for all of them is put to it. */
export type AnswerCore = Omit<Answer, 'cautions' | 'beside'>
