'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { hoursText as hoursInWords, packingList, type PackingLine, type Part } from '@/core/kit'
import type { KitRig } from '@/data/rigs'
import type { PackingState } from '@/data/schema'
import { PageHead } from '@/ui/shell'
import { batteriesFor, TRIAL_DUTY } from './batteries'
import { usePacking } from './usePacking'

interface Props {
  trialId: string
  trialName: string
  base: KitRig[]
  out: KitRig[]
  parts: Part[]
  /** By the plan: its checks, its way. */
  plannedHours: number
  state: PackingState | null
}

const GROUPS: PackingLine['group'][] = [
  'Radios and antennas',
  'Leads and adapters',
  'Mounts and masts',
  'Power',
  'Tools',
  'Paper and the rest',
]

interface PackForProps {
  packing: PackingState
  plannedHours: number
  onChange: (change: Partial<PackingState>) => void
  ticked: number
  lines: number
}

/** What it is packed for: how the rigs are used, how long, how cold; and how much of it is packed. */
function PackFor({ packing, plannedHours, onChange: change, ticked, lines }: PackForProps) {
  const [hoursText, setHoursText] = useState<string | null>(null)
  const [temperatureText, setTemperatureText] = useState<string | null>(null)
  const hoursTyped = hoursText ?? String(packing.hours ?? Number(plannedHours.toFixed(1)))
  const temperatureTyped = temperatureText ?? String(packing.temperatureC)
  const typedHours = (text: string) => {
    setHoursText(text)
    const n = Number(text.replace(',', '.'))
    if (n > 0 && n <= 1000) change({ hours: n })
  }
  const typedTemperature = (text: string) => {
    setTemperatureText(text)
    const n = Number(text)
    if (text !== '' && n >= -60 && n <= 60) change({ temperatureC: n })
  }
  const hoursGiven = Number(hoursTyped.replace(',', '.'))
  const badHours = !(hoursGiven > 0 && hoursGiven <= 1000)
  const badTemperature = temperatureTyped === '' || !(Math.abs(Number(temperatureTyped)) <= 60)
  return (
    <Box
      className="no-print"
      sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mb: 2, alignItems: 'flex-start' }}
    >
      <ToggleButtonGroup
        exclusive
        size="small"
        value={packing.use}
        onChange={(_, v: PackingState['use'] | null) => v && change({ use: v })}
        aria-label="How the rigs are used"
      >
        <ToggleButton value="in turn">Rigs in turn</ToggleButton>
        <ToggleButton value="at once">Rigs at once</ToggleButton>
      </ToggleButtonGroup>
      <TextField
        label="Planned for, hours"
        value={hoursTyped}
        onChange={(e) => typedHours(e.target.value)}
        error={badHours}
        helperText={badHours ? 'Above 0, at most 1000' : `${hoursInWords(plannedHours)} by the plan`}
        sx={{ width: 170 }}
      />
      <TextField
        label="Temperature, °C"
        type="number"
        value={temperatureTyped}
        error={badTemperature}
        helperText={badTemperature ? 'From -60 to 60 °C' : ' '}
        onChange={(e) => typedTemperature(e.target.value)}
        sx={{ width: 140 }}
      />
      <Box sx={{ ml: { md: 'auto' }, textAlign: 'right' }} role="status">
        <Box sx={{ fontSize: '1.5rem', fontWeight: 700, lineHeight: 1.1 }}>
          {ticked} of {lines}
        </Box>
        <Box sx={{ color: 'var(--soft)' }}>packed</Box>
      </Box>
    </Box>
  )
}

interface PackGroupProps {
  group: string
  lines: PackingLine[]
  ticked: string[]
  onToggle: (id: string) => void
}

