'use client'

import type { Scale } from '@/core/reports'
import { padFor, wordsCopied, wordsFor, type CheckKey } from '@/core/trial'
import type { Draft } from './draft'
import { FigurePad } from './FigurePad'
import { keyRow } from './keyStyles'
import { PadButton } from './PadButton'

interface Props {
  scale: Scale
  draft: Draft
  onDraft: (d: Draft) => void
  /** Draws the pad of words. */
  seed: number
  now: CheckKey
}

function Readability({ draft, onDraft }: Pick<Props, 'draft' | 'onDraft'>) {
  return (
    <div role="group" aria-label="Readability" style={keyRow(5)}>
      {[1, 2, 3, 4, 5].map((r) => (
        <PadButton
          key={r}
          chosen={draft.readability === r}
          aria-label={`Readability ${r}`}
          onClick={() => onDraft({ ...draft, readability: r })}
        >
          {r}
          <small style={{ display: 'block', fontWeight: 400, fontSize: '0.78rem' }}>
            {['carrier', 'broken', 'difficult', 'noisy', 'clear'][r - 1]}
          </small>
        </PadButton>
      ))}
    </div>
  )
}

function Strength({ draft, onDraft }: Pick<Props, 'draft' | 'onDraft'>) {
  const key = (s: number) => (
    <PadButton
      key={s}
      chosen={draft.strength === s}
      aria-label={`Strength ${s}`}
      onClick={() => onDraft({ ...draft, strength: s, overDb: 0 })}
    >
      S{s}
    </PadButton>
  )
  return (
    <div role="group" aria-label="Strength" style={{ display: 'grid', gap: 4 }}>
      <div style={keyRow(5)}>{[1, 2, 3, 4, 5].map(key)}</div>
      <div style={keyRow(5)}>
        {[6, 7, 8, 9].map(key)}
        <PadButton
          disabled={draft.strength !== 9}
          aria-label={draft.overDb ? `${draft.overDb} dB over nine, add ten` : 'Ten dB over nine'}
          chosen={draft.overDb > 0}
          onClick={() => onDraft({ ...draft, overDb: draft.overDb >= 60 ? 0 : draft.overDb + 10 })}
        >
          +{draft.overDb || 10}
        </PadButton>
      </div>
    </div>
  )
}

/** Words that may have come through; the listener taps them, and the score is how many were right. */
function Words({ draft, onDraft, seed, now }: Omit<Props, 'scale'>) {
  const sent = wordsFor(seed, now)
  const toggle = (word: string) => {
    const taken = draft.taken.includes(word) ? draft.taken.filter((w) => w !== word) : [...draft.taken, word]
    const copied = wordsCopied(sent, taken)
    onDraft({ ...draft, taken, figure: taken.length === 0 ? '' : String(copied) })
  }
  return (
    <div role="group" aria-label="Words that came through" style={keyRow(3)}>
      <PadButton
        chosen={draft.taken.length === sent.length && sent.every((w) => draft.taken.includes(w))}
        onClick={() => onDraft({ ...draft, taken: sent, figure: String(sent.length) })}
        style={{ minHeight: 52, gridColumn: '1 / -1', fontSize: '1.05rem' }}
      >
        All {sent.length}
      </PadButton>
      {padFor(seed, now).map((word) => (
        <PadButton
          key={word}
          chosen={draft.taken.includes(word)}
          disabled={!draft.taken.includes(word) && draft.taken.length >= sent.length}
          onClick={() => toggle(word)}
          style={{ minHeight: 52, fontSize: '1rem' }}
        >
          {word}
        </PadButton>
      ))}
    </div>
  )
}

/** The report pad for the listener's scale. */
export function ReportPad({ scale, draft, onDraft, seed, now }: Props) {
  switch (scale.kind) {
    case 'readability-strength':
      return (
        <div style={{ display: 'grid', gap: 8 }}>
          <Readability draft={draft} onDraft={onDraft} />
          <Strength draft={draft} onDraft={onDraft} />
        </div>
      )
    case 'readability':
      return <Readability draft={draft} onDraft={onDraft} />
    case 'strength':
      return <Strength draft={draft} onDraft={onDraft} />
    case 'count':
      if (scale.of === 'words') return <Words draft={draft} onDraft={onDraft} seed={seed} now={now} />
      return (
        <div role="group" aria-label="Copied" style={keyRow(5)}>
          {Array.from({ length: scale.total ?? 5 }, (_, i) => i + 1).map((k) => (
            <PadButton
              key={k}
              chosen={draft.figure === String(k)}
              onClick={() => onDraft({ ...draft, figure: String(k) })}
            >
              {k} of {scale.total ?? 5}
            </PadButton>
          ))}
        </div>
      )
    case 'words':
    case 'heard':
      return (
        <div role="group" aria-label="Report" style={keyRow(2)}>
          {scale.words
            .filter((w) => w.step > 0)
            .map((w) => (
              <PadButton
                key={w.step}
                chosen={draft.word === w.words[0]}
                onClick={() => onDraft({ ...draft, word: w.words[0]! })}
              >
                {w.words[0]}
              </PadButton>
            ))}
        </div>
      )
    default:
      return <FigurePad scale={scale} draft={draft} onDraft={onDraft} />
  }
}
