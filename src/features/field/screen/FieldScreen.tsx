'use client'

import dynamic from 'next/dynamic'
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { listenerOf } from '@/core/kit'
import { keyText, marksNow, nextCheck, planNow, schedule, wordsFor, type CheckKey } from '@/core/trial'
import { AlertBar } from '../hints/AlertBar'
import { wanted } from '../pad/draft'
import { FieldDone } from './FieldDone'
import { FieldTop } from './FieldTop'
import type { SheetName } from './FieldSheets'
import { expectedChance } from '../hints/expected'
import { NowCard, sends } from './NowCard'
import { PadButton } from '../pad/PadButton'
import { padKey } from '../pad/padKeys'
import type { PositionSource } from '../position/positionSource'
import { ReportPad } from '../pad/ReportPad'
import type { RunPack } from '../log/runPack'
import { changeSettings, chosenUnits, useFieldSettings } from '../device/settings'
import { fieldVars } from '../device/theme'
import { useLeaveWarning, useTabLock, useWakeLock } from '../device/useDevice'
import { useClips } from '../media/useClips'
import { loggedSince, useFieldActions } from '../actions/useFieldActions'
import { usePosition } from '../position/usePosition'
import { useRunLog } from '../log/useRunLog'
import { useSound } from '../media/useSound'

// What is not needed for every check comes when it is opened; the service worker has it on the device already.
const FieldSheets = dynamic(() => import('./FieldSheets').then((m) => m.FieldSheets), { ssr: false })
const SendPad = dynamic(() => import('../pad/SendPad').then((m) => m.SendPad), { ssr: false })
const AnsweredLine = dynamic(() => import('./AnsweredLine').then((m) => m.AnsweredLine), { ssr: false })
const ClockLine = dynamic(() => import('./ClockLine').then((m) => m.ClockLine), { ssr: false })
const PassengerMode = dynamic(() => import('./PassengerMode').then((m) => m.PassengerMode), { ssr: false })

