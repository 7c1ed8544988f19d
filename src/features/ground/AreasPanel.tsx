'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Rings } from '@/core/terrain'
import { fromLength, heightText, lengthUnit, toLength, type Units } from '@/core/units'
import type { AreaKind, AreaRow } from '@/data/areas'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { problem } from '@/core/outcome'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { Fold } from '@/ui/shell'
import { bringAreas, changeArea, dropArea } from './actions'
import { AREA_KINDS, AREA_WORDS, typedRing, usualHeightM } from './areaWords'

interface FieldsProps {
  start: { name: string; kind: AreaKind; heightM: number }
  units: Units
  verb: string
  onSave: (fields: { name: string; kind: AreaKind; heightM: number }) => void
  onLeave: () => void
}

/** What an area is called, what stands there, and how high. */
function AreaFields({ start, units, verb, onSave, onLeave }: FieldsProps) {
  const shown = (m: number, u = units) => String(Number(toLength(m, u).toFixed(1)))
  const [name, setName] = useState(start.name)
  const [kind, setKind] = useState(start.kind)
  const [height, setHeight] = useState(shown(start.heightM))
  useUnitsChange(units, (from, to) =>
    setHeight((t) => (numberIn(t) === null ? t : shown(fromLength(numberIn(t)!, from), to))),
  )
  const problem =
    kind === 'to cover'
      ? null
      : numberProblem(height, { min: 0, max: toLength(120, units) }, lengthUnit(units))
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr', my: 1.5 }}>
      <TextField label="Name" value={name} onChange={(e) => setName(e.target.value)} />
      <TextField
        select
        label="What is there"
        value={kind}
        onChange={(e) => {
          const next = e.target.value as AreaKind
          setKind(next)
          setHeight(shown(usualHeightM(next)))
        }}
      >
        {AREA_KINDS.map((k) => (
          <MenuItem key={k} value={k}>
            {AREA_WORDS[k]}
          </MenuItem>
        ))}
      </TextField>
      {kind !== 'to cover' && kind !== 'open' && (
        <NumberBox
          label={kind === 'wood' ? 'Height of the trees' : 'Height of what stands there'}
          unit={lengthUnit(units)}
          value={height}
          problem={problem}
          onChange={setHeight}
        />
      )}
      <Box sx={{ gridColumn: 'span 2', display: 'flex', gap: 1 }}>
        <Button
          variant="contained"
          disabled={problem !== null}
          onClick={() =>
            onSave({
              name: name.trim(),
              kind,
              heightM: kind === 'to cover' ? 0 : fromLength(numberIn(height) ?? 0, units),
            })
          }
        >
          {verb}
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </Box>
    </Box>
  )
}

interface Props {
  areas: AreaRow[]
  /** An outline that was just drawn on the map; null for none. */
  drawn: Rings | null
  drawing: boolean
  units: Units
  onDraw: (on: boolean) => void
  onDrawnDone: () => void
}

const NEW = { name: '', kind: 'wood' as AreaKind, heightM: usualHeightM('wood') }

/** What stands on the ground, and ground that is to be covered: areas drawn, typed or brought in. */
export function AreasPanel({ areas, drawn, drawing, units, onDraw, onDrawnDone }: Props) {
  const [editing, setEditing] = useState<string | null>(null)
  const [text, setText] = useState('')
  const [typed, setTyped] = useState<Rings | null>(null)
  const action = useAction()
  const rings = drawn ?? typed
  useUnsaved(rings !== null && !action.busy)
  const leave = () => {
    onDrawnDone()
    setTyped(null)
  }
  const take = () => {
    const found = typedRing(text)
    if ('problem' in found) return action.refuse(problem('corners', 'Area', found.problem))
    action.refuse()
    setTyped([found.ring])
  }
  return (
    <Box component="section" aria-label="What stands on it">
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        What stands on it
      </Typography>
      {areas.length === 0 && !rings && (
        <Box sx={{ color: 'var(--soft)', mb: 1 }}>
          Woods along the way and houses about an end cost a signal more than the bare ground. Draw them, or
          bring them in as KML or GeoJSON. Radar elevation follows the tree tops in part: leave woods out
          where it already has them.
        </Box>
      )}
      {areas.map((a) =>
        editing === a.id ? (
          <AreaFields
            key={a.id}
            start={a}
            units={units}
            verb="Save it"
            onSave={(fields) =>
              void action.run(
                () => changeArea({ id: a.id, revision: a.revision, ...fields }),
                () => setEditing(null),
              )
            }
            onLeave={() => setEditing(null)}
          />
        ) : (
          <Box
            key={a.id}
            sx={{
              display: 'flex',
              gap: 1,
              alignItems: 'center',
              borderTop: '1px solid var(--rule)',
              py: 0.5,
            }}
          >
            <Box sx={{ flex: 1 }}>
              <b>{a.name || AREA_WORDS[a.kind]}</b>
              <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>
                {AREA_WORDS[a.kind]}
                {a.heightM > 0 && `, ${heightText(Math.round(a.heightM), units)} high`}
              </Box>
            </Box>
            <Button
              size="small"
              onClick={() => setEditing(a.id)}
              aria-label={`Change ${a.name || AREA_WORDS[a.kind]}`}
            >
              Change
            </Button>
            <Button
              size="small"
              onClick={() => void action.run(() => dropArea(a.id))}
              aria-label={`Delete ${a.name || AREA_WORDS[a.kind]}`}
            >
              Delete
            </Button>
          </Box>
        ),
      )}
      {action.refusal('It was not taken in', 'Area')}
      {rings ? (
        <AreaFields
          start={NEW}
          units={units}
          verb="Keep the area"
          onSave={(fields) =>
            void action.run(
              () => bringAreas([{ ...fields, rings }]),
              () => {
                setText('')
                leave()
              },
            )
          }
          onLeave={leave}
        />
      ) : (
        <>
          <Button variant="outlined" size="small" sx={{ my: 1 }} onClick={() => onDraw(!drawing)}>
            {drawing ? 'Stop drawing' : 'Draw an area on the map'}
          </Button>
          {drawing && (
            <Box role="status" sx={{ color: 'var(--soft)' }}>
              Click its corners on the map; a click on the first one closes it.
            </Box>
          )}
          <Fold title="Or type its corners">
            <TextField
              label="Latitude, longitude: a corner a line"
              placeholder="47.31 -29.55"
              value={text}
              onChange={(e) => setText(e.target.value)}
              multiline
              minRows={3}
              fullWidth
              sx={{ my: 1 }}
            />
            <Button size="small" variant="outlined" onClick={take}>
              Make an area of these
            </Button>
          </Fold>
        </>
      )}
    </Box>
  )
}
