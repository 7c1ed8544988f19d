import type { Place } from '@/core/geo'
import { ends, figuresFor, type Direction, type Link, type Rig } from '@/core/kit/rig/rig'
import {
  bodyTaken,
  crossedDb,
  gainTaken,
  linkDoubtDb,
  lossBeforeReceiverDb,
  towards,
  type TakenGains,
} from '@/core/kit/rig/taken'
import type { ModelName, Profile } from '@/core/propagation'
import { eirpDbm } from '@/core/rf/levels'
import { modeOf, raisedOutsideDb, usualSensitivityDbm } from '@/core/rf/modes'
import { manMadeNoiseDb, type Surroundings } from '@/core/rf/noise'
import { normalCdf } from '@/core/stats/numeric/normal'
import type { CoverKind, GroundProfile, PathCover } from '@/core/terrain'
import { correctedBy, sharedShadow, type Correction } from './correction/correction'
import { linkKey } from './linkKey'
import { lossOver } from './lossOver'

/** What a prediction takes for granted; each is a setting of the trial, and the log will correct it. */
export interface PredictionSettings {
  model: ModelName
  /** Noise from outside. */
  surroundings: Surroundings
  /** What stands about each end, where no area says. */
  baseStands: CoverKind
  farStands: CoverKind
  /** Over the receiver's 12 dB SINAD for the copy that is agreed, dB. */
  copyDb: number
  /** Location variability, dB. */
  spreadDb: number
  /** Bending of the ray. */
  k: number
  /** What antennas of unknown gain are taken for, by rig; by their kind where left out. */
  gains?: TakenGains
  /** What the log taught; it is not kept with the settings, but comes from the log each time. */
  correction?: Correction | null
}

export const USUAL_PREDICTION: PredictionSettings = {
  model: 'terrain',
  surroundings: 'rural',
  baseStands: 'open',
  farStands: 'scattered',
  copyDb: 6,
  spreadDb: 8,
  k: 4 / 3,
}

/** A path between the base and a place out there. */
export interface PredictedPath {
  distanceKm: number
  /** From the base, degrees from true north; left out where an antenna's direction is not to count. */
  bearingDeg?: number
  profile: Profile | null
  /** What stands along it, where areas say so. */
  cover?: PathCover | null
  /** The place out there, near which the log may know more; left out where nothing is to be taken from that. */
  far?: Place | null
  /** It is another base than the log was made with. */
  fromOther?: boolean
}

/** A path over ground that is known all the way. */
export const pathOver = (profile: GroundProfile): PredictedPath => ({
  distanceKm: profile.lengthKm,
  bearingDeg: profile.bearingDeg,
  profile,
  cover: profile.cover,
  far: profile.to ?? null,
})

/** One direction of a link over one path. */
export interface Prediction {
  direction: Direction
  frequencyMHz: number
  /** All on the way: the model's, clutter at the ends, woods. */
  lossDb: number
  /** Of it, what woods take, and how much of the way is through them, m. */
  woodsDb: number
  woodsM: number
  levelDbm: number
  neededDbm: number
  /** With what the log taught, if it did, and how much that is, dB. */
  marginDb: number
  correctedDb: number
  /** Chance that the copy is as agreed, 0 to 1. */
  chance: number
  /** Why the model may not apply here. */
  notes: string[]
  /** Null where the model had an answer; else what stood in for it. */
  insteadOf: ModelName | null
}

/** Level that a receiver needs at its connector for the agreed copy, dBm: sensitivity, raised by noise from outside. */
export function neededDbm(receiver: Rig, frequencyMHz: number, settings: PredictionSettings): number {
  const mode = modeOf(receiver.traits?.mode)
  const bandwidthHz = 1000 * (receiver.bandwidthKHz ?? mode.bandwidthKHz)
  const sensitivityDbm = receiver.sensitivityDbm ?? usualSensitivityDbm(mode, bandwidthHz)
  const raised = raisedOutsideDb(mode, {
    sensitivityDbm,
    bandwidthHz,
    externalDb: manMadeNoiseDb(settings.surroundings, frequencyMHz),
    lossDb: lossBeforeReceiverDb(receiver, settings.gains),
  })
  return sensitivityDbm + raised + settings.copyDb
}

/**
 * Power less what is lost and with what is gained at both ends, dBm: the level at the receiver over a path of 0 dB,
 * with the base's antenna pointed there.
 */
export function gainsDbm(
  link: Link,
  direction: 'to base' | 'from base',
  { gains }: Pick<PredictionSettings, 'gains'>,
): number {
  const { sender, receiver } = ends(link, direction)
  const [sends, hears] = [figuresFor(sender, true), figuresFor(receiver, false)]
  return (
    eirpDbm(sender.powerW, gainTaken(sender, true, gains).db, (sends.leadLossDb ?? 0) + sends.attenuatorDb) -
    bodyTaken(sender).db -
    bodyTaken(receiver).db -
    crossedDb(sender, receiver) +
    gainTaken(receiver, false, gains).db -
    (hears.leadLossDb ?? 0) -
    hears.attenuatorDb
  )
}

