'use client'

import { useCallback, useEffect, useMemo, useState } from 'react'
import { listenerOf } from '@/core/kit'
import {
  keyText,
  marksNow,
  nextCheck,
  schedule,
  type CheckKey,
  type Entry,
  type TrialPlan,
} from '@/core/trial'
import type { Units } from '@/core/units'
import { draftText, EMPTY_DRAFT, wanted, type Draft } from './draft'
import { FieldDone } from './FieldDone'
import { FieldMenu } from './FieldMenu'
import { FieldTop } from './FieldTop'
import { KeyList } from './KeyList'
import { NowCard } from './NowCard'
import { PadButton } from './PadButton'
import { padKey } from './padKeys'
import { ReportPad } from './ReportPad'
import { fieldVars, type FieldThemeName } from './theme'
import { useRunLog } from './useRunLog'

interface Props {
  trialId: string
  runId: string
  plan: TrialPlan
  held: Entry[]
  units: Units
}

/** The field screen: the next check always on it, one hand, no scrolling. */
export function FieldScreen({ trialId, runId, plan, held, units }: Props) {
  const { log, queue, add, ready, storageTrouble } = useRunLog(runId, held)
  const [draft, setDraft] = useState<Draft>(EMPTY_DRAFT)
  const [chosen, setChosen] = useState<CheckKey | null>(null)
  const [said, setSaid] = useState('')
  const [sheet, setSheet] = useState<'menu' | 'keys' | null>(null)
  const [theme, setTheme] = useState<FieldThemeName>('sun')
  const [busy, setBusy] = useState(false)

  const checks = useMemo(() => schedule(plan, log), [plan, log])
  const open = checks.filter((c) => c.state === 'to do')
  const picked = chosen && open.find((c) => keyText(c) === keyText(chosen))
  const now = picked || nextCheck(plan, log)
  const link = now && plan.links.find((l) => l.id === now.linkId)!
  const scale = now ? plan.scales[listenerOf(now.direction)] : null

  /** One thing at a time: a second tap while the first is being stored would be logged against the wrong check. */
  const once = useCallback(
    async (work: () => Promise<void>) => {
      if (busy || !ready) return
      setBusy(true)
      try {
        await work()
        navigator.vibrate?.(20)
      } catch {
        setSaid(
          'This could not be stored on the device, and nothing was logged. Free some space, then try again.',
        )
      } finally {
        setBusy(false)
      }
    },
    [busy, ready],
  )

  const logText = (text: string) =>
    once(async () => {
      if (!now || !link) return
      const { markId, linkId, direction, repeat } = now
      const { calls, remark } = draft
      if (log.currentMark !== markId) await add({ kind: 'at mark', markId })
      await add({ kind: 'check', markId, linkId, direction, repeat, text, calls, remark, state: 'graded' })
      setSaid(`Logged: ${link.name} ${direction} at ${now.mark.name}, ${text}`)
      setDraft(EMPTY_DRAFT)
      setChosen(null)
    })
  const logDraft = () => {
    const text = scale && draftText(draft, scale)
    if (text) return logText(text)
    if (scale) setSaid(`${wanted(draft, scale)} Nothing is logged yet.`)
  }
  const undo = () =>
    once(async () => {
      const last = log.undoable[log.undoable.length - 1]
      if (!last) return setSaid('There is nothing to undo.')
      await add({ kind: 'void', reason: 'undone' }, last.id)
      const body = last.body
      if (body.kind === 'check') setChosen(body)
      setSaid(body.kind === 'check' ? `Undone: ${body.text}. It stays listed as void.` : 'Undone.')
      setDraft(EMPTY_DRAFT)
    })
  const skip = () =>
    once(async () => {
      if (!now || !link) return
      await add({ kind: 'skip', keys: [now], reason: '' })
      setSaid(`Skipped: ${link.name} ${now.direction} at ${now.mark.name}`)
      setChosen(null)
      setDraft(EMPTY_DRAFT)
    })
  const again = () => setDraft((d) => ({ ...d, calls: d.calls + 1 }))
  const atMark = () =>
    once(async () => {
      if (!now) return
      await add({ kind: 'at mark', markId: now.markId })
      setSaid(`At ${now.mark.name}`)
    })

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement
      if (sheet || typing || e.ctrlKey || e.metaKey || e.altKey || !scale) return
      const action = padKey(e.key, e.code, e.shiftKey, draft, scale)
      if (!action) return
      // Enter and space on a focused key press that key, as everywhere.
      if (e.key === 'Enter' && e.target instanceof HTMLButtonElement) return
      e.preventDefault()
      if (action.do === 'draft') setDraft(action.draft)
      else if (action.do === 'log') void logDraft()
      else if (action.do === 'not heard') void logText('not heard')
      else if (action.do === 'again') again()
      else if (action.do === 'undo') void undo()
      else if (action.do === 'skip') void skip()
      else if (action.do === 'at mark') void atMark()
      else setSheet('keys')
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })

  return (
    <main
      style={{
        ...fieldVars(theme),
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
          mark={now?.mark ?? marksNow(plan, log).find((m) => m.id === log.currentMark) ?? null}
          units={units}
          left={open.length}
          total={checks.length}
          queue={queue}
          trouble={storageTrouble}
          theme={theme}
          onTheme={() => setTheme(theme === 'sun' ? 'night' : 'sun')}
        />
        {now && link && scale && log.state === 'going' ? (
          <>
            <NowCard
              plan={plan}
              log={log}
              now={now}
              link={link}
              calls={draft.calls}
              onDirection={(d) => setChosen({ ...now, direction: d })}
            />
            <ReportPad scale={scale} draft={draft} onDraft={setDraft} />
            <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 4 }}>
              <PadButton disabled={!ready} onClick={() => void logText('not heard')}>
                Not heard
              </PadButton>
              <PadButton onClick={again}>Again{draft.calls > 1 ? ` (call ${draft.calls})` : ''}</PadButton>
            </div>
            <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 2fr', gap: 4 }}>
              <PadButton onClick={() => void undo()} disabled={!ready || log.undoable.length === 0}>
                Undo
              </PadButton>
              <PadButton onClick={() => setSheet('menu')}>More</PadButton>
              <PadButton strong disabled={!ready} onClick={() => void logDraft()}>
                {wanted(draft, scale)}
              </PadButton>
            </div>
          </>
        ) : (
          <FieldDone trialId={trialId} log={log} onUndo={() => void undo()} onMore={() => setSheet('menu')} />
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
      {sheet === 'menu' && (
        <FieldMenu
          trialId={trialId}
          plan={plan}
          log={log}
          now={now}
          units={units}
          remark={draft.remark}
          onRemark={(remark) => setDraft((d) => ({ ...d, remark }))}
          onJump={async (markId) => {
            await add({ kind: 'at mark', markId })
            setChosen(null)
          }}
          onSkip={skip}
          onAdd={add}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet === 'keys' && <KeyList onClose={() => setSheet(null)} />}
    </main>
  )
}
