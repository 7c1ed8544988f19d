'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { SET_KINDS } from '@/core/kit'
import { countText, heightText, type Units } from '@/core/units'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { addSets } from './actions'

interface Props {
  trialId: string
  /** There is a rig at the far end of those that are named already: at the base, or whoever answers. */
  hasOther: boolean
  /** Those named stand at the base, and whoever answers is out there. */
  strangers: boolean
  /** What is compared is each antenna in each mode, or at each power. */
  crossed: boolean
  units: Units
  onDone: () => void
}

const linesOf = (text: string) =>
  text
    .split('\n')
    .map((n) => n.trim())
    .filter(Boolean)

/** Each name in each mode at each power; what there is none of is as usual, and left out of the name. */
function setsOf(names: readonly string[], modes: readonly string[], powers: readonly string[]) {
  const or = (list: readonly string[]) => (list.length > 0 ? list : [''])
  return names.flatMap((name) =>
    or(modes).flatMap((mode) =>
      or(powers).map((power) => ({
        name: [name, mode, power && `${power} W`].filter(Boolean).join(', '),
        antenna: modes.length + powers.length > 0 ? name : '',
        mode,
        powerW: power ? numberIn(power) : null,
      })),
    ),
  )
}

interface CrossedProps {
  modes: string
  powers: string
  /** The first power that is none. */
  badPower: string | undefined
  /** Of the rigs that come of it. */
  names: readonly string[]
  onModes: (text: string) => void
  onPowers: (text: string) => void
}

/** What each antenna is tried in, and the rigs that come of it. */
function CrossedFields({ modes, powers, badPower, names, onModes, onPowers }: CrossedProps) {
  return (
    <>
      <TextField
        label="Modes, one a line"
        multiline
        minRows={2}
        value={modes}
        onChange={(e) => onModes(e.target.value)}
        placeholder={'FM\nDigital voice'}
      />
      <TextField
        label="Powers, one a line"
        multiline
        minRows={2}
        value={powers}
        onChange={(e) => onPowers(e.target.value)}
        error={badPower !== undefined}
        helperText={badPower === undefined ? 'W; empty: the usual one' : `${badPower} is no power in W`}
      />
      <Box role="status" sx={{ color: 'var(--soft)', gridColumn: '1 / -1' }}>
        {names.length > 0 && `${countText(names.length, 'rig')} out there: ${names.join('; ')}.`}
      </Box>
    </>
  )
}

/** Several rigs of one usual kind by their names alone. */
export function SetsForm({ trialId, hasOther, strangers, crossed, units, onDone }: Props) {
  const action = useAction()
  // An antenna that is tried against others comes off, and strangers are met on short wave.
  const first = SET_KINDS.find((k) => (strangers ? k.mode === 'SSB' : !crossed || !k.fixedAntenna))!
  const [setKind, setSetKind] = useState(first.name)
  const [channel, setChannel] = useState(first.channels[0]!.name)
  const [other, setOther] = useState(hasOther ? '' : strangers ? 'Other stations' : 'Base')
  const [names, setNames] = useState('')
  const [modes, setModes] = useState('')
  const [powers, setPowers] = useState('')
  useUnsaved(names !== '' && !action.busy)
  const kind = SET_KINDS.find((k) => k.name === setKind)!
  const mhz = kind.channels.find((c) => c.name === channel)!.mhz
  const badPower = linesOf(powers).find((p) => numberProblem(p, { above: 0, max: 5000 }, 'W') !== null)
  const rigs = setsOf(linesOf(names), linesOf(modes), linesOf(powers))
  const adds = rigs.length + Number(other.trim() !== '')
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        void action.run(
          () => addSets({ trialId, setKind, channel, other: other.trim(), rigs, strangers }),
          onDone,
        )
      }}
      sx={{ background: 'var(--raised)', border: '1px solid var(--rule)', p: { xs: 2, md: 3 }, mb: 3 }}
    >
      <Typography variant="h2" component="h2" sx={{ mb: 2 }}>
        Sets of a usual kind
      </Typography>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '2fr 1fr' } }}>
        <TextField
          select
          label="Kind of set"
          value={setKind}
          onChange={(e) => {
            setSetKind(e.target.value)
            setChannel(SET_KINDS.find((k) => k.name === e.target.value)!.channels[0]!.name)
          }}
        >
          {SET_KINDS.map((k) => (
            <Option key={k.name} value={k.name}>
              {k.name}
            </Option>
          ))}
        </TextField>
        {kind.channels.length > 1 && (
          <TextField select label="Channel" value={channel} onChange={(e) => setChannel(e.target.value)}>
            {kind.channels.map((c) => (
              <Option key={c.name} value={c.name}>
                {c.name} · {c.mhz} MHz
              </Option>
            ))}
          </TextField>
        )}
        <Box sx={{ color: 'var(--soft)', gridColumn: '1 / -1' }}>
          {mhz} MHz, {kind.powerW} W, {heightText(kind.antennaHeightM, units)} over the ground
          {kind.fixedAntenna ? ', its antenna fixed' : ''}. Any of it can be changed afterwards, rig by rig.
        </Box>
        <TextField
          label={
            crossed
              ? 'Antennas, one a line'
              : strangers
                ? 'At the base, one name a line'
                : 'Out there, one name a line'
          }
          multiline
          minRows={3}
          value={names}
          onChange={(e) => setNames(e.target.value)}
          placeholder={strangers ? 'Dipole\nVertical' : 'Short antenna\nLong antenna'}
        />
        <TextField
          label={strangers ? 'Out there, whoever answers' : 'At the base'}
          value={other}
          onChange={(e) => setOther(e.target.value)}
          helperText={hasOther ? 'There is one; empty adds none' : 'Empty adds none'}
          sx={{ alignSelf: 'start' }}
        />
        {crossed && (
          <CrossedFields
            modes={modes}
            powers={powers}
            badPower={badPower}
            names={rigs.map((r) => r.name)}
            onModes={setModes}
            onPowers={setPowers}
          />
        )}
      </Box>
      {action.refusal('Nothing was added', 'Sets')}
      <Box sx={{ display: 'flex', gap: 1, mt: 2 }}>
        <Button
          type="submit"
          variant="contained"
          disabled={action.busy || adds === 0 || badPower !== undefined}
        >
          {adds > 1 ? `Add ${adds} rigs` : 'Add it'}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </Box>
    </Box>
  )
}
