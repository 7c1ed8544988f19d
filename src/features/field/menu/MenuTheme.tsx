'use client'

import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter'
import { ThemeProvider } from '@mui/system'
import type { CSSProperties, ReactNode } from 'react'
import { STYLE_CACHE } from '@/ui/theme/styleCache'
import { themeOf } from '@/ui/theme/theme'
import { FIELD_THEMES, type FieldThemeName } from '../device/theme'

const sun = FIELD_THEMES.sun
const night = FIELD_THEMES.night

const PALETTES = {
  sun: {
    paper: sun.bg,
    raised: sun.key,
    ink: sun.ink,
    soft: '#30363a',
    rule: '#8c8776',
    accent: '#5f3e00',
    onAccent: '#ffffff',
    bad: '#86190d',
  },
  night: {
    paper: night.bg,
    raised: night.key,
    ink: night.ink,
    soft: '#d8bd92',
    rule: night.line,
    accent: night.now,
    onAccent: '#14222e',
    bad: '#ff9d8a',
  },
}

/** Large enough for a glove, and read in full sun: ink on the strong colour, as on the field screen itself. */
const fieldTheme = (name: FieldThemeName) =>
  themeOf(PALETTES[name], {
    styleOverrides: {
      root: { minHeight: 64 },
      contained: {
        backgroundColor: FIELD_THEMES[name].now,
        color: sun.on,
        border: '2px solid currentColor',
      },
    },
  })

const THEMES = { sun: fieldTheme('sun'), night: fieldTheme('night') }

/** The colours of the field screen for our own drawings within the menu. */
export function menuVars(name: FieldThemeName): CSSProperties {
  return Object.fromEntries(Object.entries(PALETTES[name]).map(([k, v]) => [`--${k}`, v])) as CSSProperties
}

/** Parts and fields in the field screen's own colours, sun or night. */
export function MenuTheme({ name, children }: { name: FieldThemeName; children: ReactNode }) {
  return (
    <AppRouterCacheProvider options={STYLE_CACHE}>
      <ThemeProvider theme={THEMES[name]}>{children}</ThemeProvider>
    </AppRouterCacheProvider>
  )
}
