'use client'

import { useState } from 'react'
import {
  isBeside,
  liveSeries,
  readStatus,
  statesBySteps,
  stepsIn,
  type MeasurementOf,
  type QuantityId,
} from '@/core/bench'
import { messageOf } from '@/core/outcome'
import { simulatedModem, type SimulatedModem } from '@/core/sim/bench'
import { numberIn } from '@/ui/fields/NumberBox'
import { simulatedPort } from '../instrument/simulatedPort'
import { useInstrument } from '../instrument/useInstrument'
import { SIMULATED_FASTER, useEntries, type LiveSource, type Plugged } from './useEntries'
import { SAID_ALL, usePolling } from './usePolling'

const SEED = 41
const ANSWERS_MS = 30
const LEAST_EVERY_S = 0.2
const NO_STEP = 'No step stands out of the readings. Say what is plugged in while they are taken.'

/** Levels while something is plugged in and out, polled or typed. */
export function useLive() {
  const held = useEntries()
  const [text, setText] = useState({ what: '', settle: '5', every: '1', command: 'AT+CESQ' })
  const [polling, setPolling] = useState(false)
  const [problem, setProblem] = useState('')
  const instrument = useInstrument('ATI', '\r', SAID_ALL)
  const [modem] = useState<SimulatedModem>(() => simulatedModem(SEED))
  const { simulated } = instrument
  const settleS = Math.max(0, numberIn(text.settle) ?? 0)
  const series = liveSeries(held.entries, settleS)

  const read = (status: string, from: LiveSource): boolean => {
    const found = readStatus(status)
    setProblem(found.ok ? '' : messageOf(found))
    if (found.ok)
      held.log(
        found.value.map((f) => ({ ...f, capped: false })),
        from,
      )
    return found.ok
  }
  const stopBy = (why: string) => {
    setProblem(why)
    setPolling(false)
  }
  usePolling({
    on: polling,
    link: instrument.link,
    command: text.command,
    everyS: Math.max(LEAST_EVERY_S, numberIn(text.every) ?? 1),
    onAnswer: (answer) => void (read(answer, simulated ? 'simulated' : 'instrument') || setPolling(false)),
    onTrouble: stopBy,
  })

  return {
    ...held,
    series,
    /** Says what is plugged in from now on. */
    say: (next: Plugged) => {
      held.say(next)
      if (simulated) modem.plug(next === 'in')
    },
    text,
    set: (change: Partial<typeof text>) => setText((old) => ({ ...old, ...change })),
    settleS,
    problem,
    instrument,
    polling,
    setPolling,
    connectSimulated: async () => {
      modem.plug(held.state === 'in')
      setText((old) => ({ ...old, command: 'ATI5' }))
      const begun = Date.now()
      const seconds = () => ((Date.now() - begun) / 1000) * SIMULATED_FASTER
      const say = (line: string) => (line === 'ATI' ? 'Simulated modem\nOK' : modem.say(line, seconds()))
      await instrument.open(() => Promise.resolve(simulatedPort(say, ANSWERS_MS)), true)
    },
    read: (status: string) => read(status, 'typed'),
    type: (quantity: QuantityId, port: number | null, value: number, capped: boolean) => {
      setProblem('')
      held.log([{ quantity, port, value, capped }], 'typed')
    },
    clear: () => {
      setPolling(false)
      held.clear()
    },
    unsaid: held.entries.filter((e) => e.state === null).length,
    /** Finds the steps in the first level and says the states by them: the louder side of the first is with it in. */
    findSteps: () => {
      const level = series.find((s) => !isBeside(s.quantity.id))
      const steps = level ? stepsIn(level.readings.map((r) => r.value)) : []
      if (!level || steps.length === 0) return setProblem(NO_STEP)
      const states = statesBySteps(level.readings.length, steps, steps[0]!.by > 0 ? 'out' : 'in')
      const byTime = new Map(level.readings.map((r, i) => [r.atS, states[i] ?? null]))
      setProblem('')
      held.fillStates((atS) => byTime.get(atS) ?? null)
    },
    open: (m: MeasurementOf<'live'>) => {
      setPolling(false)
      setText((old) => ({ ...old, what: m.body.what, settle: String(m.body.settleS) }))
      held.load(m.body.readings, Date.parse(m.takenAt), m.source === 'file' ? 'typed' : m.source, m.name)
    },
  }
}
export type Live = ReturnType<typeof useLive>
