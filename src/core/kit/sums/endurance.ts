import { CHEMISTRIES, type Chemistry } from '../parts/chemistries'

/** Share of the capacity left at a temperature, straight between typical points. */
export function temperatureFactor(chemistry: Chemistry, temperatureC: number): number {
  const at = CHEMISTRIES[chemistry].at
  if (temperatureC <= at[0]![0]) return at[0]![1]
  const i = at.findIndex(([t]) => t >= temperatureC)
  if (i === -1) return at[at.length - 1]![1]
  const [[t0, f0], [t1, f1]] = [at[i - 1]!, at[i]!]
  return f0 + ((f1 - f0) * (temperatureC - t0)) / (t1 - t0)
}

export interface Currents {
  standbyA: number
  receiveA: number
  transmitA: number
}

/** How the time is spent, as shares of it; standby is the rest. */
export interface Duty {
  transmitShare: number
  receiveShare: number
  /** Announcements an hour beside the rest, and how long each lasts, s. */
  announcementsPerHour?: number
  announcementS?: number
}

/**
 * Mean current, A. Announcements transmit on top of the shares and take their time from standby.
 * @throws RangeError where a share is below 0 or all together are more than the whole
 */
export function meanCurrentA(currents: Currents, duty: Duty): number {
  const { transmitShare, receiveShare, announcementsPerHour = 0, announcementS = 0 } = duty
  const announcing = (announcementsPerHour * announcementS) / 3600
  const transmit = transmitShare + announcing
  if (transmitShare < 0 || receiveShare < 0 || announcing < 0)
    throw new RangeError('shares of time are 0 or more')
  if (transmit + receiveShare > 1 + 1e-9)
    throw new RangeError('transmitting, receiving and announcements together are more than the whole time')
  return (
    transmit * currents.transmitA +
    receiveShare * currents.receiveA +
    (1 - transmit - receiveShare) * currents.standbyA
  )
}

/** How long a battery lasts. */
export interface Endurance {
  /** Infinity where the sun brings as much as is used. */
  hours: number
  usableAh: number
  drawA: number
  /** From the sun, as a mean current, A. */
  solarA: number
}

/**
 * Endurance, h: capacity · usable share · temperature factor / (mean current − sun).
 * @param at.capacityAh above 0
 * @param at.solarWhPerDay what a panel brings in a day, Wh, 0 where there is none
 * @param at.volts of the battery, for the sun's share
 * @throws RangeError where capacity or draw are not above 0
 */
export function enduranceOf(at: {
  capacityAh: number
  chemistry: Chemistry
  temperatureC: number
  drawA: number
  solarWhPerDay?: number
  volts?: number
}): Endurance {
  const { capacityAh, chemistry, temperatureC, drawA, solarWhPerDay = 0, volts = 12 } = at
  if (!(capacityAh > 0)) throw new RangeError(`capacityAh must be above 0, not ${capacityAh}`)
  if (!(drawA > 0)) throw new RangeError(`drawA must be above 0, not ${drawA}`)
  if (!(volts > 0)) throw new RangeError(`volts must be above 0, not ${volts}`)
  const usableAh = capacityAh * CHEMISTRIES[chemistry].usable * temperatureFactor(chemistry, temperatureC)
  const solarA = solarWhPerDay / volts / 24
  return { hours: solarA >= drawA ? Infinity : usableAh / (drawA - solarA), usableAh, drawA, solarA }
}

/** How a relay box repeats. */
export type RelayKind = 'two radios at once' | 'one radio, stores and sends again'

export interface RelayUse {
  /** Share of the time in which somebody speaks through it. */
  trafficShare: number
  controllerA: number
  /** Mean length of a message, s, and the longest that the store holds. */
  messageS: number
  longestMessageS: number
}

export interface RelayLoad {
  drawA: number
  /** Time that each spoken second keeps the channel busy, s. */
  airtimeFactor: number
  /** From the end of speaking to the far end having heard it all, s. */
  delayS: number
  /** Null where nothing is cut off. */
  longestMessageS: number | null
}

/**
 * What a relay box draws and what it does to the traffic. Two radios at once: while somebody speaks one
 * receives and the other transmits. Store and send: one radio receives, then transmits for as long, so
 * traffic takes twice its airtime.
 * @throws RangeError where the traffic would take more than the whole time
 */
export function relayLoad(kind: RelayKind, radio: Currents, use: RelayUse): RelayLoad {
  const { trafficShare: share, controllerA } = use
  if (share < 0 || share > 1) throw new RangeError('the share of traffic is 0 to 1')
  if (kind === 'two radios at once')
    return {
      drawA: controllerA + share * (radio.receiveA + radio.transmitA) + (1 - share) * 2 * radio.standbyA,
      airtimeFactor: 1,
      delayS: 0,
      longestMessageS: null,
    }
  if (share > 0.5)
    throw new RangeError(
      'stored and sent again, traffic takes twice its time: at most half of the time can be speech',
    )
  return {
    drawA: controllerA + meanCurrentA(radio, { transmitShare: share, receiveShare: share }),
    airtimeFactor: 2,
    delayS: use.messageS,
    longestMessageS: use.longestMessageS,
  }
}

/** "9 h 40 min", "4 days", "as long as the sun shines as said". */
export function hoursText(hours: number): string {
  if (hours === Infinity) return 'as long as the sun brings that much'
  if (hours < 48) {
    const minutes = Math.round((hours * 60) / 10) * 10
    if (minutes < 60) return `${Math.round(hours * 60)} min`
    return `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${minutes % 60} min` : ''}`
  }
  return `${(hours / 24).toFixed(hours < 240 ? 1 : 0)} days`
}
