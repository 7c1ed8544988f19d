import { aboutDistanceText, type Units } from '@/core/units'
import { andList, tenths, unitText } from '../words/phrases'
import { reachText } from '../words/words'
import type { LoneContact } from './loneContact'
import type { OrderCaution } from './order'
import type { SharedGround } from './sharedGround'
import type { StepSeen } from './stepSeen'

/** What is to be known before a verdict is believed. */
export type Caution = OrderCaution | LoneContact | SharedGround | StepSeen

type Name = (id: string) => string

function orderWords(
  { first, second, marks, of, hours, driftDb, couldMakeDb }: OrderCaution,
  name: Name,
): string {
  const where = marks === of ? `all ${of} marks` : `${marks} of ${of} marks`
  return `${name(first)} was checked before ${name(second)} at ${where}, by ${tenths(hours)} hours in the mean. A listener, a battery or the band drifting by up to ${tenths(driftDb)} dB an hour could make ${tenths(couldMakeDb)} dB of their difference; take turns at each mark next time.`
}

function contactWords(
  { linkId, markId, reach, without, lost }: LoneContact,
  name: Name,
  mark: Name,
  units: Units,
): string {
  const less =
    without.estimateM === null ? reachText(without, units) : aboutDistanceText(without.estimateM, units)
  const changed = reach.estimateM !== null && `Without it ${name(linkId)} reaches ${less}.`
  const verdicts =
    lost.length > 0
      ? `Without it ${andList(lost.map(({ a, b }) => `${name(a)} and ${name(b)}`))} could not be told apart.`
      : 'What is said of which is better holds without it.'
  return [
    `${mark(markId)} alone, far beyond every other copy of ${name(linkId)}, decides how far it reaches.`,
    changed,
    verdicts,
  ]
    .filter(Boolean)
    .join(' ')
}

function groundWords({ sharedM, legM }: SharedGround, units: Units): string {
  const show = (m: number) => aboutDistanceText(m, units)
  return `Neighbouring marks may share their ground over about ${show(sharedM)} of a way of ${show(legM)}: how far each reaches is then told from hardly more than one piece of ground, and may be another elsewhere.`
}

function ridgeWords({ beyondM, loss }: StepSeen, units: Units): string {
  const by = loss && `${tenths(loss.estimate)} ${unitText(loss.unit)} `
  const within = loss ? ` (${tenths(loss.low)} to ${tenths(loss.high)})` : ''
  return `Beyond about ${aboutDistanceText(beyondM, units)} everything is ${by ?? ''}weaker${within}, as behind a ridge. How far each reaches is told with it, and holds on this way.`
}

/** A caution in a sentence or two. */
export function cautionWords(caution: Caution, name: Name, mark: Name, units: Units): string {
  switch (caution.kind) {
    case 'order':
      return orderWords(caution, name)
    case 'lone contact':
      return contactWords(caution, name, mark, units)
    case 'shared ground':
      return groundWords(caution, units)
    case 'step':
      return ridgeWords(caution, units)
  }
}
