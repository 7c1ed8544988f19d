import type { Breakdown, Findings } from '@/core/findings'
import { writeCsv } from '@/core/formats/csvTable'

const round = (v: number | null | undefined, digits = 2) => (v == null ? null : Number(v.toFixed(digits)))

/** The differences as a table for a spreadsheet. */
export function differencesCsv(findings: Findings, name: (id: string) => string): string {
  return writeCsv(
    [
      'direction',
      'a',
      'b',
      'verdict',
      'better',
      'evened_db',
      'evened_low90_db',
      'evened_high90_db',
      'raw_db',
      'raw_low90_db',
      'raw_high90_db',
      'marks',
      'wins',
      'draws',
      'losses',
      'sign_test_p',
      'method',
    ],
    findings.pairs.map((p) => [
      p.scope,
      name(p.a),
      name(p.b),
      p.verdict.kind,
      p.verdict.kind === 'better' ? name(p.verdict.which === 'a' ? p.a : p.b) : '',
      round(p.evened?.estimate),
      round(p.evened?.interval90.low),
      round(p.evened?.interval90.high),
      round(p.raw?.estimate),
      round(p.raw?.interval90.low),
      round(p.raw?.interval90.high),
      p.evened?.marksUsed.length ?? p.marksReported,
      p.wins.wins,
      p.wins.draws,
      p.wins.losses,
      round(p.wins.p, 4),
      p.joint ? 'joint model' : 'exact sign test',
    ]),
  )
}

/** Differences by part of the log as a table for a spreadsheet. */
export function byCsv(by: Breakdown['by'], name: (id: string) => string): string {
  return writeCsv(
    ['by', 'part', 'a', 'b', 'difference', 'low90', 'high90', 'unit', 'marks', 'changes', 'flips'],
    by.flatMap(({ what, pairs }) =>
      pairs.flatMap((pair) =>
        pair.within.map(({ group, effect, marks }) => [
          what,
          group,
          name(pair.a),
          name(pair.b),
          ...[effect.estimate, effect.interval90.low, effect.interval90.high].map((v) =>
            pair.unit === 'none' ? '' : round(v),
          ),
          pair.unit === 'none' ? '' : pair.unit,
          marks,
          String(pair.change !== null),
          String(pair.flips),
        ]),
      ),
    ),
  )
}

/** The reaches as a table for a spreadsheet. */
export function reachesCsv(findings: Findings, name: (id: string) => string): string {
  return writeCsv(
    [
      'link',
      'direction',
      'chance',
      'reach_m',
      'low90_m',
      'high90_m',
      'seen',
      'extrapolated',
      'copied',
      'checks',
      'copy_rule',
      'method',
    ],
    findings.reaches.flatMap((r) =>
      r.reaches.map((x) => [
        name(r.linkId),
        r.direction,
        x.chance,
        round(x.estimateM, 0),
        round(x.lowM, 0),
        round(x.highM, 0),
        x.seen,
        String(x.extrapolated),
        r.copied,
        r.checks,
        findings.copyRuleInWords,
        'joint model',
      ]),
    ),
  )
}
