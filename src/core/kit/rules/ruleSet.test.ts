import { describe, expect, it } from 'vitest'
import { EXAMPLE_RULE_SETS, readRuleSet, writeRuleSet } from '..'

describe('rule sets', () => {
  it('go to a file and back', () => {
    for (const rules of EXAMPLE_RULE_SETS)
      expect(readRuleSet(writeRuleSet(rules))).toEqual({ ok: true, value: rules })
  })
  const said = (change: (raw: Record<string, unknown>) => void) => {
    const raw = JSON.parse(writeRuleSet(EXAMPLE_RULE_SETS[0]!))
    change(raw)
    const outcome = readRuleSet(JSON.stringify(raw))
    return outcome.ok ? 'taken' : outcome.problems.map((p) => `${p.where}: ${p.message}`).join(' ')
  }
  it.each([
    ['no JSON', () => readRuleSet('{'), 'This is not JSON'],
    ['a list', () => readRuleSet('[]'), 'is an object with "format"'],
    ['other JSON', () => readRuleSet('{"rigs": []}'), '"format" must be'],
  ] as const)('refuses %s', (_what, read, message) => {
    const outcome = read()
    expect(outcome.ok ? '' : outcome.problems[0]!.message).toContain(message)
  })
  it('refuses what is wrong in it, and says where', () => {
    expect(said((r) => (r.version = 2))).toContain('"version" must be 1')
    expect(said((r) => (r.services = []))).toContain('at least one service')
    expect(said((r) => ((r.services as { toMHz: number }[])[1]!.toMHz = 1))).toContain(
      'services[1].toMHz must be above fromMHz',
    )
    expect(said((r) => ((r.services as { maxErpW: number }[])[0]!.maxErpW = -1))).toContain('must be above 0')
    expect(said((r) => ((r.services as Record<string, unknown>[])[0]!.maxPower = 4))).toContain(
      'something unknown in it: maxPower',
    )
    expect(said((r) => (r.exposure = [{ fromMHz: 30, toMHz: 400 }]))).toContain('needs limitWm2 or perMHz')
  })
})
