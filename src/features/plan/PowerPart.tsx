'use client'

import { Table } from '@/ui/table/Table'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import type { PlanGround } from '@/core/reach'
import type { TrialPlan } from '@/core/trial'
import type { Soon } from '@/ui/answers/OnceKnown'
import { asPlanned, powerSays } from './powerWords'
import { usePower } from './usePower'

const SPREADS: [number, string][] = [
  [2.5, 'small, 2.5 dB: same person, open ground'],
  [4.5, 'usual, 4.5 dB'],
  [7, 'large, 7 dB: carried about, in a town or woods'],
]

/** How many marks it takes: this very plan tried in a simulated field, judged as the log will be. */
export function PowerPart({ plan, ground }: { plan: TrialPlan; ground: Soon<PlanGround | null> }) {
  const [spreadDb, setSpread] = useState(4.5)
  const { state, start, stop } = usePower(plan, ground, spreadDb)
  if (plan.links.length < 2 || plan.marks.length === 0)
    return (
      <p style={{ margin: 0 }}>
        With two links and a few marks, the plan can be tried here before anybody walks.
      </p>
    )
  const planned = { marks: plan.marks.length, repeats: plan.repeats, marginDb: plan.marginDb }
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center', mb: 1 }}>
        <TextField
          select
          label="Spread of a difference at a mark"
          value={spreadDb}
          onChange={(e) => setSpread(Number(e.target.value))}
          sx={{ minWidth: 300, maxWidth: '100%' }}
        >
          {SPREADS.map(([db, words]) => (
            <Option key={db} value={db}>
              {words}
            </Option>
          ))}
        </TextField>
        {state.at === 'trying' ? (
          <Button onClick={stop}>Stop</Button>
        ) : (
          <Button variant="outlined" onClick={start}>
            Try it in a simulated field
          </Button>
        )}
      </Box>
      {state.at === 'trying' && (
        <progress className="share-done" value={state.share} aria-label="Trying the plan" />
      )}
      <Box role="status" sx={{ maxWidth: 720 }}>
        {state.at === 'failed' && (
          <span style={{ color: 'var(--bad)' }}>It could not be tried: {state.why}.</span>
        )}
        {/* The plan is tried first: what it would tell need not wait for the others. */}
        {state.at === 'trying' && <b>{asPlanned(state.rows, planned)}</b>}
        {state.at === 'there' && <b>{powerSays(state.rows, planned)}</b>}
      </Box>
      {(state.at === 'there' || state.at === 'trying') && state.rows.length > 0 && (
        <Table
          label="Tries by number of marks"
          head={
            <>
              <th>Marks</th>
              <th>Times each check</th>
              <th>Would tell {plan.marginDb} dB</th>
            </>
          }
        >
          {state.rows.map((r) => (
            <tr key={`${r.marks} ${r.repeats}`}>
              <td>{r.marks}</td>
              <td>{r.repeats}</td>
              <td>
                in {r.told} of {r.tries} tries
              </td>
            </tr>
          ))}
        </Table>
      )}
    </>
  )
}
