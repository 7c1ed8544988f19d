'use client'

import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useState } from 'react'
import {
  CHEMISTRIES,
  enduranceOf,
  hoursText,
  meanCurrentA,
  relayLoad,
  temperatureFactor,
  type Chemistry,
  type Part,
} from '@/core/kit'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { TracedFigure } from '@/ui/trace/TracedFigure'

type Use = 'a radio' | 'two radios at once' | 'one radio, stores and sends again'

const FIELDS = {
  capacityAh: ['Battery', 'Ah', { above: 0 }],
  volts: ['Voltage', 'V', { above: 0 }],
  temperatureC: ['Temperature', '°C', { min: -60, max: 60 }],
  standbyA: ['On standby', 'A', { min: 0 }],
  receiveA: ['Receiving', 'A', { min: 0 }],
  transmitA: ['Transmitting', 'A', { min: 0 }],
  transmit: ['Of the time transmitting', '%', { min: 0, max: 100 }],
  receive: ['Of the time receiving', '%', { min: 0, max: 100 }],
  announcements: ['Announcements an hour', '', { min: 0 }],
  announcementS: ['Each lasts', 's', { min: 0 }],
  traffic: ['Of the time somebody speaks', '%', { min: 0, max: 100 }],
  controllerA: ['The controller draws', 'A', { min: 0 }],
  messageS: ['A message lasts', 's', { min: 0 }],
  longestS: ['The store holds', 's', { above: 0 }],
  solarWh: ['The sun brings a day', 'Wh', { min: 0 }],
} as const
type Field = keyof typeof FIELDS

