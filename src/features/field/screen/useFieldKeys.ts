import { useLayoutEffect, useRef } from 'react'
import type { Scale } from '@/core/reports'
import type { FieldActions } from '../actions/useFieldActions'
import { keptDraft, shownDraft, type SecondFigure } from '../pad/draft'
import { padKey } from '../pad/padKeys'
import type { SheetName } from './FieldSheets'

interface Given {
  actions: FieldActions
  scale: Scale | null
  also: SecondFigure | null
  sendOnly: boolean
  sheet: SheetName | null
  onSheet: (name: SheetName) => void
}

/** The keyboard of the field screen, while no sheet is open and nobody types. */
export function useFieldKeys({ actions, scale, also, sendOnly, sheet, onSheet }: Given): void {
  const onKey = useRef<(e: KeyboardEvent) => void>(() => undefined)
  // Set with the screen itself, so that a quick second key meets what is shown.
  useLayoutEffect(() => {
    onKey.current = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement
      if (sheet || typing || e.ctrlKey || e.metaKey || e.altKey || !scale) return
      const { draft, setDraft } = actions
      const padScale = also && draft.at === 'second' ? also.scale : scale
      const action = padKey(e.key, e.code, e.shiftKey, shownDraft(draft), padScale)
      if (!action) return
      // Enter and space on a focused key press that key, as everywhere.
      if (e.key === 'Enter' && e.target instanceof HTMLButtonElement) return
      e.preventDefault()
      // A key that is held down logs once.
      if (e.repeat && action.do !== 'draft') return
      if (action.do === 'draft') {
        // Whoever types a report after a tap means Enter to log it, not to press what was tapped.
        if (e.target instanceof HTMLButtonElement) e.target.blur()
        setDraft(keptDraft(draft, action.draft))
      } else if (action.do === 'log') void (sendOnly ? actions.logSent() : actions.logDraft())
      else if (action.do === 'not heard') void actions.logText('not heard')
      else if (action.do === 'again') actions.again()
      else if (action.do === 'undo') void actions.undo()
      else if (action.do === 'skip') void actions.skip()
      else if (action.do === 'at mark') void actions.atMark()
      else onSheet(action.do)
    }
  })
  useLayoutEffect(() => {
    const press = (e: KeyboardEvent) => onKey.current(e)
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}