/** The things of one kind, to tick off. */
function PackGroup({ group, lines, ticked, onToggle }: PackGroupProps) {
  return (
    <Box component="section" aria-label={group} sx={{ breakInside: 'avoid', mb: 2.5 }}>
      <Typography variant="h2" component="h2" sx={{ borderBottom: '2px solid var(--ink)' }}>
        {group}
      </Typography>
      {lines.map((l) => (
        <FormControlLabel
          key={l.id}
          sx={{
            display: 'flex',
            mr: 0,
            ml: 0,
            borderBottom: '1px solid var(--rule)',
            alignItems: 'flex-start',
          }}
          control={
            <Checkbox sx={{ pl: 0 }} checked={ticked.includes(l.id)} onChange={() => onToggle(l.id)} />
          }
          label={
            <Box sx={{ py: 0.75, lineHeight: 1.3 }}>
              <b>
                {l.count > 1 && `${l.count} × `}
                {l.name}
              </b>
              <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>{l.why}</Box>
              {l.short !== null && (
                <Box sx={{ color: 'var(--bad)', fontWeight: 700 }}>
                  {l.short === 0 ? 'None is owned' : `Only ${l.short} owned`}: get {l.count - l.short} more
                </Box>
              )}
            </Box>
          }
        />
      ))}
    </Box>
  )
}

/** The list of everything to bring for a trial, to tick off and to print. */
export function PackPlace({ trialId, trialName, base, out, parts, plannedHours, state }: Props) {
  const { packing, change, away } = usePacking(trialId, state)
  const hours = packing.hours ?? plannedHours
  const lines = useMemo(
    () =>
      packingList({
        rigs: [
          ...base.map((r) => ({
            letter: r.letter,
            name: r.name,
            end: 'base' as const,
            assembly: r.assembly,
          })),
          ...out.map((r) => ({ letter: r.letter, name: r.name, end: 'out' as const, assembly: r.assembly })),
        ],
        parts,
        use: packing.use,
        batteries: batteriesFor([...base, ...out], parts, hours, packing.temperatureC),
        plannedText: `for ${hoursInWords(hours)}`,
      }),
    [base, out, parts, packing.use, packing.temperatureC, hours],
  )
  const ticked = lines.filter((l) => packing.ticked.includes(l.id)).length
  const toggle = (id: string) =>
    change({
      ticked: packing.ticked.includes(id) ? packing.ticked.filter((t) => t !== id) : [...packing.ticked, id],
    })
  return (
    <>
      <PageHead title="Packing" lead={`Everything to bring for “${trialName}”.`}>
        <Box className="no-print" sx={{ display: 'flex', gap: 1 }}>
          <Button variant="contained" onClick={() => window.print()}>
            Print the list
          </Button>
          <Button onClick={() => change({ ticked: [] })} disabled={ticked === 0}>
            Untick all
          </Button>
        </Box>
      </PageHead>
      <PackFor
        packing={packing}
        plannedHours={plannedHours}
        onChange={change}
        ticked={ticked}
        lines={lines.length}
      />
      {away && (
        <Box role="alert" sx={{ color: 'var(--bad)', fontWeight: 700, mb: 2 }}>
          Not stored yet: the server did not answer. Your ticks are kept on this device and go out with the
          next change.
        </Box>
      )}
      <Box sx={{ columnCount: { xs: 1, md: 2 }, columnGap: 5 }}>
        {GROUPS.map((group) => {
          const of = lines.filter((l) => l.group === group)
          if (of.length === 0) return null
          return <PackGroup key={group} group={group} lines={of} ticked={packing.ticked} onToggle={toggle} />
        })}
      </Box>
      <Box sx={{ color: 'var(--soft)', maxWidth: 760 }}>
        What two rigs of one end share is counted once when they are used in turn and twice when at once; base
        and those out there always work at once. Batteries: {Math.round(100 * TRIAL_DUTY.transmitShare)} % of
        the time transmitting, {Math.round(100 * TRIAL_DUTY.receiveShare)} % receiving. A figure at room
        temperature is not one in the cold.
      </Box>
    </>
  )
}