/** Whether a link's waves stand upright: as its base's antenna does, else as the other's; upright where nobody says. */
export const isVertical = ({ base, out }: Link): boolean =>
  (base.polarisation ?? out.polarisation) !== 'horizontal'

/** Spread of a prediction before any check, dB: from place to place, and what is not known of the rigs. */
export const spreadBefore = (link: Link, { spreadDb, gains }: PredictionSettings): number =>
  Math.hypot(spreadDb, linkDoubtDb(link, gains))

/**
 * Predicts one direction of a link over a path, at that direction's own frequency. Antennas of unknown gain
 * count by their kind, with their doubt. Where the model has no answer, free space with plane earth stands in for it
 * and is named.
 */
export function predict(
  link: Link,
  direction: 'to base' | 'from base',
  path: PredictedPath,
  settings: PredictionSettings,
): Prediction {
  const { sender, receiver } = ends(link, direction)
  const frequencyMHz = sender.txMHz
  const geometry = {
    frequencyMHz,
    distanceKm: path.distanceKm,
    baseM: link.base.antennaHeightM,
    farM: link.out.antennaHeightM,
    profile: path.profile,
    vertical: isVertical(link),
    k: settings.k,
  }
  const loss = lossOver(geometry, path.cover ?? null, settings)
  const { lossDb, woodsDb, woodsM, insteadOf } = loss
  const { bearingDeg, fromOther } = path
  const lessDb = bearingDeg === undefined || fromOther ? 0 : (towards(link.base)?.(bearingDeg) ?? 0)
  const levelDbm = gainsDbm(link, direction, settings) + lessDb - lossDb
  const needed = neededDbm(receiver, frequencyMHz, settings)
  const learnt = settings.correction
    ? correctedBy(settings.correction, linkKey(link), direction, path.far ?? null, path.distanceKm * 1000, {
        share: sharedShadow(path.fromOther === true),
        doubtDb: linkDoubtDb(link, settings.gains),
      })
    : null
  const marginDb = levelDbm - needed + (learnt?.db ?? 0)
  const spreadDb = learnt ? Math.hypot(learnt.placeSdDb, learnt.callSdDb) : spreadBefore(link, settings)
  return {
    direction,
    frequencyMHz,
    lossDb,
    woodsDb,
    woodsM,
    levelDbm,
    neededDbm: needed,
    marginDb,
    correctedDb: learnt?.db ?? 0,
    chance: normalCdf(marginDb / spreadDb),
    notes: loss.notes,
    insteadOf,
  }
}

/** Both directions, and which is the weaker and why. */
export function predictBoth(link: Link, path: PredictedPath, settings: PredictionSettings) {
  const toBase = predict(link, 'to base', path, settings)
  const fromBase = predict(link, 'from base', path, settings)
  const weaker = toBase.marginDb <= fromBase.marginDb ? toBase : fromBase
  return { toBase, fromBase, weaker, why: whyWeaker(link, toBase, fromBase) }
}

/** Differences smaller than this are none, dB. */
const MIN_DB = 0.5

function whyWeaker(link: Link, toBase: Prediction, fromBase: Prediction): string {
  const difference = fromBase.marginDb - toBase.marginDb
  if (Math.abs(difference) < MIN_DB) return 'both ways alike'
  const way = difference > 0 ? 'to base' : 'from base'
  const reasons: string[] = []
  const power = 10 * Math.log10(link.base.powerW / link.out.powerW)
  if (Math.abs(power) > MIN_DB && power > 0 === difference > 0)
    reasons.push(
      `${power > 0 ? 'the base' : 'the one out there'} sends ${Math.abs(power).toFixed(1)} dB more`,
    )
  const hears = fromBase.neededDbm - toBase.neededDbm
  if (Math.abs(hears) > MIN_DB && hears < 0 === difference > 0)
    reasons.push(
      `${hears < 0 ? 'the base' : 'the one out there'} needs ${Math.abs(hears).toFixed(1)} dB more to hear`,
    )
  const path = toBase.lossDb - fromBase.lossDb
  if (Math.abs(path) > MIN_DB && path > 0 === difference > 0)
    reasons.push(`its frequency loses ${Math.abs(path).toFixed(1)} dB more on the way`)
  return `${way} is the weaker by ${Math.abs(difference).toFixed(1)} dB${reasons.length > 0 ? `: ${reasons.join(', ')}` : ''}`
}
