'use client'

import dynamic from 'next/dynamic'
import { useEffect, useMemo, useRef, useState, type CSSProperties } from 'react'
import { needsMarks, notedIn, planNow, type RunLog, type TrialPlan } from '@/core/trial'
import { useFieldActions } from '../actions/useFieldActions'
import { checkName } from '../actions/checkName'
import { changeSettings } from '../device/settings'
import { useRunSettings } from '../device/useRole'
import { fieldVars } from '../device/theme'
import { useLeaveWarning, useTabLock, useWakeLock } from '../device/useDevice'
import { AlertBar } from '../hints/AlertBar'
import { useExpected } from '../hints/useExpected'
import { sharePlace } from '../log/deviceStatus'
import type { RunPack } from '../log/runPack'
import { useBlindSeen } from '../log/useBlindSeen'
import { useRunLog } from '../log/useRunLog'
import { useKeptSounds } from '../actions/useKeptSounds'
import type { Position, PositionSource } from '../position/positionSource'
import { usePosition } from '../position/usePosition'
import { CheckPart } from './CheckPart'
import { FieldDone } from './FieldDone'
import type { SheetName } from './FieldSheets'
import { FieldTop } from './FieldTop'
import { isOnTheWay, OnTheWay } from './OnTheWay'
import { TeamsLine } from './TeamsLine'
import { useFieldKeys } from './useFieldKeys'
import { useNow } from './useNow'

// What is not needed for every check comes when it is opened; the service worker has it on the device already.
const FieldSheets = dynamic(() => import('./FieldSheets').then((m) => m.FieldSheets), { ssr: false })
const PassengerMode = dynamic(() => import('./PassengerMode').then((m) => m.PassengerMode), { ssr: false })

const SCREEN: CSSProperties = {
  outline: 'none',
  position: 'fixed',
  inset: 0,
  display: 'flex',
  flexDirection: 'column',
  background: 'var(--f-bg)',
  color: 'var(--f-ink)',
}
const SAID: CSSProperties = {
  height: 'clamp(24px, 5.4vh, 46px)',
  fontSize: 'clamp(0.9rem, 2.1vh, 1.1rem)',
  lineHeight: 1.25,
  fontWeight: 700,
  overflow: 'hidden',
}

/** Where this device is, told to the desk with what it sends; nothing where it is not to be told. */
function useSharedPlace(position: Position | null) {
  useEffect(() => {
    sharePlace(position && { lat: position.lat, lon: position.lon, accuracyM: position.accuracyM })
  }, [position])
}

/** The link that was listened to last, for a key pressed without looking. */
function linkByEar(plan: TrialPlan, log: RunLog) {
  const last = log.events.findLast((e) => e.body.kind === 'state')?.body
  return plan.links.find((l) => last?.kind === 'state' && l.id === last.linkId) ?? plan.links[0] ?? null
}

/** The field screen: the next check always on it, one hand, no scrolling. */
export function FieldScreen({ pack: taken }: { pack: RunPack }) {
  const { runId } = taken
  const settings = useRunSettings(runId, taken.plan)
  const units = taken.units ?? 'metric'
  const handle = useRunLog(runId, settings.role)
  const { log, queue, add, ready, storageTrouble } = handle
  const pack = useMemo(() => ({ ...taken, plan: planNow(taken.plan, log) }), [taken, log])
  const { plan } = pack
  const [sheet, setSheet] = useState<SheetName | null>(null)
  const [source, setSource] = useState<PositionSource | null>(null)
  const lock = useTabLock(runId)
  const { position, kmh, trouble } = usePosition(source, (points) => {
    if (lock.mine) void add({ kind: 'track', points }).catch(() => undefined)
  })
  useSharedPlace(settings.share ? position : null)
  useBlindSeen(handle, lock.mine)
  useWakeLock()
  const state = useNow(plan, log, settings)
  const { now, link, scale, also, open, sentWords } = state
  const expected = useExpected(pack, log, open)
  const actions = useFieldActions(
    {
      handle,
      now,
      link,
      nameOf: (key) => checkName(plan, log, key),
      scale,
      also,
      sentWords,
      position,
      units,
      tones: settings.tones,
      mayWrite: lock.mine,
    },
    state.choose,
  )
  const { clips, sound } = useKeptSounds(runId, ready && lock.mine, actions, settings.role, now)
  const waiting = queue.waiting + clips.waiting
  useLeaveWarning(waiting)
  useFieldKeys({ actions, scale, also, sendOnly: settings.sendOnly, sheet, onSheet: setSheet })

  // Back on the screen, Enter logs again and does not press the key that opened the sheet.
  const screen = useRef<HTMLElement>(null)
  useEffect(() => {
    if (sheet === null) screen.current?.focus()
  }, [sheet])

  const rest = { pack, handle, actions, expected, now, position, source, settings, units, sound, clips }
  return (
    <main ref={screen} tabIndex={-1} style={{ ...fieldVars(settings.theme), ...SCREEN }}>
      <div className="field-column">
        <FieldTop
          {...{ position, units, waiting }}
          mark={state.mark}
          base={plan.base}
          left={open.length}
          total={state.checks.length}
          noted={notedIn(log)}
          place={needsMarks(plan.way) ? null : plan.trialName}
          recording={sound.recording !== null}
          theme={settings.theme}
          onTheme={() => changeSettings({ theme: settings.theme === 'sun' ? 'night' : 'sun' })}
          onAtMark={now && log.currentMark !== now.markId ? () => void actions.atMark() : null}
        />
        <AlertBar
          handle={handle}
          settings={settings}
          positionTrouble={source ? trouble : null}
          lock={lock}
          prediction={open.length === 0 ? null : { plan, log, now }}
        />
        <TeamsLine {...{ handle, settings }} onOpen={() => setSheet('others')} />
        {log.state === 'going' && isOnTheWay(plan.way, now !== null) ? (
          <OnTheWay
            {...{ plan, log, actions, position, source, units, ready }}
            onSource={setSource}
            onMore={() => setSheet('menu')}
          />
        ) : now && link && scale && log.state === 'going' ? (
          <CheckPart
            {...{ pack, log, state, expected, now, link, scale, actions, settings, units, ready }}
            onSheet={setSheet}
          />
        ) : (
          <FieldDone
            {...{ log, runId }}
            trialId={pack.trialId}
            onFinish={() => void handle.add({ kind: 'run', state: 'finished', reason: '' })}
            onUndo={() => void actions.undo()}
            onMore={() => setSheet('menu')}
          />
        )}
        <div role="status" aria-live="polite" style={SAID}>
          {ready || storageTrouble ? actions.said : 'Opening the log…'}
        </div>
      </div>
      {sheet && (
        <FieldSheets
          sheet={sheet}
          scale={scale}
          also={also}
          open={open}
          menu={{
            ...rest,
            onSource: setSource,
            onChosen: state.choose,
            onSheet: setSheet,
            onClose: () => setSheet(null),
          }}
        />
      )}
      {settings.vehicle && (
        <PassengerMode
          {...{ kmh, position }}
          link={link ?? linkByEar(plan, log)}
          base={plan.base}
          states={log.events}
          onState={(body, words) => void actions.addEvent(body, words)}
        />
      )}
    </main>
  )
}
