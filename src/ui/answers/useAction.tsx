'use client'

import { useState, type ReactNode } from 'react'
import { bad, problem, type Outcome, type Problem } from '@/core/outcome'
import { Refused } from '@/ui/shell/Say'

const AWAY = 'The server cannot be reached; what you typed is still here. Try again when it runs.'
const BROKEN = 'The server could not do this; what you typed is still here. Reload the page, and try again.'

/** What it comes to where nothing was answered: a connection that fails, or a server that stumbled. */
export function unanswered(e: unknown): Problem {
  // A browser's fetch fails with a TypeError where there is no connection, and with nothing else; so does a part of the
  // page that is fetched when it is wanted, by a name of its own.
  const away =
    e instanceof TypeError || (e instanceof Error && e.name === 'ChunkLoadError') || !navigator.onLine
  return problem(away ? 'away' : 'broken', '', away ? AWAY : BROKEN)
}

export interface Action {
  /** Something is asked for and not answered yet. */
  busy: boolean
  problems: Problem[]
  /** Asks, and says what was refused. @returns what was answered, the server's absence included */
  run: <T>(ask: () => Promise<Outcome<T>>, after?: (value: T) => void) => Promise<Outcome<T>>
  /** Says a refusal of the form's own; nothing takes the last one back. */
  refuse: (...problems: Problem[]) => void
  /** The refusal under its title, or nothing. */
  refusal: (title: string, where?: string) => ReactNode
}

/** What a form asks the server to do: whether it is busy, and what was refused. One for each form. */
export function useAction(): Action {
  const [busy, setBusy] = useState(0)
  const [problems, setProblems] = useState<Problem[]>([])
  const run: Action['run'] = async (ask, after) => {
    setBusy((n) => n + 1)
    try {
      const outcome = await ask()
      setProblems(outcome.ok ? [] : outcome.problems)
      if (outcome.ok) after?.(outcome.value)
      return outcome
    } catch (e) {
      const missed = unanswered(e)
      setProblems([missed])
      return bad(missed)
    } finally {
      setBusy((n) => n - 1)
    }
  }
  return {
    busy: busy > 0,
    problems,
    run,
    refuse: (...said) => setProblems(said),
    refusal: (title, where) =>
      problems.length > 0 && (
        <Refused title={title} problems={problems.map((p) => (where ? { ...p, where } : p))} />
      ),
  }
}