/** The field screen: the next check always on it, one hand, no scrolling. */
export function FieldScreen({ pack: taken }: { pack: RunPack }) {
  const { runId } = taken
  const settings = useFieldSettings()
  const [units] = useState(chosenUnits)
  const handle = useRunLog(runId, settings.role)
  const { log, queue, add, ready, storageTrouble } = handle
  const pack = useMemo(() => ({ ...taken, plan: planNow(taken.plan, log) }), [taken, log])
  const { plan } = pack
  const [chosen, setChosen] = useState<CheckKey | null>(null)
  const [sheet, setSheet] = useState<SheetName | null>(null)
  const [source, setSource] = useState<PositionSource | null>(null)
  const lock = useTabLock(runId)
  const { position, kmh, trouble } = usePosition(source, (points) => {
    if (lock.mine) void add({ kind: 'track', points }).catch(() => undefined)
  })
  useWakeLock()

  const mine = useMemo(() => {
    // At the base one logs what the base hears; out there both halves, since the base's report comes back by radio.
    const directions = plan.directions.filter((d) => settings.role !== 'base' || d !== 'from base')
    return directions.length > 0 ? { ...plan, directions } : plan
  }, [plan, settings.role])
  const checks = useMemo(() => schedule(mine, log), [mine, log])
  const open = checks.filter((c) => c.state === 'to do')
  const picked = chosen && open.find((c) => keyText(c) === keyText(chosen))
  const now = picked || nextCheck(mine, log)
  const link = now ? plan.links.find((l) => l.id === now.linkId)! : null
  const scale = now ? plan.scales[listenerOf(now.direction)] : null
  const sentWords =
    now && scale?.kind === 'count' && scale.of === 'words'
      ? wordsFor(plan.order.seed, now, scale.total ?? 5)
      : null
  const actions = useFieldActions(
    { handle, now, link, scale, sentWords, position, tones: settings.tones, mayWrite: lock.mine },
    setChosen,
  )
  const { draft, setDraft, said } = actions
  const clips = useClips(
    runId,
    ready && lock.mine,
    (made) => void actions.keepSound('way', made, settings.role, null),
  )
  useLeaveWarning(queue.waiting + clips.waiting)
  const sound = useSound(runId, (kind, made) => {
    void actions.keepSound(kind, made, settings.role, now).then(clips.send)
  })

  // Back on the screen, Enter logs again and does not press the key that opened the sheet.
  const screen = useRef<HTMLElement>(null)
  useEffect(() => {
    if (sheet === null) screen.current?.focus()
  }, [sheet])

  const onKey = useRef<(e: KeyboardEvent) => void>(() => undefined)
  // Set with the screen itself, so that a quick second key meets what is shown.
  useLayoutEffect(() => {
    onKey.current = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement
      if (sheet || typing || e.ctrlKey || e.metaKey || e.altKey || !scale) return
      const action = padKey(e.key, e.code, e.shiftKey, draft, scale)
      if (!action) return
      // Enter and space on a focused key press that key, as everywhere.
      if (e.key === 'Enter' && e.target instanceof HTMLButtonElement) return
      e.preventDefault()
      if (action.do === 'draft') setDraft(action.draft)
      else if (action.do === 'log') void (settings.sendOnly ? actions.logSent() : actions.logDraft())
      else if (action.do === 'not heard') void actions.logText('not heard')
      else if (action.do === 'again') actions.again()
      else if (action.do === 'undo') void actions.undo()
      else if (action.do === 'skip') void actions.skip()
      else if (action.do === 'at mark') void actions.atMark()
      else setSheet(action.do)
    }
  })
  useLayoutEffect(() => {
    const press = (e: KeyboardEvent) => onKey.current(e)
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])

  const mark = now?.mark ?? marksNow(plan, log).find((m) => m.id === log.currentMark) ?? null
  const keys = [
    <PadButton key="undo" onClick={() => void actions.undo()} disabled={!ready || log.undoable.length === 0}>
      Undo
    </PadButton>,
    <PadButton key="more" onClick={() => setSheet('menu')}>
      More
    </PadButton>,
    <PadButton
      key="log"
      strong={!settings.sendOnly}
      disabled={!ready}
      onClick={() => void (settings.sendOnly ? actions.skip() : actions.logDraft())}
    >
      {settings.sendOnly ? 'Skip this check' : scale ? wanted(draft, scale) : ''}
    </PadButton>,
  ]
  return (
    <main
      ref={screen}
      tabIndex={-1}
      style={{
        ...fieldVars(settings.theme),
        outline: 'none',
        position: 'fixed',
        inset: 0,
        display: 'flex',
        flexDirection: 'column',
        background: 'var(--f-bg)',
        color: 'var(--f-ink)',
      }}
    >
      <div
        style={{
          width: '100%',
          maxWidth: 620,
          margin: '0 auto',
          flex: 1,
          display: 'flex',
          flexDirection: 'column',
          padding: '6px 8px 8px',
          gap: 6,
          minHeight: 0,
        }}
      >
        <FieldTop
          mark={mark}
          base={plan.base}
          position={position}
          units={units}
          left={open.length}
          total={checks.length}
          waiting={queue.waiting + clips.waiting}
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
        {now && link && scale && log.state === 'going' ? (
          <>
            <NowCard
              plan={plan}
              log={log}
              now={now}
              link={link}
              calls={draft.calls}
              role={settings.role}
              directions={mine.directions}
              sentWords={sentWords}
              spoken={settings.spoken}
              expected={expectedChance(pack, link.id, now.markId)}
              onDirection={(d) => setChosen({ ...now, direction: d })}
            />
            {log.checks.length > 0 && <AnsweredLine plan={plan} log={log} />}
            {log.clock && (
              <ClockLine
                clock={log.clock}
                sends={sends(settings.role, now.direction)}
                logged={loggedSince(log, log.clock.startsAt)}
                tones={settings.tones}
              />
            )}
            {settings.sendOnly ? (
              <SendPad
                ready={ready}
                onSent={() => void actions.logSent()}
                onSync={() =>
                  void actions.addEvent({ kind: 'other', what: 'sync mark', detail: {} }, 'Sync mark logged')
                }
                onRemark={() => setSheet('remark')}
              />
            ) : (
              <>
                <ReportPad scale={scale} draft={draft} onDraft={setDraft} seed={plan.order.seed} now={now} />
                <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 4 }}>
                  <PadButton disabled={!ready} onClick={() => void actions.logText('not heard')}>
                    Not heard
                  </PadButton>
                  <PadButton onClick={actions.again}>
                    Again{draft.calls > 1 ? ` (${draft.calls})` : ''}
                  </PadButton>
                  <PadButton chosen={draft.remark !== ''} onClick={() => setSheet('remark')}>
                    Remark
                  </PadButton>
                </div>
              </>
            )}
            <div
              style={{
                display: 'grid',
                gridTemplateColumns: settings.leftHanded ? '2fr 1fr 1fr' : '1fr 1fr 2fr',
                gap: 4,
              }}
            >
              {settings.leftHanded ? [keys[2], keys[1], keys[0]] : keys}
            </div>
          </>
        ) : (
          <FieldDone
            trialId={pack.trialId}
            log={log}
            onUndo={() => void actions.undo()}
            onMore={() => setSheet('menu')}
          />
        )}
        <div
          role="status"
          aria-live="polite"
          style={{
            minHeight: 22,
            fontSize: '0.95rem',
            whiteSpace: 'nowrap',
            overflow: 'hidden',
            textOverflow: 'ellipsis',
          }}
        >
          {ready || storageTrouble ? said : 'Opening the log…'}
        </div>
      </div>
      {sheet && (
        <FieldSheets
          sheet={sheet}
          scale={scale}
          open={open}
          menu={{
            pack,
            handle,
            actions,
            now,
            position,
            source,
            onSource: setSource,
            settings,
            units,
            sound,
            clips,
            onChosen: setChosen,
            onSheet: setSheet,
            onClose: () => setSheet(null),
          }}
        />
      )}
      {settings.vehicle && (
        <PassengerMode
          kmh={kmh}
          link={link}
          position={position}
          base={plan.base}
          states={log.events}
          onState={(body, words) => void actions.addEvent(body, words)}
        />
      )}
    </main>
  )
}
