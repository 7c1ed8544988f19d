'use client'

import { useState } from 'react'
import {
  anglesToTake,
  overloadCheck,
  readTyped,
  turnFaults,
  type BodyByKind,
  type MeasurementOf,
  type TurnReading,
} from '@/core/bench'
import { simulatedReceiver, type SimulatedReceiver, type Turned } from '@/core/sim/bench'
import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import { numberIn } from '@/ui/fields/NumberBox'
import type { BenchAntenna } from '../types'

export type TurnWay = BodyByKind['turn']['way']
export type TurnOrder = 'there and back' | 'mixed'

const SEED = 23
const WHOLE: Record<TurnWay, number> = { pattern: 360, crossed: 90 }

/** Angles in the order in which they are taken: there and back again, or mixed anew each time round. */
function orderOf(steps: readonly number[], order: TurnOrder, times: number): number[] {
  const random = uniformRandom(steps.length * 31 + times)
  return Array.from({ length: times }, (_, i) =>
    order === 'mixed' ? random.shuffled(steps) : i % 2 === 0 ? [...steps] : [...steps].reverse(),
  ).flat()
}

/** A turned antenna: how it is turned, what was read, and what comes next. */
export function useTurn(antennas: readonly BenchAntenna[]) {
  const [way, setWay] = useState<TurnWay>('pattern')
  const [text, setText] = useState({
    frequency: '',
    step: '15',
    times: '2',
    loss: '0',
    body: '',
    size: '',
    distance: '',
  })
  const [order, setOrder] = useState<TurnOrder>('there and back')
  const [antennaId, setAntennaId] = useState('')
  const [readings, setReadings] = useState<TurnReading[]>([])
  const [takenAt, setTakenAt] = useState<string | null>(null)
  const [source, setSource] = useState<'typed' | 'simulated' | 'file'>('typed')
  const [kept, setKept] = useState<string | null>(null)
  const [simulated, setSimulated] = useState<SimulatedReceiver | null>(null)
  const [step_, times_] = [numberIn(text.step), numberIn(text.times)]
  const step = step_ !== null && step_ >= 1 && step_ <= 90 ? step_ : null
  const plan =
    step === null ? [] : orderOf(anglesToTake(step, WHOLE[way]), order, Math.min(9, Math.max(1, times_ ?? 1)))
  const next = plan[readings.length] ?? null

  const add = (r: TurnReading, from: typeof source = source) => {
    setReadings((old) => [...old, r])
    setTakenAt((old) => old ?? new Date().toISOString())
    setSource(from)
    setKept(null)
  }
  return {
    way,
    chooseWay: (w: TurnWay) => {
      setWay(w)
      setSimulated(null)
      setReadings([])
      setText((old) => ({ ...old, step: w === 'crossed' ? '10' : '15' }))
    },
    text,
    set: (change: Partial<typeof text>) => setText((old) => ({ ...old, ...change })),
    order,
    setOrder,
    antennaId,
    antenna: antennas.find((a) => a.id === antennaId) ?? null,
    setAntennaId,
    readings,
    takenAt,
    source,
    kept,
    setKept,
    step,
    next,
    planned: plan.length,
    faults: turnFaults(readings, way === 'pattern' && next === null),
    frequencyMHz: numberIn(text.frequency),
    lossDb: numberIn(text.loss) ?? 0,
    /** A level as it was typed, at an angle. @returns whether it was one */
    type: (angleDeg: number, typed: string): boolean => {
      const r = readTyped(typed)
      if (!r) return false
      add({ angleDeg, ...r }, 'typed')
      return true
    },
    takeBack: () => setReadings((old) => old.slice(0, -1)),
    clear: () => {
      setReadings([])
      setTakenAt(null)
      setKept(null)
    },
    /** Readings out of a file or a measurement. */
    load: (all: TurnReading[], from: 'file' | 'typed' | 'simulated') => {
      setReadings(all)
      setTakenAt(new Date().toISOString())
      setSource(from)
      setKept(null)
    },
    open: (m: MeasurementOf<'turn'>) => {
      setWay(m.body.way)
      setReadings(m.body.readings)
      setText((old) => ({
        ...old,
        frequency: String(m.body.frequencyMHz),
        loss: String(m.body.lossDb),
        body: m.body.body,
      }))
      setAntennaId(antennas.some((a) => a.id === m.partId) ? m.partId! : '')
      setTakenAt(m.takenAt)
      setSource(m.source === 'simulated' ? 'simulated' : m.source === 'file' ? 'file' : 'typed')
      setKept(m.name)
    },
    simulated,
    connect: (what: Turned | null) => setSimulated(what === null ? null : simulatedReceiver(SEED, what)),
    /** Reads the simulated receiver at the next angle, or at all that are left. */
    readSimulated: (all: boolean) => {
      if (!simulated) return
      for (const angleDeg of plan.slice(readings.length, all ? undefined : readings.length + 1))
        add({ angleDeg, ...simulated.read(angleDeg) }, 'simulated')
    },
  }
}
export type Turn = ReturnType<typeof useTurn>

/** A check of the receiver by a known attenuator, as it is typed. */
export function useOverload() {
  const [text, setText] = useState({ attenuator: '10', without: '', with: '' })
  const attenuator = numberIn(text.attenuator)
  const [a, b] = [readTyped(text.without), readTyped(text.with)]
  return {
    text,
    set: (change: Partial<typeof text>) => setText((old) => ({ ...old, ...change })),
    found:
      attenuator !== null && attenuator > 0 && a && b
        ? overloadCheck(attenuator, a.db, b.db, b.atOrBelow)
        : null,
    attenuatorDb: attenuator ?? 0,
  }
}
export type Overload = ReturnType<typeof useOverload>
