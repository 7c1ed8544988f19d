import { describe, expect, it } from 'vitest'
import { LOOPBACK, refusal, type Door, type Knock } from './guard'

const knock = (more: Partial<Knock>): Knock => ({
  method: 'POST',
  host: '127.0.0.1:3217',
  origin: 'http://127.0.0.1:3217',
  fetchSite: 'same-origin',
  forwarded: false,
  ...more,
})
const DESK: Door = { kind: 'desk', names: LOOPBACK }
const CREW: Door = { kind: 'crew', names: ['192.168.7.4', '[fd00::2]', 'hut.local', 'hut'] }
const FRONT: Door = { kind: 'front', names: ['radio.example.org'] }
const ELSEWHERE = { origin: 'https://elsewhere.example', fetchSite: 'cross-site' }

describe('who is let in', () => {
  it.each<[string, Door, Partial<Knock>]>([
    ['our own page', DESK, {}],
    [
      'our own page by another name of this machine',
      DESK,
      { host: 'localhost:3217', origin: 'http://localhost:3217' },
    ],
    ['our own page by its newer address', DESK, { host: '[::1]:3217', origin: 'http://[::1]:3217' }],
    ['a browser that sends no origin but says that it is ours', DESK, { origin: null }],
    ['reading, whoever asks', DESK, { method: 'GET', ...ELSEWHERE }],
    [
      'a telephone by the machine’s address',
      CREW,
      { host: '192.168.7.4:3243', origin: 'https://192.168.7.4:3243' },
    ],
    ['a telephone by its newer address', CREW, { host: '[fd00::2]:3243', origin: 'https://[fd00::2]:3243' }],
    ['a telephone by the machine’s name', CREW, { host: 'HUT.local:3243', origin: 'https://hut.local:3243' }],
    [
      'another server in front, which says so',
      FRONT,
      { host: 'radio.example.org', origin: 'https://radio.example.org', forwarded: true },
    ],
  ])('%s', (_, door, more) => expect(refusal(knock(more), door)).toBeNull())

  it.each<[string, Partial<Knock>]>([
    ['another page', ELSEWHERE],
    ['a page on another port of this machine', { origin: 'http://127.0.0.1:8080', fetchSite: 'same-site' }],
    ['a page in a sandbox', { origin: 'null', fetchSite: 'cross-site' }],
    ['a form that sends no origin', { origin: null, fetchSite: 'cross-site' }],
    ['a program that says nothing of itself', { origin: null, fetchSite: null }],
  ])('%s changes nothing', (_, more) =>
    expect(refusal(knock(more), DESK)).toBe('Only the pages of this application may change anything here.'),
  )

  it.each<[string, Door, string | null]>([
    ['a foreign name', DESK, 'elsewhere.example'],
    ['a foreign name that begins like ours', DESK, '127.0.0.1.elsewhere.example:3217'],
    ['no name at all', DESK, null],
    ['a name of the room at the desk’s door', DESK, '192.168.7.4:3217'],
    ['a name of the front at the desk’s door', DESK, 'radio.example.org'],
    ['a foreign name at the telephones’ door', CREW, 'hut.local.elsewhere.example'],
    ['the desk’s name at the telephones’ door', CREW, '127.0.0.1:3243'],
    ['a foreign name at the front’s door', FRONT, 'radio.example.org.elsewhere.example'],
    [
      'the desk’s name at the front’s door, as a server in front sends it that was not told better',
      FRONT,
      '127.0.0.1:3218',
    ],
  ])('by %s nobody reads anything', (_, door, host) =>
    expect(refusal(knock({ method: 'GET', host }), door)).toMatch(/not known by that name/),
  )

  it('what another server handed on does not come in by the desk’s own door', () =>
    expect(refusal(knock({ method: 'GET', forwarded: true }), DESK)).toMatch(/machine’s own screen/))
})
