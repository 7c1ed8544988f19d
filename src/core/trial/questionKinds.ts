import {
  ANY_HEARD,
  defaultScale,
  NOMINAL_METER,
  USUAL_COPY_RULE,
  type CopyRule,
  type Scale,
} from '@/core/reports'
import type { Direction } from '@/core/kit/rig/terms'
import type { OrderScheme, QuestionKind, WayOfWorking } from './terms'

/** What a kind of question settles from the start. All of it can be changed under Plan. */
export interface QuestionStart {
  kind: QuestionKind
  /** The question as somebody would say it to somebody else. */
  title: string
  /** When it is the right one. */
  line: string
  /** Offered as name and question of the trial; the question stays as it is unless it is typed over. */
  name: string
  question: string
  way: WayOfWorking
  plan: {
    directions: Direction[]
    scale: Scale
    copyRule: CopyRule
    repeats: number
    orderScheme: OrderScheme
    sameAs: string[]
    surroundings: 'clear' | 'cluttered' | 'mixed'
  }
  /** What to bring together in the kit, in one sentence. */
  kit: string
}

const BY_VOICE: QuestionStart['plan'] = {
  directions: ['to base', 'from base'],
  scale: defaultScale('readability-strength'),
  copyRule: USUAL_COPY_RULE,
  repeats: 1,
  orderScheme: 'balanced',
  sameAs: ['Same operator', 'Same spot at each mark'],
  surroundings: 'mixed',
}

const HEARD = defaultScale('heard')

/** Strangers report by meters that nobody here knows. */
const STRANGERS: Scale = {
  ...(defaultScale('readability-strength') as Extract<Scale, { kind: 'readability-strength' }>),
  strength: { ...NOMINAL_METER, by: 'stranger', stepDb: null },
}

/** The kinds of question a trial can begin with, the most usual first. */
export const QUESTION_STARTS: readonly QuestionStart[] = [
  {
    kind: 'antennas',
    title: 'Which antenna, and how far?',
    line: 'Two or more antennas or radios, tried in turn at the same marks.',
    name: 'Which antenna',
    question: 'Which of these antennas reaches farther, and how far?',
    way: 'marks',
    plan: BY_VOICE,
    kit: 'One rig for the base, and one out there for each antenna that is tried.',
  },
  {
    kind: 'one rig',
    title: 'How far does it reach?',
    line: 'One set-up, out along a way until it is lost.',
    name: 'How far',
    question: 'How far does this set-up reach here?',
    way: 'marks',
    plan: BY_VOICE,
    kit: 'One rig for the base and one out there.',
  },
  {
    kind: 'height or power',
    title: 'What do height or power bring?',
    line: 'The same rig on two masts, or at two powers.',
    name: 'Height or power',
    question: 'What does more height or power bring here?',
    way: 'marks',
    plan: BY_VOICE,
    kit: 'The rig that stays, and one for each height or power. A variant of a rig is one tap.',
  },
  {
    kind: 'base then car',
    title: 'First the base, then the car?',
    line: 'Changes at both ends, step by step: what does each step bring?',
    name: 'Step by step',
    question: 'What does each change bring: first at the base, then out there?',
    way: 'marks',
    plan: BY_VOICE,
    kit: 'Two rigs for the base, old and new, and two out there.',
  },
  {
    kind: 'one place',
    title: 'Plug in, plug out',
    line: 'At a desk, on a balcony: what is plugged in changes, the place does not.',
    name: 'At one place',
    question: 'Which of these hears best, here at this place?',
    way: 'one place',
    plan: {
      ...BY_VOICE,
      directions: ['from base'],
      scale: defaultScale('level'),
      copyRule: ANY_HEARD,
      repeats: 5,
      orderScheme: 'on-off-on',
      sameAs: ['Nothing moved but what is plugged in', 'Same settle time before each reading'],
      surroundings: 'cluttered',
    },
    kit: 'One rig for the far end, and one here for each thing that is plugged in.',
  },
  {
    kind: 'edge',
    title: 'Walk until it is lost',
    line: 'Pick a rig, walk, note where it was last heard, take the next.',
    name: 'To the edge',
    question: 'Which of these sets is heard farthest out?',
    way: 'edges',
    plan: { ...BY_VOICE, directions: ['to base'], scale: HEARD, copyRule: ANY_HEARD },
    kit: 'One rig for the base, and one for each set that is walked out.',
  },
  {
    kind: 'site',
    title: 'Is this the place for a relay or a link?',
    line: 'What is covered from here; then the same from another place.',
    name: 'A place for the relay',
    question: 'How far and how surely is the ground covered from this place?',
    way: 'marks',
    plan: BY_VOICE,
    kit: 'One rig for the relay or the base, and one out there for each kind that must get through.',
  },
  {
    kind: 'short wave',
    title: 'Short wave: two antennas, many contacts',
    line: 'Reports of other stations, switched from one antenna to the other.',
    name: 'Two antennas on short wave',
    question: 'Which of two antennas is heard better, at which distances and hours?',
    way: 'anywhere',
    plan: {
      ...BY_VOICE,
      directions: ['from base'],
      scale: STRANGERS,
      sameAs: ['Same power', 'Both antennas within a minute'],
      surroundings: 'mixed',
    },
    kit: 'Two rigs for the base, one for each antenna, and one out there for whoever answers.',
  },
  {
    kind: 'by ear',
    title: 'By ear on the way',
    line: 'A signal that is on all the time; note each change: clear, broken, lost, back.',
    name: 'By ear on the way',
    question: 'Along this way, where is it heard clearly, where is it broken, where is it lost?',
    way: 'by ear',
    plan: { ...BY_VOICE, directions: ['from base'], scale: HEARD, copyRule: ANY_HEARD },
    kit: 'One rig for the base, which transmits, and one for each receiver that listens on the way.',
  },
  {
    kind: 'matrix',
    title: 'Antenna and mode together',
    line: 'Each antenna in each mode or at each power: what does either bring?',
    name: 'Antenna and mode',
    question: 'What does the antenna bring, and what the mode?',
    way: 'marks',
    plan: BY_VOICE,
    kit: 'One rig for the base in each mode, and one out there for each antenna in each mode.',
  },
  {
    kind: 'open',
    title: 'Something else',
    line: 'An empty trial; everything is set under Plan.',
    name: '',
    question: '',
    way: 'marks',
    plan: { ...BY_VOICE, sameAs: [] },
    kit: 'Begin with the rig at the base, then add those to compare out there. Two are enough.',
  },
]

/** @returns what a kind of question begins with */
export function startOf(kind: QuestionKind): QuestionStart {
  return QUESTION_STARTS.find((s) => s.kind === kind)!
}
