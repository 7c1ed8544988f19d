'use client'

import { styled } from '@mui/material/styles'
import {
  type AriaAttributes,
  type ChangeEvent,
  type FocusEventHandler,
  type KeyboardEvent,
  lazy,
  type ReactNode,
  type Ref,
  Suspense,
  type SyntheticEvent,
  useEffect,
  useId,
  useImperativeHandle,
  useRef,
  useState,
} from 'react'
import { ahead } from '@/ui/early/ahead'
import { isPicked, lettersOf, optionsOf } from './Option'

// The list and what it floats in weigh as much as the rest of a form; they come once the page stands, or sooner where a
// hand nears a field.
const list = ahead(() => import('./ChoiceList').then((m) => ({ default: m.ChoiceList })))
const ChoiceList = lazy(list)
// What does not come now is asked for again when it is opened.
const fetchList = () => void list().catch(() => undefined)

const Shown = styled('div')({
  // As specific as the field's own rules for what is typed into it.
  '&&': {
    height: 'auto',
    minHeight: '1.4375em',
    paddingRight: 32,
    cursor: 'pointer',
    userSelect: 'none',
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
  },
  '&&[aria-disabled]': { cursor: 'default' },
})

const Arrow = styled('svg')({
  position: 'absolute',
  right: 7,
  top: 'calc(50% - 0.5em)',
  width: '1em',
  height: '1em',
  fontSize: '1.5rem',
  fill: 'var(--soft)',
  pointerEvents: 'none',
  '&[data-open]': { transform: 'rotate(180deg)' },
})

/** Letters typed within this time of one another are one beginning of a word, ms. */
const TYPED_TOGETHER = 750

/** What is typed over a closed list picks the next line that begins so. */
function useTyping() {
  const typed = useRef({ letters: '', at: 0 })
  return (key: string, now: number) => {
    const { letters, at } = typed.current
    const next = now - at < TYPED_TOGETHER ? letters + key.toLowerCase() : key.toLowerCase()
    typed.current = { letters: next, at: now }
    return next
  }
}

export interface ChoiceProps extends AriaAttributes {
  children?: ReactNode
  className?: string
  value?: unknown
  name?: string
  disabled?: boolean
  required?: boolean
  autoFocus?: boolean
  labelId?: string
  /** Whether the line of an empty value is shown in the closed field, as any other. */
  displayEmpty?: boolean
  onChange?: (e: ChangeEvent<HTMLInputElement>) => void
  onBlur?: FocusEventHandler
  onFocus?: FocusEventHandler
  ref?: Ref<ChoiceHandle>
}

/** What a field's owner can do with it, as with an input. */
export interface ChoiceHandle {
  focus: () => void
  value: unknown
}

const OPENING = new Set([' ', 'ArrowUp', 'ArrowDown', 'Enter'])

/**
 * The inside of a field that takes one of several: the line that is picked, and its list once it is opened. Stands in a
 * text field in place of its input.
 */
export function Choice({
  ref,
  children,
  className,
  value,
  name,
  disabled,
  required,
  labelId,
  displayEmpty,
  autoFocus,
  onChange,
  onBlur,
  onFocus,
  ...aria
}: ChoiceProps) {
  // What the list hangs from, while it is open.
  const [anchor, setAnchor] = useState<Element | null>(null)
  const open = anchor !== null
  const listId = useId()
  const shown = useRef<HTMLDivElement>(null)
  const type = useTyping()
  const options = optionsOf(children)
  const picked = options.find((o) => isPicked(o, value))
  const isEmpty = value === '' || value === null || value === undefined

  useImperativeHandle(ref, () => ({ focus: () => shown.current?.focus(), value }), [value])
  useEffect(() => {
    if (autoFocus) shown.current?.focus()
  }, [autoFocus])

  // A form's library reads the name and the value of what changed, as of any input.
  const pick = (next: string | number) => {
    if (String(next) !== String(value))
      onChange?.({ target: { name, value: next } } as unknown as ChangeEvent<HTMLInputElement>)
  }
  const unfold = (e: SyntheticEvent) => setAnchor(e.currentTarget.parentElement)
  const onKeyDown = (e: KeyboardEvent) => {
    if (disabled || e.ctrlKey || e.metaKey || e.altKey) return
    if (OPENING.has(e.key)) {
      e.preventDefault()
      unfold(e)
    } else if (e.key.length === 1) {
      const letters = type(e.key, e.timeStamp)
      const from = picked ? options.indexOf(picked) + (letters.length > 1 ? 0 : 1) : 0
      const next = [...options.slice(from), ...options.slice(0, from)].find(
        (o) => !o.props.disabled && lettersOf(o.props.children).toLowerCase().startsWith(letters),
      )
      if (next) pick(next.props.value)
    }
  }
  return (
    <>
      <Shown
        ref={shown}
        className={className}
        role="combobox"
        tabIndex={disabled ? undefined : 0}
        aria-haspopup="listbox"
        aria-expanded={open}
        aria-controls={open ? listId : undefined}
        aria-disabled={disabled || undefined}
        aria-label={aria['aria-label']}
        aria-labelledby={labelId}
        aria-describedby={aria['aria-describedby']}
        aria-required={required || undefined}
        aria-invalid={aria['aria-invalid'] || undefined}
        onPointerEnter={fetchList}
        onFocus={(e) => {
          fetchList()
          onFocus?.(e)
        }}
        onBlur={(e) => {
          if (!open) onBlur?.(e)
        }}
        onKeyDown={onKeyDown}
        // As it goes down: the label moves into the way when the field is in use. A click by itself comes of a keyboard's
        // stand-in, or was kept while the page loaded.
        onMouseDown={(e) => {
          if (disabled || e.button !== 0) return
          e.preventDefault()
          e.currentTarget.focus()
          unfold(e)
        }}
        onClick={disabled ? undefined : unfold}
      >
        {(!isEmpty || displayEmpty) && picked ? picked.props.children : '\u200b'}
      </Shown>
      <Arrow aria-hidden viewBox="0 0 24 24" data-open={open || undefined}>
        <path d="M7 10l5 5 5-5z" />
      </Arrow>
      {anchor && (
        <Suspense>
          <ChoiceList
            id={listId}
            labelId={labelId}
            called={aria['aria-label']}
            anchor={anchor}
            options={options}
            value={value}
            onPick={pick}
            onClose={() => setAnchor(null)}
          />
        </Suspense>
      )}
    </>
  )
}
