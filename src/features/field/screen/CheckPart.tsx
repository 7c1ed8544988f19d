'use client'

import dynamic from 'next/dynamic'
import { useEffect } from 'react'
import type { Link } from '@/core/kit'
import type { Scale } from '@/core/reports'
import type { RunLog, ScheduledCheck } from '@/core/trial'
import type { Units } from '@/core/units'
import { loggedSince, type FieldActions } from '../actions/useFieldActions'
import type { FieldSettings } from '../device/settings'
import type { Expected } from '../hints/useExpected'
import type { RunPack } from '../log/runPack'
import { keptDraft, shownDraft, wanted } from '../pad/draft'
import { FigureKeys } from '../pad/FigureKeys'
import { PadButton } from '../pad/PadButton'
import { ReportPad } from '../pad/ReportPad'
import { BottomRow } from './BottomRow'
import type { SheetName } from './FieldSheets'
import { NextLine } from './NextLine'
import { NowCard, sends } from './NowCard'
import { TellsMostLine } from './TellsMostLine'
import type { Now } from './useNow'

const sendPad = () => import('../pad/SendPad').then((m) => m.SendPad)
const answeredLine = () => import('./AnsweredLine').then((m) => m.AnsweredLine)
const lostLine = () => import('./LostLine').then((m) => m.LostLine)
const whyLine = () => import('./WhyLine').then((m) => m.WhyLine)
const clockLine = () => import('./ClockLine').then((m) => m.ClockLine)
const SendPad = dynamic(sendPad, { ssr: false })
const AnsweredLine = dynamic(answeredLine, { ssr: false })
const LostLine = dynamic(lostLine, { ssr: false })
const WhyLine = dynamic(whyLine, { ssr: false })
const ClockLine = dynamic(clockLine, { ssr: false })

interface Props {
  pack: RunPack
  log: RunLog
  state: Now
  expected: Expected
  now: ScheduledCheck
  link: Link
  scale: Scale
  actions: FieldActions
  settings: FieldSettings
  units: Units
  ready: boolean
  onSheet: (name: SheetName) => void
}

/** The check that is asked for: what to connect and say, and the pad that logs what came of it. */
export function CheckPart({
  pack,
  log,
  state,
  expected,
  now,
  link,
  scale,
  actions,
  settings,
  units,
  ready,
  onSheet,
}: Props) {
  const { plan } = pack
  const { draft, setDraft } = actions
  const { role, alone, sendOnly, tones } = settings
  // Fetched while there may still be a network, for it may be gone when the first of them is needed.
  useEffect(() => {
    for (const fetched of [sendPad(), answeredLine(), lostLine(), whyLine(), clockLine()])
      fetched.catch(() => undefined)
  }, [])
  return (
    <div className="field-body">
      <div className="field-now">
        <NowCard
          plan={plan}
          log={log}
          now={now}
          link={link}
          calls={draft.calls}
          role={role}
          alone={alone}
          directions={state.mine.directions}
          sentWords={state.sentWords}
          spoken={settings.spoken}
          expected={expected.now(link.id, now.markId)}
          onDirection={(d) => state.choose({ ...now, direction: d })}
          onRig={() => onSheet('rig')}
        />
        <NextLine plan={plan} log={log} now={now} open={state.open} units={units} />
        {log.checks.length > 0 && <AnsweredLine plan={plan} log={log} />}
        {/* There is room for one of them: the first that has something to offer. */}
        <div className="field-offer">
          {log.checks.length > 0 && <LostLine plan={state.mine} log={log} now={now} actions={actions} />}
          {log.checks.length > 0 && (
            <WhyLine {...{ plan, log }} expected={expected.before} onWhy={() => onSheet('why')} />
          )}
          {expected.forecast && (
            <TellsMostLine
              {...{ plan, log, now, open: state.open, forecast: expected.forecast, units }}
              onTake={state.choose}
            />
          )}
        </div>
        {log.clock && (
          <ClockLine
            clock={log.clock}
            sends={sends(role, now.direction)}
            logged={loggedSince(log, log.clock.startsAt)}
            tones={tones}
          />
        )}
      </div>
      <div className="field-pad">
        {sendOnly ? (
          <SendPad
            ready={ready}
            onSync={() =>
              void actions.addEvent({ kind: 'other', what: 'sync mark', detail: {} }, 'Sync mark logged')
            }
            onRemark={() => onSheet('remark')}
            onSkip={() => void actions.tapped('skip', actions.skip)}
          />
        ) : (
          <>
            {state.also && <FigureKeys also={state.also} scale={scale} draft={draft} onDraft={setDraft} />}
            <ReportPad
              scale={state.also && draft.at === 'second' ? state.also.scale : scale}
              draft={shownDraft(draft)}
              onDraft={(d) => setDraft((old) => keptDraft(old, d))}
              seed={plan.order.seed}
              now={now}
            />
            <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 4 }}>
              <PadButton
                disabled={!ready}
                onClick={() => void actions.tapped('not heard', () => actions.logText('not heard'))}
              >
                Not heard
              </PadButton>
              <PadButton onClick={actions.again}>Again{draft.calls > 1 ? ` (${draft.calls})` : ''}</PadButton>
              <PadButton chosen={draft.remark !== ''} onClick={() => onSheet('remark')}>
                Remark
              </PadButton>
            </div>
          </>
        )}
        <BottomRow
          actions={actions}
          ready={ready}
          canUndo={actions.canUndo}
          sendOnly={sendOnly}
          leftHanded={settings.leftHanded}
          words={wanted(draft, scale, state.also)}
          onMore={() => onSheet('menu')}
        />
      </div>
    </div>
  )
}
