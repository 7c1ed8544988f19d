import { describe, expect, it } from 'vitest'
import { messageOf } from '@/core/outcome'
import { checkOf, rig } from '@/core/testing/plans'
import { readEntries } from './readLog'

const entry = (body: object) => ({
  id: '01970000-0000-7000-8000-000000000001',
  runId: 'r',
  device: 'd',
  role: 'out there',
  wallTime: '2026-05-16T08:00:00Z',
  seq: 1,
  supersedes: null,
  body,
})
const said = (body: object, more: object = {}) => {
  const read = readEntries({ entries: [{ ...entry(body), ...more }] }, 'r')
  if (!read.ok) return messageOf(read)
  return read.value.refused[0]?.why ?? 'taken'
}
const fix = { lat: 47.3, lon: -29.5, accuracyM: 4 }
const check = { kind: 'check', ...checkOf('m', 'l', '5 by 7') }
const { markId, linkId, direction, repeat } = check
const key = { markId, linkId, direction, repeat }
const GOOD: [string, object][] = [
  ['a check', check],
  ['a check with its place', { ...check, fix }],
  ['a check of words', { ...check, text: '3 of 5', words: { sent: ['amber'], taken: [] } }],
  ['a loop', { ...check, direction: 'loop' }],
  ['one sent and not yet graded', { ...check, state: 'sent', text: '?' }],
  [
    'a comparison',
    { kind: 'compare', markId: 'm', direction: 'to base', links: ['a', 'b'], said: 'gone', text: '' },
  ],
  [
    'an edge',
    { kind: 'edge', legId: 'l', linkId: 'a', direction: 'to base', what: 'first lost', distanceM: 900, fix },
  ],
  ['a no-look mark', { kind: 'state', linkId: 'a', way: 'out', state: null, distanceM: null, fix: null }],
  ['noise', { kind: 'noise', markId: null, text: 'S2', note: '' }],
  ['a clock', { kind: 'clock', startsAt: '2026-05-16T08:00:00Z', everyS: 60, on: true }],
  [
    'a photo of a check',
    { kind: 'media', mediaId: 'p', what: 'photo', type: 'image/jpeg', seconds: null, about: key, note: '' },
  ],
  [
    'a sound of nothing in particular',
    {
      kind: 'media',
      mediaId: 's',
      what: 'sound',
      type: 'audio/webm;codecs=opus',
      seconds: 4,
      about: null,
      note: '',
    },
  ],
  [
    'a recording that is not aligned yet',
    { kind: 'recording', mediaId: 'r', name: 'a.wav', at: 'base', seconds: 60, startsAt: null, aligned: '' },
  ],
  ['a check asked for once more', { kind: 'repeat', key: { ...key, repeat: 2 } }],
  ['a grade', { kind: 'grade', checkId: 'c', listener: 'first', text: '4 by 5', blind: true }],
  [
    'throughput',
    {
      kind: 'carried',
      markId: 'm',
      linkId: 'l',
      direction: 'to base',
      what: 'throughput',
      value: 12,
      server: 's',
      path: '',
      cap: 50,
    },
  ],
  [
    'a rig nobody planned',
    {
      kind: 'link',
      link: { id: 'n', letter: 'N', name: 'whip', base: rig('z'), out: rig('n') },
      notAt: [],
      described: false,
    },
  ],
  ['a scan', { kind: 'scan', markId: 'm', channels: [{ channel: '6', level: '-71', others: null }] }],
  ['a track', { kind: 'track', points: [[1, 47, -29, null]] }],
  ['conditions', { kind: 'conditions', when: 'start', values: { weather: 'rain' }, ticked: ['x'] }],
  ['a change', { kind: 'change', what: 'attenuator', linkId: null, db: 10, text: '' }],
  ['a blind order', { kind: 'blind', on: true, letters: { a: 'K' } }],
  ['a peg measured', { kind: 'measured', markId: 'm', how: 'tape', distanceM: 31, distanceSdM: 0.5 }],
  ['an order of legs', { kind: 'leg order', legIds: ['a'] }],
  [
    'another station',
    { kind: 'station', name: 'M9', place: '', direction: 'to base', linkId: null, text: '' },
  ],
]
const BAD: [string, object, RegExp][] = [
  ['no kind', {}, /kind/],
  ['a kind nobody knows', { kind: 'dance' }, /kind/],
  ['a check without a report', { ...check, text: '' }, /text/],
  ['a check in no direction', { ...check, direction: 'sideways' }, /direction/],
  ['no calls', { ...check, calls: 0 }, /calls/],
  ['a place off the globe', { ...check, fix: { ...fix, lat: 97 } }, /fix\.lat/],
  [
    'a comparison of three',
    { kind: 'compare', markId: 'm', direction: 'to base', links: ['a', 'b', 'c'], said: 'gone', text: '' },
    /links/,
  ],
  [
    'a comparison in other words',
    { kind: 'compare', markId: 'm', direction: 'to base', links: ['a', 'b'], said: 'meh', text: '' },
    /said/,
  ],
  [
    'an edge at no distance',
    { kind: 'edge', legId: 'l', linkId: 'a', direction: 'to base', what: 'first lost', fix: null },
    /distanceM/,
  ],
  [
    'a way that is none',
    { kind: 'state', linkId: 'a', way: 'up', state: null, distanceM: null, fix: null },
    /way/,
  ],
  ['a scan of nothing', { kind: 'scan', markId: null, channels: [] }, /channels/],
  ['a track of pairs', { kind: 'track', points: [[1, 2]] }, /points/],
  [
    'an attenuator that amplifies',
    { kind: 'change', what: 'attenuator', linkId: null, db: -3, text: '' },
    /db/,
  ],
  [
    'a peg at nought',
    { kind: 'measured', markId: 'm', how: 'tape', distanceM: 0, distanceSdM: 1 },
    /distanceM/,
  ],
  [
    'a clock that never stops',
    { kind: 'clock', startsAt: '2026-05-16T08:00:00Z', everyS: 1, on: true },
    /everyS/,
  ],
  [
    'a text as a photo',
    { kind: 'media', mediaId: 'p', what: 'photo', type: 'text/html', seconds: null, about: null, note: '' },
    /picture or a sound/,
  ],
  ['a grade of nothing', { kind: 'grade', checkId: 'c', listener: 'first', text: '', blind: true }, /text/],
  [
    'a cap of nought',
    {
      kind: 'carried',
      markId: 'm',
      linkId: 'l',
      direction: 'to base',
      what: 'delay',
      value: 1,
      server: 's',
      path: '',
      cap: 0,
    },
    /cap/,
  ],
  [
    'a link without ends',
    { kind: 'link', link: { id: 'n', letter: 'N', name: 'w' }, notAt: [], described: false },
    /base|out/,
  ],
]

