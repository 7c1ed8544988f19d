'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import { useState } from 'react'
import { CLOCK_OFF_MS, type BoardLine } from '@/core/crew'
import { agoText, countText, distanceText, type Units } from '@/core/units'
import { asked } from '@/ui/answers/posted'
import { useAction } from '@/ui/answers/useAction'
import { PickOne } from '@/ui/fields/PickOne'
import { Table } from '@/ui/table/Table'
import { POST_OPTIONS, postOf, type PostChoice } from './BringIn'
import { RigsCarried, type CarriedRig } from './RigsCarried'
import { useBoard } from './useBoard'

interface Props {
  trialId: string
  first: BoardLine[]
  madeAt: number
  /** The run that devices are given here; null where none goes on. */
  run: { id: string; name: string } | null
  rigs: CarriedRig[]
  /** Devices that log and have not this run yet. */
  devices: { id: string; name: string }[]
  /** It is the owner who looks on, and may give runs. */
  mayGive: boolean
  units: Units
}

const minutes = (ms: number) => `${Math.max(1, Math.round(Math.abs(ms) / 60_000))} min`

/** What is to be said of a device: what is on it alone, its battery, its clock, where it is. */
function stateWords(said: BoardLine['said'], units: Units, now: number): string[] {
  if (!said) return []
  const off = Math.abs(said.clockOffMs) >= CLOCK_OFF_MS
  return [
    said.waiting > 0 ? `${countText(said.waiting, 'entry', 'entries')} on it alone` : 'all here',
    ...(said.battery === undefined ? [] : [`battery ${Math.round(100 * said.battery)} %`]),
    ...(off ? [`its clock is ${minutes(said.clockOffMs)} ${said.clockOffMs > 0 ? 'ahead' : 'behind'}`] : []),
    ...(said.fromBaseM === null
      ? []
      : [`${distanceText(said.fromBaseM, units)} from the base, ${agoText(said.at, now)}`]),
  ]
}

interface RowProps extends Pick<Props, 'rigs' | 'mayGive' | 'units'> {
  line: BoardLine
  of: BoardLine['runs'][number]
  now: number
}

function OutRow({ line, of, now, rigs, mayGive, units }: RowProps) {
  const action = useAction()
  // What was pressed counts at once, so that a second press builds on the first.
  const [pressed, setPressed] = useState<Partial<typeof of>>({})
  const given = { ...of, ...pressed }
  const give = (change: Partial<typeof of>) => {
    setPressed((old) => ({ ...old, ...change }))
    const { post, rigIds } = { ...given, ...change }
    return action
      .run(() =>
        asked('PATCH', `/api/crew/devices/${line.deviceId}`, { give: { runId: of.runId, post, rigIds } }),
      )
      .then((outcome) => !outcome.ok && setPressed({}))
  }
  const words = stateWords(line.said?.runId === of.runId ? line.said : null, units, now)
  return (
    <tr>
      <th scope="row">
        <b>{line.name}</b>
        <Box sx={{ color: 'var(--soft)' }}>
          {line.lastSeenAt ? `here ${agoText(line.lastSeenAt, now)}` : 'not here yet'}
        </Box>
      </th>
      <td data-label="Run">{of.name}</td>
      <td data-label="Where">
        {mayGive ? (
          <PickOne<PostChoice>
            size="small"
            aria-label={`Where ${line.name} is`}
            value={given.post ?? 'ask'}
            options={POST_OPTIONS}
            onPick={(p) => void give({ post: postOf(p) })}
          />
        ) : (
          (POST_OPTIONS.find((o) => o.value === of.post)?.name ?? '')
        )}
        {action.refusal('It was left as it is')}
      </td>
      <td data-label="Carries">
        <RigsCarried
          rigs={rigs}
          chosen={given.rigIds}
          who={line.name}
          onChange={mayGive ? (rigIds) => void give({ rigIds }) : null}
        />
      </td>
      <td data-label="Logged">
        {countText(of.checks, 'check')}
        <Box sx={{ color: 'var(--soft)' }}>
          {of.lastEntryAt && `the last ${agoText(of.lastEntryAt, now)}`}
        </Box>
      </td>
      <td data-label="State">
        {words.map((w) => (
          <div key={w}>{w}</div>
        ))}
      </td>
    </tr>
  )
}

function GiveRun({ run, devices }: { run: NonNullable<Props['run']>; devices: Props['devices'] }) {
  const action = useAction()
  const [chosen, setChosen] = useState('')
  const id = devices.some((d) => d.id === chosen) ? chosen : (devices[0]?.id ?? '')
  if (devices.length === 0) return null
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mt: 1.5 }}>
      <PickOne
        size="small"
        label="Device"
        sx={{ minWidth: 200 }}
        value={id}
        options={devices.map((d) => ({ value: d.id, name: d.name }))}
        onPick={setChosen}
      />
      <Button
        variant="outlined"
        disabled={action.busy}
        onClick={() =>
          void action.run(() =>
            asked('PATCH', `/api/crew/devices/${id}`, { give: { runId: run.id, post: null, rigIds: [] } }),
          )
        }
      >
        Give it {run.name}
      </Button>
      {action.refusal('It was not given')}
    </Box>
  )
}

/** Who is out with this trial's runs, as it changes. */
export function WhoIsOut({ trialId, first, madeAt, run, devices, mayGive, ...rest }: Props) {
  const { lines, now } = useBoard(trialId, first, madeAt)
  const rows = lines.flatMap((line) => line.runs.map((of) => ({ line, of })))
  const without = devices.filter((d) => !rows.some((r) => r.line.deviceId === d.id && r.of.runId === run?.id))
  return (
    <Box component="section" aria-labelledby="who-is-out" sx={{ my: 3 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
        <Typography variant="h2" component="h2" id="who-is-out">
          Who is out
        </Typography>
        {mayGive && (
          <Button component={PageLink} href="/crew" size="small" variant="outlined">
            Bring a device in
          </Button>
        )}
      </Box>
      {rows.length === 0 ? (
        <Box sx={{ color: 'var(--soft)', maxWidth: 720 }}>
          No other device has a run of this trial. A telephone that is brought in logs out there with no
          network, and what it logs shows here as it comes.
        </Box>
      ) : (
        <Table
          label="Who is out"
          wide
          stacks
          head={
            <>
              <th scope="col">Device</th>
              <th scope="col">Run</th>
              <th scope="col">Where</th>
              <th scope="col">Carries</th>
              <th scope="col">Logged</th>
              <th scope="col">State</th>
            </>
          }
        >
          {rows.map(({ line, of }) => (
            <OutRow key={`${line.deviceId} ${of.runId}`} {...{ line, of, now, mayGive, ...rest }} />
          ))}
        </Table>
      )}
      {mayGive && run && <GiveRun run={run} devices={without} />}
    </Box>
  )
}
