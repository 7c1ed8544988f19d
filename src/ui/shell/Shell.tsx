'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { PageLink } from './PageLink'
import { usePathname } from 'next/navigation'
import { useEffect, useRef, type ReactNode } from 'react'
import type { Units } from '@/core/units'
import { UnitsSwitch } from './UnitsSwitch'

/** A step of the job as the rail shows it: its name and its state in a few words. */
interface Step {
  slug: string
  name: string
  state: string
}

interface ShellProps {
  trialId: string
  trialName: string
  question: string
  steps: Step[]
  units: Units
  children: ReactNode
}

function Rail({ trialId, steps }: { trialId: string; steps: Step[] }) {
  const path = usePathname()
  const rail = useRef<HTMLElement>(null)
  const alive = useRef(false)
  // On a telephone the rail is wider than the screen, and the open step may lie out of it. Where a finger moved it
  // before the page came alive, it stays: a tap is under way, and would end on another step. It is looked at once it is
  // laid out; to ask before would have the whole page laid out twice.
  useEffect(() => {
    const nav = rail.current
    if (!nav) return
    const laidOut = new ResizeObserver(() => {
      laidOut.disconnect()
      const open = nav.querySelector<HTMLElement>('[aria-current]')
      const moved = !alive.current && nav.scrollLeft > 0
      alive.current = true
      if (open && !moved) nav.scrollLeft = open.offsetLeft - (nav.clientWidth - open.offsetWidth) / 2
    })
    laidOut.observe(nav)
    return () => laidOut.disconnect()
  }, [path])
  return (
    <Box
      component="nav"
      ref={rail}
      aria-label="Steps"
      sx={{
        display: 'flex',
        flexDirection: { xs: 'row', md: 'column' },
        overflowX: 'auto',
        position: 'relative',
        width: { md: 168 },
        flexShrink: 0,
        borderRight: { md: '1px solid var(--rule)' },
        borderBottom: { xs: '1px solid var(--rule)', md: 'none' },
        py: { md: 2 },
      }}
    >
      {steps.map((step) => {
        const here = path.split('/')[3] === step.slug
        return (
          <Box
            key={step.slug}
            component={PageLink}
            href={`/trials/${trialId}/${step.slug}`}
            aria-current={here ? 'page' : undefined}
            sx={{
              display: 'block',
              px: 2,
              py: 1.25,
              minWidth: { xs: 'max-content', md: 'auto' },
              textDecoration: 'none',
              color: 'var(--ink)',
              borderLeft: { md: `5px solid ${here ? 'var(--accent-fill)' : 'transparent'}` },
              borderBottom: {
                xs: `4px solid ${here ? 'var(--accent-fill)' : 'transparent'}`,
                md: 'none',
              },
              background: here ? 'var(--raised)' : 'none',
              '&:hover': { background: 'var(--raised)' },
            }}
          >
            <Box component="span" sx={{ display: 'block', fontWeight: 700 }}>
              {step.name}
            </Box>
            <Box
              component="span"
              sx={{
                display: 'block',
                fontSize: '0.82rem',
                color: 'var(--soft)',
                whiteSpace: { xs: 'nowrap', md: 'normal' },
              }}
            >
              {step.state}
            </Box>
          </Box>
        )
      })}
    </Box>
  )
}

/** The rail of steps at the left, the open trial's name and question at the top, the step's work below. */
export function Shell({ trialId, trialName, question, steps, units, children }: ShellProps) {
  return (
    <Box sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <a className="skip" href="#work">
        Skip to the work
      </a>
      <TopLine units={units}>
        <Typography component="p" sx={{ fontWeight: 700, fontSize: '1.1rem', lineHeight: 1.25 }}>
          {trialName}
        </Typography>
        {question && <Typography sx={{ color: 'var(--soft)', lineHeight: 1.3 }}>{question}</Typography>}
      </TopLine>
      <Box sx={{ display: 'flex', flexDirection: { xs: 'column', md: 'row' }, flex: 1, minWidth: 0 }}>
        <Rail trialId={trialId} steps={steps} />
        <Box
          component="main"
          id="work"
          sx={{ flex: 1, minWidth: 0, px: { xs: 2, md: 4 }, py: 2.5, maxWidth: 1320 }}
        >
          {children}
        </Box>
      </Box>
    </Box>
  )
}

/** The top line of every page but the field screen. */
export function TopLine({ units, children }: { units: Units; children?: ReactNode }) {
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        flexWrap: { xs: 'wrap', sm: 'nowrap' },
        alignItems: 'center',
        gap: 2,
        px: 2,
        py: 1,
        borderBottom: '1px solid var(--rule)',
      }}
    >
      <Box
        component={PageLink}
        href="/"
        sx={{
          color: 'var(--ink)',
          textDecoration: 'none',
          width: { md: 152 },
          flexShrink: 0,
          display: 'flex',
          alignItems: 'center',
          gap: 1,
        }}
      >
        <Logo />
        <Box component="span" sx={{ fontWeight: 700 }}>
          Even Reach
        </Box>
      </Box>
      <Box sx={{ flex: 1, minWidth: { xs: '100%', sm: 0 }, order: { xs: 3, sm: 0 } }}>{children}</Box>
      <Box sx={{ ml: 'auto' }}>
        <UnitsSwitch units={units} />
      </Box>
    </Box>
  )
}

/** Two posts on a lane and the bracket at their reach. */
function Logo() {
  return (
    <svg width="30" height="22" viewBox="0 0 30 22" aria-hidden="true">
      <path d="M1 14H29" stroke="var(--ink)" strokeWidth="2" />
      <path d="M7 14V3M15 14V8" stroke="var(--ink)" strokeWidth="3" />
      <path d="M22 4h3v16h-3" fill="none" stroke="var(--accent-fill)" strokeWidth="3" />
    </svg>
  )
}