const { fix: _fix, ...state } = {
  kind: 'state',
  linkId: 'a',
  way: 'out',
  state: null,
  distanceM: null,
  fix: null,
}
const INNER: [string, unknown, RegExp][] = [
  ['a figure as a report', { ...check, text: 57 }, /text must be a text/],
  ['a text as a number of calls', { ...check, calls: '2' }, /calls must be a number/],
  ['a report of 1,049 letters', { ...check, text: 'x'.repeat(1049) }, /at most 200 letters/],
  ['a remark of 1,049 letters', { ...check, remark: 'x'.repeat(1049) }, /at most 1000 letters/],
  ['a field nobody knows', { ...check, colour: 'red' }, /unknown in it: colour/],
  ['a field nobody knows, further in', { ...check, fix: { ...fix, mood: 1 } }, /fix has something unknown/],
  [
    'an object for a condition',
    { kind: 'conditions', when: 'start', values: { weather: {} }, ticked: [] },
    /weather must be a text/,
  ],
  [
    'a list in place of conditions',
    { kind: 'conditions', when: 'start', values: [], ticked: [] },
    /values must be an object/,
  ],
  ['a list written as text', { kind: 'leg order', legIds: '["a"]' }, /legIds must be a list/],
  [
    'a link with an empty base',
    {
      kind: 'link',
      link: { id: 'n', letter: 'N', name: 'w', base: {}, out: rig('n') },
      notAt: [],
      described: false,
    },
    /base\.id/,
  ],
  ['__proto__ as an id', { ...check, markId: '__proto__' }, /markId is no id/],
  [
    '__proto__ as a key',
    { kind: 'blind', on: true, letters: JSON.parse('{"__proto__":"K"}') as object },
    /no key/,
  ],
  ['__proto__ as a field', JSON.parse('{"kind":"note","text":"x","__proto__":{"a":1}}'), /must be an object/],
  ['a way without its place', state, /fix/],
  ['a place without its accuracy', { ...check, fix: { lat: 47, lon: -29 } }, /accuracyM/],
  ['a list for a body', [check], /body/],
  ['nothing for a body', null, /body/],
]

describe('entries at the border', () => {
  it.each(GOOD)('takes %s', (_what, body) => expect(said(body)).toBe('taken'))
  it.each(BAD)('refuses %s and names the part', (_what, body, part) => expect(said(body)).toMatch(part))
  it.each(INNER)('refuses %s', (_what, body, part) => expect(said(body as object)).toMatch(part))
  it('stores what it returned: ends trimmed, nothing beside', () => {
    const read = readEntries({ entries: [entry({ ...check, text: ' 5 by 7 ' })] }, 'r')
    expect(read.ok && read.value.entries[0]!.body).toEqual({ ...check })
  })
  it('refuses an entry of another run', () => {
    const read = readEntries({ entries: [entry(check)] }, 'other')
    expect(read.ok && read.value.refused[0]!.why).toMatch(/belongs to another run/)
  })
  it.each([
    ['an id that is none', { id: 'x' }, /UUID/],
    ['a time that is none', { wallTime: 'noon' }, /wallTime/],
    ['a negative place in the order', { seq: -1 }, /seq/],
    ['a nameless device', { device: '' }, /device/],
  ])('refuses %s', (_what, more, part) => expect(said(check, more)).toMatch(part))
  it('one that cannot be taken holds up none of the others', () => {
    const long = {
      ...entry({ ...check, remark: 'x'.repeat(100_000) }),
      id: '01970000-0000-7000-8000-000000000002',
    }
    const read = readEntries({ entries: [entry(check), long, null] }, 'r')
    expect(read.ok && read.value.entries).toHaveLength(1)
    expect(read.ok && read.value.refused.map((r) => r.id)).toEqual([long.id, 'entry 3'])
    expect(read.ok && read.value.refused[0]!.why).toMatch(/remark/)
  })
  it('refuses more than 500 at once', () => {
    const entries = Array.from({ length: 501 }, () => entry(check))
    const read = readEntries({ entries }, 'r')
    expect(read.ok ? '' : messageOf(read)).toMatch(/500/)
  })
})
