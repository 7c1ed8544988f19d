import type { CSSProperties } from 'react'

/** A key in the head of the field screen. */
export const FIELD_KEY: CSSProperties = {
  minWidth: 64,
  minHeight: 64,
  font: 'inherit',
  color: 'inherit',
  background: 'var(--f-key)',
  border: '2px solid var(--f-line)',
  borderRadius: 3,
}

/** Something that is typed on the field screen. */
export const FIELD_INPUT: CSSProperties = {
  font: 'inherit',
  fontSize: '1.5rem',
  minHeight: 60,
  minWidth: 0,
  width: '100%',
  boxSizing: 'border-box',
  padding: '0 10px',
  color: 'var(--f-ink)',
  background: 'var(--f-key)',
  border: '2px solid var(--f-line)',
  borderRadius: 3,
}

/** The key that one is most likely to want. */
export const LARGE_KEY: CSSProperties = { minHeight: 'var(--f-key-large, 76px)' }

export const MARK_STYLE: CSSProperties = { fontSize: '1.7rem', fontWeight: 700, lineHeight: 1.1 }

/** Keys of a pad, so many beside one another. */
export const keyRow = (columns: number): CSSProperties => ({
  display: 'grid',
  gridTemplateColumns: `repeat(${columns}, 1fr)`,
  gap: 4,
})
