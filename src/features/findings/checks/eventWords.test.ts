import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { foldEntries, type EntryBody, type Mark, type TrialPlan } from '@/core/trial'
import { eventLines } from './eventWords'

const plan = {
  links: [
    { id: 'a', name: 'Stub' },
    { id: 'b', name: 'Whip' },
  ],
  marks: [{ id: 'm', name: 'S01', legId: 'l', distanceM: 300 } as Mark],
} as unknown as TrialPlan
const said = (body: EntryBody) => {
  const [line] = eventLines(plan, foldEntries([testEntry(body)]), 'metric')
  return line ? `${line.grave ? '! ' : ''}${line.words}` : 'nothing'
}

describe('what else was logged, in a sentence', () => {
  it.each<[EntryBody, string]>([
    [
      { kind: 'change', what: 'attenuator', linkId: null, db: 10, text: '' },
      '! An attenuator of 10 dB was put in. Levels and differences have it taken out; a copy with it in counts as one made farther out, by the slope measured here.',
    ],
    [
      { kind: 'change', what: 'attenuator', linkId: null, db: 0, text: '' },
      '! The attenuator was taken out.',
    ],
    [
      { kind: 'change', what: 'rig out', linkId: 'a', db: null, text: 'broke' },
      '! Stub was taken out: broke.',
    ],
    [
      {
        kind: 'carried',
        markId: 'm',
        linkId: 'b',
        direction: 'to base',
        what: 'throughput',
        value: 49,
        server: 'own server',
        path: 'relay',
        cap: 50,
      },
      '! Whip to base at S01: throughput 49 Mbit/s, own server, relay, cap 50 Mbit/s; at the cap it says only that the link was not the narrow place.',
    ],
    [
      {
        kind: 'carried',
        markId: 'm',
        linkId: 'b',
        direction: 'to base',
        what: 'delay',
        value: 30,
        server: 'own server',
        path: '',
        cap: null,
      },
      'Whip to base at S01: delay 30 ms, own server.',
    ],
    [
      { kind: 'clock', startsAt: '2026-05-16T08:00:00Z', everyS: 60, on: true },
      'Checks were made by the clock, every 60 s.',
    ],
    [
      {
        kind: 'media',
        mediaId: 'x',
        what: 'sound',
        type: 'audio/ogg',
        seconds: 11.7,
        about: { linkId: 'a', markId: 'm', direction: 'to base', repeat: 1 },
        note: '',
      },
      'A sound, 12 s of Stub at S01.',
    ],
    [{ kind: 'change', what: 'pose', linkId: 'b', db: null, text: 'on the belt' }, '! Whip: on the belt.'],
    [
      { kind: 'conditions', when: 'change', values: { weather: 'rain', ground: '' }, ticked: [] },
      '! Changed: weather rain.',
    ],
    [{ kind: 'conditions', when: 'start', values: {}, ticked: [] }, 'At the start: as ticked.'],
    [
      {
        kind: 'compare',
        markId: 'm',
        direction: 'to base',
        links: ['a', 'b'],
        said: 'a little better',
        text: 'less hiss',
      },
      'At S01, Whip against Stub: a little better, “less hiss”.',
    ],
    [
      {
        kind: 'edge',
        legId: 'l',
        linkId: 'a',
        direction: 'to base',
        what: 'first lost',
        distanceM: 2900,
        fix: null,
      },
      'Stub to base: first lost at 2.9 km.',
    ],
    [
      { kind: 'state', linkId: 'a', way: 'home', state: null, distanceM: null, fix: null },
      'Stub, on the way home: changed, not named yet.',
    ],
    [{ kind: 'noise', markId: 'm', text: 'S2', note: '' }, 'Noise with the transmitter off at S01: S2.'],
    [
      {
        kind: 'scan',
        markId: null,
        channels: [
          { channel: '6', level: '-71', others: 3 },
          { channel: '7', level: '-90', others: 0 },
        ],
      },
      '2 channels scanned, 1 with others on them.',
    ],
    [
      {
        kind: 'station',
        name: 'Marshal 9',
        place: 'HN57',
        direction: 'to base',
        linkId: null,
        text: '5 by 7',
      },
      'Marshal 9, HN57, joined in: 5 by 7.',
    ],
    [{ kind: 'blind', on: false, letters: {} }, '! Unblinded.'],
    [
      { kind: 'measured', markId: 'm', how: 'tape', distanceM: 341, distanceSdM: 1 },
      'S01 was measured: 340 m.',
    ],
    [{ kind: 'track', points: [[1, 47, -29, 5]] }, 'nothing'],
  ])('%#', (body, words) => expect(said(body)).toBe(words))
})
