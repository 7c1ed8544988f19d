'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { whyFailed, whyFailedWords } from '@/core/findings/reach/whyFailed'
import { marksNow, surprisingSilence, type LoggedCheck, type RunLog } from '@/core/trial'
import { CAUSE_PROBES } from '@/core/trial/causeProbes'
import { checkName } from '../actions/checkName'
import { readScan } from './scan'
import type { MenuProps } from './shared'

/** So many of the last that failed are offered. */
const LISTED = 12

interface ProbesProps extends Pick<MenuProps, 'pack' | 'actions' | 'expected'> {
  log: RunLog
  failed: LoggedCheck
}

/** The tests that tell why a check was not heard, and what came of each. */
function Probes({ pack, log, actions, expected, failed }: ProbesProps) {
  const chance = expected.before(failed.linkId, failed.markId)
  const nameOf = (id: string) => log.blind?.[id] ?? pack.plan.links.find((l) => l.id === id)?.name ?? 'a rig'
  const markOf = (id: string) => marksNow(pack.plan, log).find((m) => m.id === id)?.name ?? 'a mark'
  const why = whyFailed(log).find((w) => w.checkId === failed.id)
  const made = log.events.flatMap((e) =>
    e.body.kind === 'other' && e.body.what === 'test' && e.body.detail.about === failed.id
      ? [e.body.detail]
      : [],
  )
  const say = (test: string, heard: boolean) =>
    void actions.addEvent(
      { kind: 'other', what: 'test', detail: { about: failed.id, test, heard } },
      `Logged: ${test}, ${heard ? 'heard' : 'not heard'}`,
    )
  return (
    <Box role="group" aria-label="Tests that tell the causes apart">
      <b>
        {nameOf(failed.linkId)} was not heard at {markOf(failed.markId)}
        {chance !== null && chance >= 0.7 && `, where ${Math.round(100 * chance)} times in 100 was expected`}.
      </b>{' '}
      Try, and say what came of it:
      {CAUSE_PROBES.map((t) => {
        const found = made.find((d) => d.test === t.what)
        return (
          <Box
            key={t.what}
            sx={{
              display: 'flex',
              gap: 1,
              alignItems: 'center',
              borderTop: '1px solid var(--rule)',
              py: 0.5,
            }}
          >
            <Box sx={{ flex: 1 }}>
              {t.what}
              {found && <b>: {found.heard ? t.tells : 'not heard either'}</b>}
            </Box>
            <Button variant="outlined" onClick={() => say(t.what, true)} aria-label={`Heard: ${t.what}`}>
              Heard
            </Button>
            <Button variant="outlined" onClick={() => say(t.what, false)} aria-label={`Not heard: ${t.what}`}>
              Not
            </Button>
          </Box>
        )
      })}
      {why && <Box sx={{ fontWeight: 700, mt: 1 }}>{whyFailedWords(why, nameOf, markOf)}</Box>}
    </Box>
  )
}

/** When a check fails that should have been good: noise, other channels, and the tests that tell the causes apart. */
export function WhyNotPart({ pack, handle, actions, now, expected }: MenuProps) {
  const [noise, setNoise] = useState('')
  const [scan, setScan] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const { log } = handle
  const lost = log.checks.filter((c) => !c.voided && c.text === 'not heard').slice(-LISTED)
  const surprise = surprisingSilence(pack.plan, log, expected.before)
  const [chosen, setChosen] = useState(surprise?.check.id ?? lost.at(-1)?.id ?? null)
  const failed = lost.find((c) => c.id === chosen)
  // What is logged here is about the mark where it failed, and else about the one where one stands.
  const markId = failed?.markId ?? now?.markId ?? null
  const logNoise = () =>
    noise.trim() === ''
      ? setProblem('Write the reading with the transmitter off, such as S2 or -118.')
      : void actions
          .addEvent({ kind: 'noise', markId, text: noise.trim(), note: '' }, `Logged: noise ${noise.trim()}`)
          .then(() => {
            setNoise('')
            setProblem(null)
          })
  const logScan = () => {
    const found = readScan(scan)
    if ('problem' in found) return setProblem(found.problem)
    void actions
      .addEvent(
        { kind: 'scan', markId, channels: found.channels },
        `Logged: ${found.channels.length} channels`,
      )
      .then(() => {
        setScan('')
        setProblem(null)
      })
  }
  return (
    <>
      {lost.length > 1 && (
        <TextField
          select
          label="Which check"
          value={chosen ?? ''}
          onChange={(e) => setChosen(e.target.value)}
        >
          {lost.toReversed().map((c) => (
            <Option key={c.id} value={c.id}>
              {checkName(pack.plan, log, c)}
            </Option>
          ))}
        </TextField>
      )}
      {failed && <Probes {...{ pack, log, actions, expected, failed }} />}
      <Typography variant="h3" component="h3">
        Noise with the transmitter off
      </Typography>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextField
          label="Reading"
          value={noise}
          onChange={(e) => setNoise(e.target.value)}
          placeholder="S2 or -118"
          sx={{ flex: 1 }}
        />
        <Button variant="outlined" onClick={logNoise}>
          Log the noise
        </Button>
      </Box>
      <Typography variant="h3" component="h3">
        Who else is on
      </Typography>
      <TextField
        label="Channel, level, how many others: a channel a line"
        slotProps={{ htmlInput: { maxLength: 20_000 } }}
        placeholder={'6 -71 3\n11 -84 1'}
        value={scan}
        onChange={(e) => setScan(e.target.value)}
        multiline
        minRows={3}
        helperText="Typed, or pasted from a tool’s text"
      />
      <Box>
        <Button variant="outlined" onClick={logScan}>
          Log the scan
        </Button>
      </Box>
      {problem && (
        <Box role="alert" sx={{ color: 'var(--bad)' }}>
          {problem}
        </Box>
      )}
    </>
  )
}
