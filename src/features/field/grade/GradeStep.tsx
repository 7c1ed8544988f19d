'use client'

import Box from '@mui/material/Box'
import { useMemo, useState } from 'react'
import { listenerOf } from '@/core/kit'
import { earStatesOf, marksNow, planNow, type Entry, type TrialPlan } from '@/core/trial'
import { Empty, PageHead, Refused } from '@/ui/shell'
import { Agreed } from './Agreed'
import { sentTo, type Cut } from './cuts'
import { GradeNow } from './GradeNow'
import { gradeQueue } from './gradeQueue'
import { GradingPart } from './GradingPart'
import { RecordingDrop } from './RecordingDrop'
import { RecordingPart } from './RecordingPart'
import { TrackDrop } from './TrackDrop'
import { useGrading } from './useGrading'
import { useRecording } from './useRecording'

interface Props {
  runId: string
  runName: string
  plan: TrialPlan
  entries: Entry[]
}

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
  const [afterS, setAfter] = useState(6)
  const [listener, setListener] = useState('first')
  const [blind, setBlind] = useState(true)
  const [passed, setPassed] = useState<readonly string[]>([])
  const [close, setClose] = useState(false)

  const queue = gradeQueue(log, plan, recording, { afterS, listener, blind, passed })
  const { cuts, left, now, words, checkWords } = queue
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
        <RecordingPart
          {...{ recordings, recording, opened, queue, blind, afterS, close, onAfter: setAfter }}
          onPick={setPicked}
          onClose={setClose}
          onAlign={align}
        />
      )}
      {recording && cuts.length > 0 && (
        <GradingPart
          {...{ queue, listener, blind }}
          onListener={setListener}
          onBlind={setBlind}
          grading={
            now &&
            opened?.sound && (
              <GradeNow
                key={`${now.id} ${listener}`}
                cut={now}
                place={`Cut ${cuts.length - left.length + 1} of ${cuts.length}`}
                known={blind && now.about.kind === 'check' ? null : words(now)}
                scale={
                  plan.scales[
                    now.about.kind === 'check' ? listenerOf(now.about.check.direction) : recording.at
                  ]
                }
                states={earStatesOf(plan)}
                onPlay={() => play(now)}
                onGrade={(text) => void grade(now, text)}
                onSkip={() => setPassed((old) => (left.length > old.length + 1 ? [...old, now.id] : []))}
              />
            )
          }
        >
          <Agreed
            checks={sentTo(log, recording.at)}
            words={checkWords}
            onSettle={(body, id) => void add([{ body, supersedes: id }])}
          />
        </GradingPart>
      )}
    </>
  )
}

function stateBody(cut: Cut) {
  const { about } = cut
  if (about.kind !== 'state' || about.event.body.kind !== 'state') throw new TypeError('no change of state')
  return about.event.body
}
