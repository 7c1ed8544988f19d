'use client'

import { useEffect, useRef, type ReactNode } from 'react'

/** A sheet over the field screen, in its own colours; Escape leaves it. */
export function FieldSheet({
  title,
  onClose,
  children,
}: {
  title: string
  onClose: () => void
  children: ReactNode
}) {
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => {
    const d = dialog.current
    if (d && !d.open) d.showModal()
  }, [])
  return (
    <dialog
      ref={dialog}
      aria-label={title}
      onClose={onClose}
      style={{
        width: 'min(620px, 100vw)',
        maxWidth: '100vw',
        maxHeight: '100dvh',
        boxSizing: 'border-box',
        margin: 'auto auto 0',
        padding: 12,
        border: '2px solid var(--f-line)',
        background: 'var(--f-bg)',
        color: 'var(--f-ink)',
        font: 'inherit',
      }}
    >
      <h2 style={{ margin: '0 0 10px', fontSize: '1.3rem' }}>{title}</h2>
      {children}
    </dialog>
  )
}
