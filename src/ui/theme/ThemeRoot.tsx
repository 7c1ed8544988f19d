'use client'

import CssBaseline from '@mui/material/CssBaseline'
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter'
import { ThemeProvider } from '@mui/system'
import type { ReactNode } from 'react'
import { STYLE_CACHE } from './styleCache'
import { theme } from './theme'

export function ThemeRoot({ children }: { children: ReactNode }) {
  return (
    <AppRouterCacheProvider options={STYLE_CACHE}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        {children}
      </ThemeProvider>
    </AppRouterCacheProvider>
  )
}
