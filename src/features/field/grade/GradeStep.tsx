'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { listenerOf } from '@/core/kit'
import { earStatesOf, marksNow, planNow, type Entry, type TrialPlan } from '@/core/trial'
import { Empty, PageHead, Refused } from '@/ui/shell'
import { Agreed } from './Agreed'
import { AlignPanel, type KnownMoment } from './AlignPanel'
import { cutsOf, listeningOrder, sentTo, type Cut } from './cuts'
import { GradeNow } from './GradeNow'
import { RecordingDrop } from './RecordingDrop'
import { TrackDrop } from './TrackDrop'
import { useGrading } from './useGrading'
import { useRecording } from './useRecording'
import { Waveform } from './Waveform'

interface Props {
  runId: string
  runName: string
  plan: TrialPlan
  entries: Entry[]
}

const BEFORE_S = 1
/** Shown around a cut when it is looked at closely, s. */
const CLOSE_S = 30

/** What was sent and could not be known on the spot: a recording, aligned, cut at the times of sending, and graded. */
export function GradeStep({ runId, runName, plan: planned, entries }: Props) {
  const { log, add, addRecording, problem, setProblem, busy } = useGrading(runId, entries)
  const plan = useMemo(() => planNow(planned, log), [planned, log])
  const recordings = log.events.flatMap((e) =>
    e.body.kind === 'recording' ? [{ entryId: e.id, ...e.body }] : [],
  )
  const [picked, setPicked] = useState<string | null>(null)
  const recording = recordings.find((r) => r.entryId === picked) ?? recordings.at(-1) ?? null
  const opened = useRecording(runId, recording?.mediaId ?? null, recording?.name ?? '')
  const [cursor, setCursor] = useState<number | null>(null)
  const [afterS, setAfter] = useState(6)
  const [listener, setListener] = useState('first')
  const [blind, setBlind] = useState(true)
  const [passed, setPassed] = useState<readonly string[]>([])
  const [close, setClose] = useState(false)

  const cuts = recording ? cutsOf(log, recording, { beforeS: BEFORE_S, afterS }) : []
  const gradeOf = (cut: Cut) =>
    cut.about.kind === 'check'
      ? cut.about.check.grades.findLast((g) => g.listener === listener)?.text
      : undefined
  const order = listeningOrder(cuts, blind, plan.order.seed + (listener === 'first' ? 1 : 2))
  const left = order.filter((c) => gradeOf(c) === undefined)
  const now = left.find((c) => !passed.includes(c.id)) ?? left[0] ?? null
  const mark = (id: string) => marksNow(plan, log).find((m) => m.id === id)?.name ?? 'an added mark'
  const link = (id: string) => plan.links.find((l) => l.id === id)?.name ?? 'another rig'
  const words = (cut: Cut) => {
    if (cut.about.kind === 'state') return 'a change marked without looking'
    const { linkId, markId, direction } = cut.about.check
    return `${link(linkId)} ${direction} at ${mark(markId)}`
  }
  const moments: KnownMoment[] = [
    ...log.events.flatMap((e) =>
      e.body.kind === 'other' && e.body.what === 'sync mark'
        ? [{ id: e.id, time: e.time, words: 'Sync mark' }]
        : [],
    ),
    ...(recording ? sentTo(log, recording.at) : []).map((c) => ({
      id: c.id,
      time: c.time,
      words: `Sent: ${link(c.linkId)} at ${mark(c.markId)}`,
    })),
  ]
  const align = (startsAt: string, aligned: string) => {
    const { entryId, ...body } = recording!
    void add([{ body: { ...body, startsAt, aligned }, supersedes: entryId }])
  }
  const grade = async (cut: Cut, text: string) => {
    opened?.sound?.stop()
    const kept =
      cut.about.kind === 'check'
        ? await add([{ body: { kind: 'grade', checkId: cut.id, listener, text, blind } }])
        : await add([{ body: { ...stateBody(cut), state: text }, supersedes: cut.id }])
    if (kept) setPassed([])
  }
  const play = (cut: Cut) => void opened?.sound?.play(Math.max(0, cut.fromS), cut.toS)
  const shown =
    close && now ? [now.fromS - CLOSE_S / 2, now.fromS + CLOSE_S / 2] : [0, recording?.seconds ?? 1]
  const sentInAll = log.checks.filter((c) => !c.voided && (c.state === 'sent' || c.grades.length > 0))
  return (
    <>
      <PageHead
        title={`Grade: ${runName}`}
        lead="Bring in what the far end recorded, align it by a moment that the log knows, and grade each check as it is heard."
      />
      {problem && <Refused title="It did not go through" problems={[{ where: runName, message: problem }]} />}
      {sentInAll.length === 0 && recordings.length === 0 && (
        <Empty title="Nothing waits to be graded" action={null}>
          Checks come here when they are sent only: on the field screen, under More, “Send only”. The sound of
          a way that was recorded with no-look marks comes here too.
        </Empty>
      )}
      <Box
        sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '1fr 1fr' }, gap: 2, mb: 2 }}
      >
        <RecordingDrop busy={busy} onRecording={addRecording} onProblem={setProblem} />
        <TrackDrop log={log} marks={marksNow(plan, log)} onEntries={add} onProblem={setProblem} />
      </Box>
      {recording && (
        <Box component="section" aria-label="Recording">
          <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center', mb: 1 }}>
            <TextField
              select
              label="Recording"
              value={recording.entryId}
              onChange={(e) => setPicked(e.target.value)}
              sx={{ minWidth: 240 }}
            >
              {recordings.map((r) => (
                <MenuItem key={r.entryId} value={r.entryId}>
                  {r.name}, {r.at === 'base' ? 'at the base' : 'out there'}
                </MenuItem>
              ))}
            </TextField>
            <TextField
              select
              label="Cut after sending"
              value={afterS}
              onChange={(e) => setAfter(Number(e.target.value))}
              sx={{ width: 150 }}
            >
              {[3, 6, 10, 15, 30].map((s) => (
                <MenuItem key={s} value={s}>
                  {s} s
                </MenuItem>
              ))}
            </TextField>
            <FormControlLabel
              control={<Checkbox checked={close} onChange={(e) => setClose(e.target.checked)} />}
              label={`Only ${CLOSE_S} s around the cut`}
            />
          </Box>
          {opened?.problem && (
            <Refused
              title="It cannot be listened to"
              problems={[{ where: recording.name, message: opened.problem }]}
            />
          )}{' '}
          {!opened && <Box role="status">Reading the sound…</Box>}
          {opened?.sound && (
            <Waveform
              peaks={opened.sound.peaks}
              fromS={shown[0]!}
              toS={shown[1]!}
              cursorS={cursor}
              onCursor={setCursor}
              chosen={now?.id ?? null}
              stretches={cuts.map((c) => ({
                id: c.id,
                fromS: c.fromS,
                toS: c.toS,
                label: blind ? 'a check' : words(c),
                done: gradeOf(c) !== undefined,
              }))}
            />
          )}
          <AlignPanel recording={recording} moments={moments} cursorS={cursor} onAlign={align} />
        </Box>
      )}
      {recording && cuts.length > 0 && (
        <Box component="section" aria-label="Grading" sx={{ borderTop: '2px solid var(--ink)', pt: 2 }}>
          <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center', mb: 1.5 }}>
            <Typography sx={{ fontSize: '1.4rem', fontWeight: 700 }}>
              {cuts.length - left.length} of {cuts.length} graded
            </Typography>
            <TextField
              select
              label="Who listens"
              value={listener}
              onChange={(e) => setListener(e.target.value)}
              sx={{ width: 190 }}
            >
              <MenuItem value="first">the first listener</MenuItem>
              <MenuItem value="second">the second listener</MenuItem>
            </TextField>
            <FormControlLabel
              control={<Checkbox checked={blind} onChange={(e) => setBlind(e.target.checked)} />}
              label="Blind: shuffled, without rig and mark"
            />
          </Box>
          {now && opened?.sound ? (
            <GradeNow
              key={`${now.id} ${listener}`}
              cut={now}
              place={`Cut ${cuts.length - left.length + 1} of ${cuts.length}`}
              known={blind && now.about.kind === 'check' ? null : words(now)}
              scale={
                plan.scales[now.about.kind === 'check' ? listenerOf(now.about.check.direction) : recording.at]
              }
              states={earStatesOf(plan)}
              onPlay={() => play(now)}
              onGrade={(text) => void grade(now, text)}
              onSkip={() => setPassed((old) => (left.length > old.length + 1 ? [...old, now.id] : []))}
            />
          ) : (
            left.length === 0 && <b>All of it is graded by this listener.</b>
          )}
          <Agreed
            checks={sentTo(log, recording.at)}
            words={(c) => `${link(c.linkId)} ${c.direction} at ${mark(c.markId)}`}
            onSettle={(body, id) => void add([{ body, supersedes: id }])}
          />
        </Box>
      )}
    </>
  )
}

function stateBody(cut: Cut) {
  const { about } = cut
  if (about.kind !== 'state' || about.event.body.kind !== 'state') throw new TypeError('no change of state')
  return about.event.body
}
