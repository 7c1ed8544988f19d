'use client'

import { MAX_LETTERS } from '@/core/schema/limits'
import { createTheme, type ThemeOptions } from '@mui/material/styles'
import type { Palette } from './palette'

const per100 = (share: number) => `${Math.round(share * 100)}%`
const tint = (colour: string, share: number) => `color-mix(in srgb, ${colour} ${per100(share)}, transparent)`
const mixed = (colour: string, share: number, other: string) =>
  `color-mix(in srgb, ${colour}, ${other} ${per100(share)})`

/** A colour with all that is made of it, so that the library need not work any out: it may be a name of the page's own. */
const shades = (main: string, contrastText: string) => ({
  main,
  light: mixed(main, 0.2, 'white'),
  dark: mixed(main, 0.2, 'black'),
  contrastText,
})

const paletteOf = (p: Palette) => ({
  primary: shades(p.accent, p.onAccent),
  secondary: shades(p.ink, p.paper),
  error: shades(p.bad, p.paper),
  background: { default: p.paper, paper: p.raised },
  text: { primary: p.ink, secondary: p.soft, disabled: tint(p.ink, 0.5) },
  divider: p.rule,
  action: {
    active: p.soft,
    hover: tint(p.ink, 0.06),
    selected: tint(p.ink, 0.12),
    disabled: tint(p.ink, 0.35),
    disabledBackground: tint(p.ink, 0.12),
    focus: tint(p.ink, 0.12),
  },
})

/** What the library draws in greys of its own, in our ink. */
function drawnIn(p: Palette): ThemeOptions['components'] {
  const border = { borderColor: tint(p.ink, 0.28) }
  return {
    MuiOutlinedInput: {
      styleOverrides: {
        root: { '@media (hover: none)': { '&:hover .MuiOutlinedInput-notchedOutline': border } },
        notchedOutline: border,
      },
    },
    MuiTableCell: {
      styleOverrides: {
        root: { fontVariantNumeric: 'tabular-nums', borderBottomColor: tint(p.rule, 0.6) },
      },
    },
    MuiToggleButton: { styleOverrides: { root: { textTransform: 'none', color: p.ink } } },
    MuiSwitch: {
      styleOverrides: { switchBase: { color: p.raised }, track: { backgroundColor: p.ink, opacity: 0.38 } },
    },
  }
}

const optionsOf = (p: Palette): ThemeOptions => ({
  palette: paletteOf(p),
  typography: {
    fontFamily: '"Atkinson Hyperlegible", system-ui, sans-serif',
    fontSize: 15,
    h1: { fontSize: '1.7rem', fontWeight: 700, lineHeight: 1.2 },
    h2: { fontSize: '1.2rem', fontWeight: 700, lineHeight: 1.3 },
    h3: { fontSize: '1.02rem', fontWeight: 700, lineHeight: 1.4 },
    button: { textTransform: 'none', fontWeight: 700 },
  },
  shape: { borderRadius: 3 },
  // What moves stands still for those whose system is set so.
  motion: { reducedMotion: 'system' },
  components: {
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiTextField: { defaultProps: { size: 'small' } },
    ...drawnIn(p),
  },
})

/** The library's own sums with colours take figures; the browser takes names as well. Shares may come as "0.1 + 0.04". */
const BY_BROWSER = {
  alpha: (colour: string, share: number | string) =>
    tint(
      colour,
      String(share)
        .split('+')
        .reduce((sum, part) => sum + Number(part), 0),
    ),
  lighten: (colour: string, share: number | string) => mixed(colour, Number(share), 'white'),
  darken: (colour: string, share: number | string) => mixed(colour, Number(share), 'black'),
}
const themeFrom = (...options: ThemeOptions[]) => Object.assign(createTheme(...options), BY_BROWSER)

/**
 * The colours of the page's own style sheet by their names, light or dark as the system is set: one theme for both,
 * without variables of the library's beside ours.
 */
const PAGE: Palette = {
  paper: 'var(--paper)',
  raised: 'var(--raised)',
  ink: 'var(--ink)',
  soft: 'var(--soft)',
  rule: 'var(--rule)',
  accent: 'var(--accent)',
  onAccent: 'var(--on-accent)',
  bad: 'var(--bad)',
}

export const theme = themeFrom(optionsOf(PAGE))

/**
 * One palette whatever the system is set to, as the field screen's sun and night, and how its buttons look there.
 * What is typed under it goes into the log, so no field takes more than the log does.
 */
export const themeOf = (p: Palette, button: NonNullable<ThemeOptions['components']>['MuiButton']) =>
  themeFrom(optionsOf(p), {
    components: {
      MuiTextField: {
        defaultProps: { slotProps: { htmlInput: { maxLength: MAX_LETTERS.line } } },
      },
      MuiButton: button,
    },
  })
