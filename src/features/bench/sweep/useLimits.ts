'use client'

import { useState } from 'react'
import { adviseSpan, limitOfReturnLoss, limitOfSwr, spanProblems, type SweepBand } from '@/core/bench'
import { numberIn, numberProblem } from '@/ui/fields/NumberBox'
import type { BenchAntenna } from '../types'
import type { Span } from './sweepWork'

const trimmed = (v: number, digits: number) => String(Number(v.toFixed(digits)))

/** The band, the limit (typed as SWR or as return loss), the span, and what is wrong with them. */
export function useLimits(antennas: readonly BenchAntenna[], firstId: string | null) {
  const first = antennas.find((a) => a.id === firstId) ?? null
  const [antennaId, setAntennaId] = useState(first?.id ?? '')
  const start = first?.bands[0] ?? null
  const [band, setBand] = useState({
    from: start ? String(start.fromMHz) : '',
    to: start ? String(start.toMHz) : '',
  })
  const [limit, setLimit] = useState({ swr: '2', loss: '9.5' })
  /** Null where the advice is followed. */
  const [typed, setTyped] = useState<{ from: string; to: string; points: string } | null>(null)
  const [ohm, setOhm] = useState('50')
  const [lead, setLead] = useState('')

  const antenna = antennas.find((a) => a.id === antennaId) ?? null
  const [from, to] = [numberIn(band.from), numberIn(band.to)]
  const bandOk = from !== null && to !== null && from > 0 && to > from
  const asBand: SweepBand | null = bandOk ? { fromMHz: from, toMHz: to } : null
  const advice = asBand && adviseSpan(asBand)
  const said =
    typed ??
    (advice && { from: String(advice.fromMHz), to: String(advice.toMHz), points: String(advice.points) })
  const figures = said && {
    fromMHz: numberIn(said.from),
    toMHz: numberIn(said.to),
    points: numberIn(said.points),
  }
  const whole =
    figures?.points != null &&
    Number.isInteger(figures.points) &&
    figures.points >= 2 &&
    figures.points <= 1601
  const span: Span | null =
    figures &&
    figures.fromMHz !== null &&
    figures.toMHz !== null &&
    figures.fromMHz > 0 &&
    figures.toMHz > figures.fromMHz &&
    whole
      ? (figures as Span)
      : null
  const swr = numberIn(limit.swr)
  const swrOk = swr !== null && swr > 1 && swr <= 100

  return {
    antenna,
    antennaId,
    chooseAntenna: (id: string) => {
      setAntennaId(id)
      const chosen = antennas.find((a) => a.id === id)?.bands[0]
      if (!chosen) return
      setBand({ from: String(chosen.fromMHz), to: String(chosen.toMHz) })
      setTyped(null)
    },
    bandText: band,
    setBand: (change: Partial<typeof band>) => {
      setBand((old) => ({ ...old, ...change }))
      setTyped(null)
    },
    bandProblem: {
      from: band.from === '' ? null : numberProblem(band.from, { above: 0 }, 'MHz'),
      to:
        band.to === ''
          ? null
          : (numberProblem(band.to, { above: 0 }, 'MHz') ??
            (bandOk || from === null ? null : 'The upper edge must be above the lower')),
    },
    band: asBand,
    limitText: limit,
    typeSwr: (text: string) => {
      const v = numberIn(text)
      setLimit({ swr: text, loss: v !== null && v > 1 ? trimmed(limitOfSwr(v).returnLossDb, 1) : '' })
    },
    typeLoss: (text: string) => {
      const v = numberIn(text)
      setLimit({ loss: text, swr: v !== null && v > 0 ? trimmed(limitOfReturnLoss(v).swr, 2) : '' })
    },
    limitProblem: swrOk ? null : 'An SWR above 1, such as 2; or a return loss above 0 dB, such as 9.5',
    limitSwr: swrOk ? swr : null,
    spanText: said,
    typeSpan: (change: Partial<{ from: string; to: string; points: string }>) =>
      setTyped({ ...(said ?? { from: '', to: '', points: '' }), ...change }),
    followAdvice: () => setTyped(null),
    advised: typed === null,
    span,
    spanProblems:
      asBand && span
        ? spanProblems(span, asBand)
        : said && !span
          ? [
              {
                code: 'span',
                where: 'span',
                message: 'Start below stop, both above 0 MHz, and 2 to 1601 points.',
              },
            ]
          : [],
    leadText: lead,
    setLead,
    leadDb: numberIn(lead),
    ohmText: ohm,
    setOhm,
    ohm: (numberIn(ohm) ?? 0) > 0 ? numberIn(ohm)! : 50,
  }
}
export type Limits = ReturnType<typeof useLimits>
