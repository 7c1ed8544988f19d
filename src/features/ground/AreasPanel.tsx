'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Rings } from '@/core/terrain'
import { heightText, type Units } from '@/core/units'
import type { AreaKind, AreaRow } from '@/data/areas'
import { usedOf, type Offered } from '@/core/offered'
import { problem } from '@/core/outcome'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { Fold } from '@/ui/shell'
import { Quiet } from '@/ui/shell/Quiet'
import { bringAreas, changeArea, chooseGround, dropArea } from './actions'
import { AreaFields } from './AreaFields'
import { NotUsed } from './NotUsed'
import { AREA_WORDS, typedRing, usualHeightM } from './areaWords'

/** One area in the list. */
function AreaRowLine({
  area,
  units,
  onChange,
  onLeave,
  onDelete,
}: {
  area: AreaRow
  units: Units
  onChange: () => void
  onLeave: () => void
  onDelete: () => void
}) {
  const name = area.name || AREA_WORDS[area.kind]
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: '1px solid var(--rule)', py: 0.5 }}>
      <Box sx={{ flex: 1 }}>
        <b>{name}</b>
        <Quiet small>
          {AREA_WORDS[area.kind]}
          {area.heightM > 0 && `, ${heightText(Math.round(area.heightM), units)} high`}
        </Quiet>
      </Box>
      <Button size="small" onClick={onChange} aria-label={`Change ${name}`}>
        Change
      </Button>
      <Button size="small" onClick={onLeave} aria-label={`Leave ${name} out here`}>
        Leave out
      </Button>
      <Button size="small" onClick={onDelete} aria-label={`Delete ${name}`}>
        Delete
      </Button>
    </Box>
  )
}

interface Props {
  trialId: string
  offered: Offered<AreaRow>[]
  /** An outline that was just drawn on the map; null for none. */
  drawn: Rings | null
  drawing: boolean
  units: Units
  onDraw: (on: boolean) => void
  onDrawnDone: () => void
}

const NEW = { name: '', kind: 'wood' as AreaKind, heightM: usualHeightM('wood') }

/** What stands on the ground, and ground that is to be covered: areas drawn, typed or brought in. */
export function AreasPanel({ trialId, offered, drawn, drawing, units, onDraw, onDrawnDone }: Props) {
  const [editing, setEditing] = useState<string | null>(null)
  const [text, setText] = useState('')
  const [typed, setTyped] = useState<Rings | null>(null)
  const action = useAction()
  const areas = usedOf(offered)
  const use = (id: string, used: boolean) =>
    void action.run(() => chooseGround({ trialId, kind: 'area', ofId: id, used }))
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
          <AreaRowLine
            key={a.id}
            area={a}
            units={units}
            onChange={() => setEditing(a.id)}
            onLeave={() => use(a.id, false)}
            onDelete={() => void action.run(() => dropArea(a.id))}
          />
        ),
      )}
      <NotUsed
        words={['area', 'areas']}
        offered={offered}
        nameOf={(a) => a.name || AREA_WORDS[a.kind]}
        onUse={(id) => use(id, true)}
        onDelete={(id) => void action.run(() => dropArea(id))}
      />
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