const START: Record<Field, string> = {
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

/** How long a battery lasts: a radio, or a relay box of either kind. */
export function EnduranceSums({ parts }: { parts: Part[] }) {
  const [values, setValues] = useState(START)
  const [chemistry, setChemistry] = useState<Chemistry>('lithium ion')
  const [use, setUse] = useState<Use>('a radio')
  const fields = [...COMMON, ...BY_USE[use]]
  const problems = Object.fromEntries(
    fields.map((f) => [f, numberProblem(values[f], FIELDS[f][2], FIELDS[f][1])]),
  )
  const n = (f: Field) => numberIn(values[f]) ?? 0
  const fill = (id: string) => {
    const part = parts.find((p) => p.id === id)
    const text = (v: number | null, old: string) => (v === null ? old : String(v))
    if (part?.kind === 'radio') {
      const s = part.spec
      setValues((v) => ({
        ...v,
        capacityAh: text(s.batteryAh, v.capacityAh),
        volts: text(s.batteryV, v.volts),
        standbyA: text(s.standbyA, v.standbyA),
        receiveA: text(s.receiveA, v.receiveA),
        transmitA: text(s.transmitA, v.transmitA),
      }))
    } else if (part?.kind === 'battery') {
      setValues((v) => ({ ...v, capacityAh: String(part.spec.capacityAh), volts: String(part.spec.volts) }))
      setChemistry(part.spec.chemistry)
    }
  }
  let result:
    { hours: number; drawA: number; usableAh: number; relay: ReturnType<typeof relayLoad> | null } | string =
    'Mend the fields marked, and the answer comes back.'
  if (Object.values(problems).every((p) => p === null))
    try {
      const currents = { standbyA: n('standbyA'), receiveA: n('receiveA'), transmitA: n('transmitA') }
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
      result = {
        ...enduranceOf({
          capacityAh: n('capacityAh'),
          chemistry,
          temperatureC: n('temperatureC'),
          drawA,
          solarWhPerDay: n('solarWh'),
          volts: n('volts'),
        }),
        relay,
      }
    } catch (e) {
      if (!(e instanceof RangeError)) throw e
      result = `${e.message.charAt(0).toUpperCase()}${e.message.slice(1)}.`
    }
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 2 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={use}
          onChange={(_, v: Use | null) => v && setUse(v)}
          aria-label="What it feeds"
          sx={{ flexWrap: 'wrap' }}
        >
          <ToggleButton value="a radio">A radio</ToggleButton>
          <ToggleButton value="two radios at once">Relay, two radios at once</ToggleButton>
          <ToggleButton value="one radio, stores and sends again">Relay, stores and sends again</ToggleButton>
        </ToggleButtonGroup>
        <TextField
          select
          label="Take figures from a part"
          value=""
          onChange={(e) => fill(e.target.value)}
          sx={{ minWidth: 230 }}
        >
          {parts
            .filter((p) => p.kind === 'radio' || p.kind === 'battery')
            .map((p) => (
              <MenuItem key={p.id} value={p.id}>
                {p.name}
              </MenuItem>
            ))}
        </TextField>
      </Box>
      <Box role="status" sx={{ mb: 2 }}>
        {typeof result === 'string' ? (
          <Box sx={{ borderLeft: '6px solid var(--bad)', pl: 1.5 }}>{result}</Box>
        ) : (
          <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap' }}>
            <Box>
              <Box sx={{ color: 'var(--soft)' }}>It lasts</Box>
              <Box sx={{ fontSize: '2.4rem', fontWeight: 700, lineHeight: 1.1 }}>
                {hoursText(result.hours)}
              </Box>
            </Box>
            <TracedFigure
              label="Mean current"
              value={`${Number(result.drawA.toPrecision(3))} A`}
              trace={{
                inputs: fields
                  .filter((f) => FIELDS[f][1] === 'A' || FIELDS[f][1] === '%')
                  .map((f) => ({ name: FIELDS[f][0], value: `${values[f]} ${FIELDS[f][1]}` })),
                formula: 'Currents by their shares of the time, announcements on top',
                source: 'definition',
              }}
            />
            <TracedFigure
              label="Of the battery counts"
              value={`${Number(result.usableAh.toPrecision(3))} Ah`}
              trace={{
                inputs: [
                  { name: 'Capacity', value: `${values.capacityAh} Ah` },
                  { name: 'Usable share', value: String(CHEMISTRIES[chemistry].usable) },
                  {
                    name: `At ${values.temperatureC} °C`,
                    value: temperatureFactor(chemistry, n('temperatureC')).toFixed(2),
                  },
                ],
                formula: 'capacity · usable share · temperature factor',
                source: `typical of ${chemistry}; the maker’s own figures go before it`,
              }}
            />
            {result.relay && (
              <Box sx={{ maxWidth: 380 }}>
                {result.relay.airtimeFactor === 1
                  ? 'Traffic passes at once and takes its own airtime.'
                  : `Every message takes ${result.relay.airtimeFactor} times its airtime and is heard again ${result.relay.delayS} s after it ends.`}
                {result.relay.longestMessageS !== null &&
                  ` Longer than ${result.relay.longestMessageS} s it is cut off.`}
              </Box>
            )}
          </Box>
        )}
      </Box>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: 'repeat(auto-fill, minmax(165px, 1fr))',
          alignItems: 'start',
        }}
      >
        <TextField
          select
          label="Kind of battery"
          value={chemistry}
          onChange={(e) => setChemistry(e.target.value as Chemistry)}
        >
          {Object.keys(CHEMISTRIES).map((c) => (
            <MenuItem key={c} value={c}>
              {c}
            </MenuItem>
          ))}
        </TextField>
        {fields.map((f) => (
          <NumberBox
            key={f}
            label={FIELDS[f][0]}
            unit={FIELDS[f][1] || undefined}
            value={values[f]}
            problem={problems[f]}
            onChange={(t) => setValues((v) => ({ ...v, [f]: t }))}
          />
        ))}
      </Box>
      <Box sx={{ color: 'var(--soft)', mt: 2, maxWidth: 780 }}>
        A figure at room temperature is not one in the cold. Fuse a lithium battery at the battery, and label
        a box that stands alone with a contact.
      </Box>
    </>
  )
}
