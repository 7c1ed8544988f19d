import type { CSSProperties } from 'react'

/** Two themes of the field screen, both with a contrast of 7:1 and more. */
export const FIELD_THEMES = {
  sun: {
    bg: '#ffffff',
    ink: '#000000',
    key: '#f1efe8',
    line: '#000000',
    on: '#14222e',
    onInk: '#ffffff',
    now: '#ffcf40',
  },
  night: {
    bg: '#05080a',
    ink: '#ffd9a0',
    key: '#161c20',
    line: '#5a5040',
    on: '#ffc766',
    onInk: '#05080a',
    now: '#ffc766',
  },
} as const

export type FieldThemeName = keyof typeof FIELD_THEMES

/** The theme as custom properties. */
export function fieldVars(name: FieldThemeName): CSSProperties {
  const t = FIELD_THEMES[name]
  return Object.fromEntries(Object.entries(t).map(([k, v]) => [`--f-${k}`, v])) as CSSProperties
}
