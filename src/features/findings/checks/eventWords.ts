import { CONDITIONS, marksNow, type LoggedEvent, type RunLog, type TrialPlan } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'

/** Something of the run that stands beside its checks, in a sentence. */
export interface EventLine {
  id: string
  time: string
  words: string
  /** It touches what the findings say. */
  grave: boolean
  /** A photo or a sound that is kept with the run. */
  media: { id: string; what: 'photo' | 'sound' } | null
}

function wordsOf(e: LoggedEvent, plan: TrialPlan, log: RunLog, units: Units): [string, boolean] | null {
  const { body } = e
  const link = (id: string | null) => plan.links.find((l) => l.id === id)?.name ?? 'another rig'
  const mark = (id: string | null) => marksNow(plan, log).find((m) => m.id === id)?.name ?? 'no mark'
  const far = (m: number) => distanceText(m, units)
  switch (body.kind) {
    case 'change': {
      const why = body.text ? `: ${body.text}` : ''
      if (body.what === 'attenuator')
        return body.db
          ? [
              `An attenuator of ${body.db} dB was put in${body.weakens === 'transmit' ? ', weakening to base only' : body.weakens === 'receive' ? ', weakening from base only' : ''}. Levels and differences have it taken out; a copy with it in counts as one made farther out, by the slope measured here.`,
              true,
            ]
          : ['The attenuator was taken out.', true]
      if (body.what === 'rig out') return [`${link(body.linkId)} was taken out${why}.`, true]
      if (body.what === 'rig back') return [`${link(body.linkId)} was put back${why}.`, true]
      return [`${link(body.linkId)}${why}.`, true]
    }
    case 'conditions': {
      const said = Object.entries(body.values).filter(([, v]) => v.trim() !== '')
      const when = body.when === 'start' ? 'At the start' : body.when === 'end' ? 'At the end' : 'Changed'
      return [
        `${when}: ${said.map(([k, v]) => `${CONDITIONS.find((c) => c.key === k)?.label.toLowerCase() ?? k} ${v}`).join(', ') || 'as ticked'}.`,
        body.when === 'change',
      ]
    }
    case 'compare':
      return [
        `At ${mark(body.markId)}, ${link(body.links[1])} against ${link(body.links[0])}: ${body.said}${body.text ? `, “${body.text}”` : ''}.`,
        false,
      ]
    case 'edge':
      return [`${link(body.linkId)} ${body.direction}: ${body.what} at ${far(body.distanceM)}.`, false]
    case 'state':
      return [
        `${link(body.linkId)}, on the way ${body.way}: ${body.state ?? 'changed, not named yet'}${body.distanceM === null ? '' : ` at ${far(body.distanceM)}`}.`,
        false,
      ]
    case 'noise':
      return [
        `Noise with the transmitter off${body.markId ? ` at ${mark(body.markId)}` : ''}: ${body.text}.`,
        false,
      ]
    case 'scan':
      return [
        `${body.channels.length} channels scanned, ${body.channels.filter((c) => (c.others ?? 0) > 0).length} with others on them.`,
        false,
      ]
    case 'station':
      return [
        `${body.name}${body.place ? `, ${body.place}` : ''}${body.moving ? ', on the move' : ''}${body.distanceM == null ? '' : `, ${far(body.distanceM)} off`}, joined in${body.linkId ? ` on ${link(body.linkId)}` : ''}${body.text ? `: ${body.text}` : ''}${body.linkId && body.against ? `; ${link(body.linkId)} against ${link(body.against.linkId)}: ${body.against.said}` : ''}.`,
        false,
      ]
    case 'blind':
      return [body.on ? 'The order was blind from here.' : 'Unblinded.', !body.on]
    case 'link':
      return [
        `${body.link.name} was added, which nobody had planned${body.described ? '' : '; what it is made of is not described yet'}.`,
        !body.described,
      ]
    case 'clock':
      return [
        body.on ? `Checks were made by the clock, every ${body.everyS} s.` : 'The clock was stopped.',
        false,
      ]
    case 'carried': {
      const unit = body.what === 'throughput' ? 'Mbit/s' : 'ms'
      const capped = body.cap !== null && body.what === 'throughput' && body.value >= 0.95 * body.cap
      const cap = body.cap === null ? '' : `, cap ${body.cap} ${unit}`
      return [
        `${link(body.linkId)} ${body.direction} at ${mark(body.markId)}: ${body.what} ${body.value} ${unit}, ${body.server}${body.path ? `, ${body.path}` : ''}${cap}${capped ? '; at the cap it says only that the link was not the narrow place' : ''}.`,
        capped,
      ]
    }
    case 'media':
      return [
        `${body.what === 'photo' ? 'A photo' : `A sound, ${Math.round(body.seconds ?? 0)} s`}${body.about ? ` of ${link(body.about.linkId)} at ${mark(body.about.markId)}` : ''}.`,
        false,
      ]
    case 'recording':
      return [
        `A recording ${body.at === 'base' ? 'at the base' : 'out there'}: ${body.name}, ${Math.round(body.seconds / 60)} min.`,
        false,
      ]
    case 'measured':
      return [`${mark(body.markId)} was measured: ${far(body.distanceM)}.`, false]
    default:
      return null
  }
}

/** What was logged beside the checks, in the order of its making. */
export function eventLines(plan: TrialPlan, log: RunLog, units: Units): EventLine[] {
  return log.events.flatMap((e) => {
    const found = wordsOf(e, plan, log, units)
    const media = e.body.kind === 'media' ? { id: e.body.mediaId, what: e.body.what } : null
    return found ? [{ id: e.id, time: e.time, words: found[0], grave: found[1], media }] : []
  })
}
