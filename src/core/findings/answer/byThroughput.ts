import { median } from '@/core/stats/numeric/median'
import type { AnswerCore, AnswerFrom } from './types'
import { CARRIED_UNIT, carriedOf, carriedText } from './carried'

/** What a line carried, where nothing else was logged: shown, and no verdict on the antenna. */
export function answerByThroughput({ log, plan }: AnswerFrom): AnswerCore | null {
  const all = carriedOf(log)
  const what = all.some((c) => c.what === 'throughput') ? 'throughput' : 'delay'
  const own = all.filter((c) => c.what === what)
  if (own.length === 0) return null
  const better = what === 'throughput' ? 1 : -1
  const lines = own
    .flatMap((c) => {
      const link = plan.links.find((l) => l.id === c.linkId)
      if (!link) return []
      const { id: linkId, letter, name } = link
      const [low, high] = [Math.min(...c.values), Math.max(...c.values)]
      return [
        {
          linkId,
          letter,
          name,
          text: carriedText(c),
          value: median(c.values),
          low,
          high,
          note: '',
          ways: [],
        },
      ]
    })
    .sort((a, b) => better * (b.value - a.value))
  const [first] = lines
  return {
    basis: 'throughput',
    lead: first
      ? `${first.name} ${lines.length === 1 ? 'carried' : what === 'throughput' ? 'carried most:' : 'answered soonest:'} ${first.text}.`
      : 'What was carried belongs to no rig of the plan.',
    detail: ['What a line carries depends on who else is on: it is shown, and is no verdict on an antenna.'],
    axis: { unit: CARRIED_UNIT[what], label: `${what}, least to most` },
    lines,
    sure: 'Lowest to highest reading in brackets; no level was logged.',
    settle: 'Log a level with each reading, the rigs in turn, and it can be judged.',
    copied: null,
  }
}
