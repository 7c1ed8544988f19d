'use client'

import { useEffect, useRef, useState } from 'react'
import {
  isBeside,
  liveSeries,
  readStatus,
  statesBySteps,
  stepsIn,
  type LiveEntry,
  type MeasurementOf,
  type QuantityId,
} from '@/core/bench'
import { messageOf } from '@/core/outcome'
import { simulatedModem, type SimulatedModem } from '@/core/sim/bench'
import { numberIn } from '@/ui/fields/NumberBox'
import { simulatedPort } from '../instrument/simulatedPort'
import { useInstrument } from '../instrument/useInstrument'

const SEED = 41
const ANSWERS_MS = 30
const WAIT_MS = 4000
/** A modem has said all once it says OK, or that it cannot. */
const SAID_ALL = (text: string) => /^(OK|ERROR.*)$/m.test(text)
/** The simulated modem's clock runs faster, so that a session of an hour fits into a few minutes. */
const SIMULATED_FASTER = 12

type State = 'in' | 'out'

/** Levels while something is plugged in and out, polled or typed. */
export function useLive() {
  const [entries, setEntries] = useState<LiveEntry[]>([])
  const [state, setState] = useState<State | null>(null)
  const [text, setText] = useState({ what: '', settle: '5', every: '1', command: 'AT+CESQ' })
  const [begunAt, setBegunAt] = useState<number | null>(null)
  const [polling, setPolling] = useState(false)
  const [problem, setProblem] = useState('')
  const [kept, setKept] = useState<string | null>(null)
  const [source, setSource] = useState<'typed' | 'simulated' | 'instrument'>('typed')
  const instrument = useInstrument('ATI', WAIT_MS)
  const [modem] = useState<SimulatedModem>(() => simulatedModem(SEED))
  const now = useRef({ state, begunAt })
  useEffect(() => {
    now.current = { state, begunAt }
  })

  const log = (figures: LiveEntry['figures'], from: typeof source) => {
    const at = Date.now()
    const begun = now.current.begunAt ?? at
    if (now.current.begunAt === null) {
      now.current.begunAt = begun
      setBegunAt(begun)
    }
    const faster = from === 'simulated' ? SIMULATED_FASTER : 1
    setEntries((old) => [
      ...old,
      { atS: Math.round(((at - begun) / 1000) * faster * 10) / 10, state: now.current.state, figures },
    ])
    setSource(from)
    setKept(null)
  }
  const read = (status: string, from: typeof source): boolean => {
    const found = readStatus(status)
    setProblem(found.ok ? '' : messageOf(found))
    if (found.ok)
      log(
        found.value.map((f) => ({ ...f, capped: false })),
        from,
      )
    return found.ok
  }
  const { link, simulated } = instrument
  const every = Math.max(0.2, numberIn(text.every) ?? 1)
  const work = useRef(read)
  useEffect(() => {
    work.current = read
  })
  const { command } = text
  // Asks again only once the answer is there, so that a slow modem is not asked faster than it speaks.
  useEffect(() => {
    if (!polling || !link) return
    let stopped = false
    let timer: ReturnType<typeof setTimeout> | null = null
    const ask = () => {
      link
        .ask(command, WAIT_MS, SAID_ALL)
        .then(
          (answer) => {
            if (stopped) return
            if (!work.current(answer, simulated ? 'simulated' : 'instrument')) setPolling(false)
          },
          (e: Error) => {
            if (stopped) return
            setProblem(e.message)
            setPolling(false)
          },
        )
        .finally(() => {
          if (!stopped) timer = setTimeout(ask, every * 1000)
        })
    }
    ask()
    return () => {
      stopped = true
      if (timer) clearTimeout(timer)
    }
  }, [polling, link, simulated, command, every])

  const settleS = Math.max(0, numberIn(text.settle) ?? 0)
  const series = liveSeries(entries, settleS)
  const unsaid = entries.filter((e) => e.state === null).length
  return {
    entries,
    series,
    state,
    /** Says what is plugged in from now on. */
    say: (next: State) => {
      setState(next)
      now.current.state = next
      if (simulated) modem.plug(next === 'in')
    },
    text,
    set: (change: Partial<typeof text>) => setText((old) => ({ ...old, ...change })),
    settleS,
    begunAt,
    source,
    kept,
    setKept,
    problem,
    instrument,
    polling,
    setPolling,
    connectSimulated: async () => {
      modem.plug(state === 'in')
      setText((old) => ({ ...old, command: 'ATI5' }))
      const begun = Date.now()
      const seconds = () => ((Date.now() - begun) / 1000) * SIMULATED_FASTER
      await instrument.open(
        () =>
          Promise.resolve(
            simulatedPort(
              (line) => (line === 'ATI' ? 'Simulated modem\nOK' : modem.say(line, seconds())),
              ANSWERS_MS,
            ),
          ),
        true,
      )
    },
    read: (status: string) => read(status, 'typed'),
    type: (quantity: QuantityId, port: number | null, value: number, capped: boolean) => {
      setProblem('')
      log([{ quantity, port, value, capped }], 'typed')
    },
    undo: () => setEntries((old) => old.slice(0, -1)),
    clear: () => {
      setEntries([])
      setBegunAt(null)
      setKept(null)
      setPolling(false)
    },
    unsaid,
    /** Finds the steps in the first level and says the states by them, beginning with what is out. */
    findSteps: () => {
      const level = series.find((s) => !isBeside(s.quantity.id))
      if (!level) return
      const steps = stepsIn(level.readings.map((r) => r.value))
      if (steps.length === 0)
        return setProblem('No step stands out of the readings. Say what was plugged in while they are taken.')
      // The louder side of the first step is taken to be the one with it in.
      const states = statesBySteps(level.readings.length, steps, steps[0]!.by > 0 ? 'out' : 'in')
      const byTime = new Map(level.readings.map((r, i) => [r.atS, states[i]!]))
      setEntries((old) => old.map((e) => ({ ...e, state: e.state ?? byTime.get(e.atS) ?? null })))
      setKept(null)
    },
    open: (m: MeasurementOf<'live'>) => {
      setEntries(m.body.readings)
      setText((old) => ({ ...old, what: m.body.what, settle: String(m.body.settleS) }))
      setBegunAt(Date.parse(m.takenAt))
      setSource(m.source === 'file' ? 'typed' : m.source)
      setKept(m.name)
      setPolling(false)
    },
  }
}
export type Live = ReturnType<typeof useLive>
