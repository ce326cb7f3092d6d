import { SCHOOL_WHY } from '../../bench/beads';
import { findRule } from '../../base/rules';

/**
 * The methods on which fitters disagree: each choice by its short name, with the reason for it.
 * Common practice.
 */
const WHYS = {
  'bead.break': {
    'hands and levers':
      'Soft tires let go under a knee, or two levers an inch apart; nothing to set up.',
    'shoe breaker': 'One push close to the flange, and the same every time.',
    'squeeze breaker': 'Strong on stiff beads; takes one side off before it squeezes again.',
  },
  'lever.tool': {
    levers: 'The hand feels when a bead is caught.',
    changer: 'Stiff tires without kneeling; the head runs clear of the rim.',
  },
  'bite.start': SCHOOL_WHY,
  'disc.levers': {
    never: 'A disc that carried a lever is a warped disc.',
    'with a pad':
      'Where the disc leaves no room: padded, and the lever rests on the rim, not on the disc.',
  },
  'tube.out': {
    'at once': 'Out before the second bead, it cannot be pinched.',
    'left in': 'Saves a step; felt for first.',
  },
  'tube.school': {
    new: 'Its age is known, and it is the cheapest part that stops a ride.',
    reuse: 'A good tube lasts: pumped up, listened to, looked along the inside.',
  },
  'tube.in': {
    'with the tire': 'No hunting for the valve hole inside the tire.',
    'after the first bead': 'The first bead goes on with nothing in the way.',
  },
  'powder.where': {
    'on the tube': 'Less of it on the floor, and none under the bead.',
    'in the tire': 'The tube slides where it meets the carcass.',
    both: 'Tube, sleeve and tire all slide.',
  },
  'lock.firstBead': {
    'held in': 'The bead passes above the lock in one go.',
    'brought over': 'Both hands for the bead; then a lever on each side lifts it over the lock.',
  },
  'lightMark.to': {
    valve: 'Seen at a glance, and most makers mean it so.',
    'heavy spot': 'The bare wheel’s heavy spot is often not the valve: fewer weights.',
  },
  'ring.order': {
    'round and round': 'The gap closes evenly, half a turn at a time.',
    crossing: 'Opposite bolts by turns keep the ring from tilting.',
  },
  'tube.settle': {
    'let slack': 'The tube settles without being stretched in one place.',
    'straight up': 'One inflation less; the powder does the same work.',
  },
  'valveNut.school': {
    'finger-tight': 'The stem stands square, and the nut cannot saw.',
    'against the cap': 'A creeping tube shows as a leaning stem, not as a torn one.',
    tightened: 'On the road nothing creeps, and nothing rattles.',
  },
  'balance.sides': {
    both: 'Split over both sides, it stays true when the wheel turns fast.',
    one: 'All away from the caliper: nothing to strike.',
    inner: 'All on the inner face, under tape: nothing to throw off at speed.',
  },
} as const satisfies Record<string, Readonly<Record<string, string>>>;

export type School = keyof typeof WHYS;
/** The choices of a method, by their short names. */
export type ChoiceOf<S extends School> = Extract<keyof (typeof WHYS)[S], string>;

/**
 * Rules in which fitters disagree about the way of working; a job may differ from its shop in each.
 */
export const SCHOOLS = Object.keys(WHYS) as readonly School[];

/** The choices of a school, by their short names. */
export const schoolChoices = (school: School): readonly string[] => findRule(school).choices!;

/** Why fitters choose it. Throws for a choice that is none. */
export const schoolWhy = (school: School, choice: string): string => {
  const why = (WHYS[school] as Readonly<Record<string, string>>)[choice];
  if (why === undefined) throw new Error(`${choice} is no choice of ${school}`);
  return why;
};
