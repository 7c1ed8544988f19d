// Is any sentence false? Simulated days whose truth is known go through the findings and their causes, and every
// sentence that is said for sure is held against it. npm run said [days]; the table goes into docs/calibration.md.
import {
  breakdownOf,
  driftWords,
  inputOf,
  makeFindings,
  prepareFindings,
  byWords,
  verdictWords,
} from '../src/core/findings'
import { DAY_SHAPES, dayOf, type Day, type DayShape } from './days'
import { writeTable } from './table'

interface Said {
  kind: string
  words: string
  true: boolean
}

const id = (x: string) => x

async function sentencesOf(shape: DayShape, day: Day): Promise<Said[]> {
  const input = inputOf(day.plan, day.plan.marks, day.checks, true)
  const prepared = prepareFindings(input)
  const findings = makeFindings(input, prepared)
  const breakdown = await breakdownOf(input, prepared, null)
  const linkAt = (linkId: string) => input.links.findIndex((l) => l.id === linkId)
  const gain = (linkId: string) => day.gainDb[linkAt(linkId)]!
  const whole = input.directions.length > 1 ? 'both' : input.directions[0]
  const pairs = findings.pairs
    .filter((p) => p.scope === whole)
    .flatMap((p): Said[] => {
      const truth = gain(p.a) - gain(p.b)
      const words = verdictWords(p, id).lead
      if (p.trend?.crossing) return [{ kind: 'change places', words, true: false }]
      if (p.verdict.kind === 'better')
        return [{ kind: 'is better', words, true: truth > 0 === (p.verdict.which === 'a') }]
      if (p.verdict.kind === 'alike')
        return [{ kind: 'alike', words, true: Math.abs(truth) < input.marginDb }]
      return []
    })
  const weaker = findings.usable.flatMap((u): Said[] => {
    if (!u.limitedBy || u.reach.seen !== 'some copied') return []
    const [to, from] = (['to base', 'from base'] as const).map((d) =>
      day.lgReach(linkAt(u.linkId), d, u.chance),
    )
    const shorter = to! < from! ? 'to base' : 'from base'
    return [{ kind: 'the weaker way', words: `${u.linkId}: ${u.limitedBy}`, true: u.limitedBy === shorter }]
  })
  const changes = breakdown.by.flatMap((g) =>
    g.pairs.flatMap((p): Said[] =>
      p.change ? [{ kind: 'changes with something', words: byWords(g.what, p, id), true: false }] : [],
    ),
  )
  const drift = breakdown.drift.flatMap((d, i): Said[] => {
    const truth = d.direction === 'to base' ? (shape.driftDb ?? 0) : 0
    return d.surely
      ? [
          {
            kind: 'drifted',
            words: driftWords(breakdown.drift)[i]!,
            true: Math.sign(truth) === Math.sign(d.slope.estimate),
          },
        ]
      : []
  })
  const jumps = breakdown.erratic.map((e) => ({
    kind: 'jumps',
    words: e.linkId,
    true: Array.isArray(shape.ownDb),
  }))
  return [...pairs, ...weaker, ...changes, ...drift, ...jumps]
}

const days = Number(process.argv[2] ?? 40)
const shapes = DAY_SHAPES.filter((s) => s.says !== 'bare digits' && s.says !== 'words')
const all: Said[] = []
for (let i = 0; i < days; i++) {
  const shape = shapes[i % shapes.length]!
  for (const s of await sentencesOf(shape, dayOf(shape, 900_000 + i, i % 4 === 3))) {
    all.push(s)
    if (!s.true) console.log(`false (${shape.name}): ${s.words}`)
  }
}
const kinds = [
  'is better',
  'alike',
  'change places',
  'the weaker way',
  'changes with something',
  'drifted',
  'jumps',
]
writeTable(
  'docs/calibration.md',
  'said',
  ['sentence', `said in ${days} days`, 'false'],
  kinds.map((k) => {
    const mine = all.filter((s) => s.kind === k)
    return [k, String(mine.length), String(mine.filter((s) => !s.true).length)]
  }),
)
