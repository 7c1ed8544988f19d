'use client'

import { useEffect, useRef } from 'react'
import type { LineLink } from '../instrument/lineLink'

const WAIT_MS = 4000
/** A modem has said all once it says OK, or that it cannot. */
export const SAID_ALL = (text: string) => /^(OK|ERROR.*)$/m.test(text)

interface Polled {
  on: boolean
  link: LineLink | null
  command: string
  everyS: number
  onAnswer: (text: string) => void
  onTrouble: (why: string) => void
}

/** Asks a modem again and again, the next time once the last answer is there, so never faster than it speaks. */
export function usePolling({ on, link, command, everyS, onAnswer, onTrouble }: Polled): void {
  const latest = useRef({ onAnswer, onTrouble })
  useEffect(() => {
    latest.current = { onAnswer, onTrouble }
  })
  useEffect(() => {
    if (!on || !link) return
    let stopped = false
    let timer: ReturnType<typeof setTimeout> | null = null
    const ask = () => {
      link
        .ask(command, WAIT_MS, SAID_ALL)
        .then(
          (answer) => void (stopped || latest.current.onAnswer(answer)),
          (e: Error) => void (stopped || latest.current.onTrouble(e.message)),
        )
        .finally(() => {
          if (!stopped) timer = setTimeout(ask, everyS * 1000)
        })
    }
    ask()
    return () => {
      stopped = true
      if (timer) clearTimeout(timer)
    }
  }, [on, link, command, everyS])
}
