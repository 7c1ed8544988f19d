import { enduranceOf, meanCurrentA, relayLoad, type Chemistry, type Part } from '@/core/kit'
import type { NumberSpec } from '@/ui/fields/useNumbers'

/** What a battery feeds. */
export const USES = [
  { value: 'a radio', name: 'A radio' },
  { value: 'two radios at once', name: 'Relay, two radios at once' },
  { value: 'one radio, stores and sends again', name: 'Relay, stores and sends again' },
] as const
export type Use = (typeof USES)[number]['value']

const FIELDS = {
  capacityAh: { label: 'Battery', unit: 'Ah', bounds: { above: 0 } },
  volts: { label: 'Voltage', unit: 'V', bounds: { above: 0 } },
  temperatureC: { label: 'Temperature', unit: '°C', bounds: { min: -60, max: 60 } },
  standbyA: { label: 'On standby', unit: 'A', bounds: { min: 0 } },
  receiveA: { label: 'Receiving', unit: 'A', bounds: { min: 0 } },
  transmitA: { label: 'Transmitting', unit: 'A', bounds: { min: 0 } },
  transmit: { label: 'Of the time transmitting', unit: '%', bounds: { min: 0, max: 100 } },
  receive: { label: 'Of the time receiving', unit: '%', bounds: { min: 0, max: 100 } },
  announcements: { label: 'Announcements an hour', unit: '', bounds: { min: 0 } },
  announcementS: { label: 'Each lasts', unit: 's', bounds: { min: 0 } },
  traffic: { label: 'Of the time somebody speaks', unit: '%', bounds: { min: 0, max: 100 } },
  controllerA: { label: 'The controller draws', unit: 'A', bounds: { min: 0 } },
  messageS: { label: 'A message lasts', unit: 's', bounds: { min: 0 } },
  longestS: { label: 'The store holds', unit: 's', bounds: { above: 0 } },
  solarWh: { label: 'The sun brings a day', unit: 'Wh', bounds: { min: 0 } },
} satisfies Record<string, NumberSpec>
export type Field = keyof typeof FIELDS
export const ENDURANCE_FIELDS: Record<Field, NumberSpec> = FIELDS

export const ENDURANCE_START: Record<Field, string> = {
  capacityAh: '1.8',
  volts: '7.4',
  temperatureC: '10',
  standbyA: '0.06',
  receiveA: '0.18',
  transmitA: '1.1',
  transmit: '5',
  receive: '15',
  announcements: '0',
  announcementS: '20',
  traffic: '10',
  controllerA: '0.02',
  messageS: '8',
  longestS: '30',
  solarWh: '0',
}

const COMMON: Field[] = [
  'capacityAh',
  'volts',
  'temperatureC',
  'standbyA',
  'receiveA',
  'transmitA',
  'solarWh',
]
const BY_USE: Record<Use, Field[]> = {
  'a radio': ['transmit', 'receive', 'announcements', 'announcementS'],
  'two radios at once': ['traffic', 'controllerA'],
  'one radio, stores and sends again': ['traffic', 'controllerA', 'messageS', 'longestS'],
}

/** The fields that count for a use. */
export const fieldsOf = (use: Use): Field[] => [...COMMON, ...BY_USE[use]]

/** What a part says of the fields; the kind of battery too, where it is one. */
export function figuresOfPart(part: Part | undefined): {
  texts: Partial<Record<Field, string>>
  chemistry: Chemistry | null
} {
  if (part?.kind === 'battery') {
    const { capacityAh, volts, chemistry } = part.spec
    return { texts: { capacityAh: String(capacityAh), volts: String(volts) }, chemistry }
  }
  if (part?.kind !== 'radio') return { texts: {}, chemistry: null }
  const { batteryAh, batteryV, standbyA, receiveA, transmitA } = part.spec
  const known = { capacityAh: batteryAh, volts: batteryV, standbyA, receiveA, transmitA }
  const texts = Object.fromEntries(
    Object.entries(known).flatMap(([f, v]) => (v === null ? [] : [[f, String(v)]])),
  )
  return { texts, chemistry: null }
}

export interface Endurance {
  hours: number
  drawA: number
  usableAh: number
  relay: ReturnType<typeof relayLoad> | null
}

/** How long it lasts by the fields. @returns why there is no answer, as a sentence, where they do not fit together */
export function enduranceBy(use: Use, chemistry: Chemistry, n: (f: Field) => number): Endurance | string {
  const currents = { standbyA: n('standbyA'), receiveA: n('receiveA'), transmitA: n('transmitA') }
  try {
    const relay =
      use === 'a radio'
        ? null
        : relayLoad(use, currents, {
            trafficShare: n('traffic') / 100,
            controllerA: n('controllerA'),
            messageS: n('messageS'),
            longestMessageS: n('longestS'),
          })
    const drawA =
      relay?.drawA ??
      meanCurrentA(currents, {
        transmitShare: n('transmit') / 100,
        receiveShare: n('receive') / 100,
        announcementsPerHour: n('announcements'),
        announcementS: n('announcementS'),
      })
    const lasts = enduranceOf({
      capacityAh: n('capacityAh'),
      chemistry,
      temperatureC: n('temperatureC'),
      drawA,
      solarWhPerDay: n('solarWh'),
      volts: n('volts'),
    })
    return { ...lasts, relay }
  } catch (e) {
    if (!(e instanceof RangeError)) throw e
    return `${e.message.charAt(0).toUpperCase()}${e.message.slice(1)}.`
  }
}
