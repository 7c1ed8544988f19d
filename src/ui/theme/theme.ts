'use client'

import { MAX_LETTERS } from '@/core/schema/limits'
import { createTheme, type ThemeOptions } from '@mui/material/styles'
import { DARK, LIGHT, type Palette } from './palette'

const palette = (p: Palette) => ({
  primary: { main: p.accent, contrastText: p === LIGHT ? '#ffffff' : '#14222e' },
  secondary: { main: p.ink },
  error: { main: p.bad },
  background: { default: p.paper, paper: p.raised },
  text: { primary: p.ink, secondary: p.soft },
  divider: p.rule,
})

const common: ThemeOptions = {
  typography: {
    fontFamily: '"Atkinson Hyperlegible", system-ui, sans-serif',
    fontSize: 15,
    h1: { fontSize: '1.7rem', fontWeight: 700, lineHeight: 1.2 },
    h2: { fontSize: '1.2rem', fontWeight: 700, lineHeight: 1.3 },
    h3: { fontSize: '1.02rem', fontWeight: 700, lineHeight: 1.4 },
    button: { textTransform: 'none', fontWeight: 700 },
  },
  shape: { borderRadius: 3 },
  components: {
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiTextField: { defaultProps: { size: 'small', variant: 'outlined' } },
    MuiTableCell: { styleOverrides: { root: { fontVariantNumeric: 'tabular-nums' } } },
    MuiToggleButton: { styleOverrides: { root: { textTransform: 'none', color: 'var(--ink)' } } },
  },
}

/** Light and dark as the system is set. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'media' },
  colorSchemes: { light: { palette: palette(LIGHT) }, dark: { palette: palette(DARK) } },
  ...common,
})

/**
 * One palette whatever the system is set to, as the field screen's sun and night. What is typed under it goes into
 * the log, so no field takes more than the log does.
 */
export const themeOf = (p: Palette, mode: 'light' | 'dark') =>
  createTheme(
    { palette: { mode, ...palette(p) }, ...common },
    {
      components: {
        MuiTextField: {
          defaultProps: {
            size: 'small',
            variant: 'outlined',
            slotProps: { htmlInput: { maxLength: MAX_LETTERS.line } },
          },
        },
      },
    },
  )
