'use client'

import type { ButtonHTMLAttributes, ReactNode } from 'react'

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  chosen?: boolean
  strong?: boolean
  children: ReactNode
}

/** A key of the field screen: 64 px and more, square, no gesture. */
export function PadButton({ chosen = false, strong = false, children, style, ...rest }: Props) {
  return (
    <button
      type="button"
      aria-pressed={rest.role ? undefined : chosen || undefined}
      {...rest}
      style={{
        minHeight: 'var(--f-key-height, 64px)',
        minWidth: 0,
        font: 'inherit',
        fontSize: '1.15rem',
        fontWeight: 700,
        color: chosen ? 'var(--f-onInk)' : strong ? '#14222e' : 'var(--f-ink)',
        background: chosen ? 'var(--f-on)' : strong ? 'var(--f-now)' : 'var(--f-key)',
        border: '2px solid var(--f-line)',
        borderRadius: 3,
        padding: '2px 4px',
        cursor: 'pointer',
        opacity: rest.disabled ? 0.45 : 1,
        touchAction: 'manipulation',
        ...style,
      }}
    >
      {children}
    </button>
  )
}
