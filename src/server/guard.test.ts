import { describe, expect, it } from 'vitest'
import { refusal, type Knock } from './guard'

const knock = (more: Partial<Knock>): Knock => ({
  method: 'POST',
  host: '127.0.0.1:3217',
  origin: 'http://127.0.0.1:3217',
  fetchSite: 'same-origin',
  ...more,
})
const HOME = 'https://radio.example.org'

describe('who is let in', () => {
  it.each<[string, Partial<Knock>, string | null]>([
    ['our own page', {}, null],
    [
      'our own page by another name of this machine',
      { host: 'localhost:3217', origin: 'http://localhost:3217' },
      null,
    ],
    [
      'our own page by the old protocol’s successor',
      { host: '[::1]:3217', origin: 'http://[::1]:3217' },
      null,
    ],
    ['a browser that sends no origin but says that it is ours', { origin: null }, null],
    [
      'reading, whoever asks',
      { method: 'GET', origin: 'https://elsewhere.example', fetchSite: 'cross-site' },
      null,
    ],
    ['behind a proxy under its own name', { host: 'radio.example.org', origin: HOME }, null],
  ])('%s', (_, more, expected) => expect(refusal(knock(more), HOME)).toBe(expected))
  it.each<[string, Partial<Knock>]>([
    ['another page', { origin: 'https://elsewhere.example', fetchSite: 'cross-site' }],
    ['a page on another port of this machine', { origin: 'http://127.0.0.1:8080', fetchSite: 'same-site' }],
    ['a page in a sandbox', { origin: 'null', fetchSite: 'cross-site' }],
    ['a form that sends no origin', { origin: null, fetchSite: 'cross-site' }],
    ['a program that says nothing of itself', { origin: null, fetchSite: null }],
  ])('%s changes nothing', (_, more) =>
    expect(refusal(knock(more), HOME)).toBe('Only the pages of this application may change anything here.'),
  )
  it.each([
    ['elsewhere.example'],
    ['127.0.0.1.elsewhere.example:3217'],
    ['radio.example.org.elsewhere.example'],
    [null],
  ])('by the name %s nobody reads anything', (host) =>
    expect(refusal(knock({ method: 'GET', host }), HOME)).toMatch(/not known by that name/),
  )
  it('a name of its own counts only where it was set', () =>
    expect(refusal(knock({ method: 'GET', host: 'radio.example.org' }), null)).toMatch(/not known/))
})
