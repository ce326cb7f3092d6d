import { count, listOf, oneOf, quantity, record, text, boolean } from '../../base/fields';
import { counted } from '../../base/units';
import { BUILDS, type Build } from '../../fit/wheels';
import { defineWorking } from '../../base/working';
import type { Check, Facts } from './check';
import { RING_CHECKS } from './ring-checks';
import { SYMPTOMS, type Symptom } from './symptoms';

const withTube = (f: Facts) => f.tube;
const withLock = (f: Facts) => f.rimLocks > 0;
const spokedTube = (f: Facts) => f.build === 'spoked' && f.tube;
const SMALL_RIM_IN = 12;
const small = (f: Facts) =>
  f.rimDiameterIn <= SMALL_RIM_IN ? 'a small rim has a shallow well' : null;

/**
 * The checks, by what is seen. Common practice; the order is from memory until the shop's own log
 * says otherwise.
 */
const CHECKS: Record<Symptom, readonly Check[]> = {
  'bead-stuck': [
    {
      id: 'soap',
      check: 'Lubricate the bead all round and give it time.',
      why: 'A dry bead sticks to its seat.',
      weight: 5,
    },
    {
      id: 'along',
      check: 'Work along the bead, a hand’s breadth at a time.',
      why: 'It lets go a little at a time, not in one place.',
      weight: 4,
    },
    {
      id: 'loose-side',
      check: 'Take the side that is already loose off the rim, then squeeze again.',
      why: 'With one bead loose the tool only folds the tire.',
      weight: 3,
    },
    {
      id: 'lock',
      check: 'Push the rim lock in until it moves freely.',
      why: 'A lock pins the bead where it sits.',
      weight: 4,
      when: withLock,
    },
    {
      id: 'warm',
      check: 'Warm the tire.',
      why: 'A stiff cold tire does not give.',
      weight: 2,
      more: small,
    },
    {
      id: 'air',
      check: 'Is all the air out? Core out, and silent.',
      why: 'A little air holds a bead on its seat.',
      weight: 3,
    },
  ],
  'bite-stuck': [
    {
      id: 'well',
      check: 'Push the bead opposite back down into the well.',
      why: 'It has climbed out: that takes all the slack.',
      weight: 5,
      more: small,
    },
    { id: 'soap', check: 'Lubricate again.', why: 'A dry bead asks for force.', weight: 4 },
    {
      id: 'small-bite',
      check: 'Take a smaller bite.',
      why: 'A big bite lifts more bead than there is slack.',
      weight: 4,
    },
    {
      id: 'tube',
      check: 'Is the tube caught under the bead?',
      why: 'It fills the well, and the next bite pinches it.',
      weight: 3,
      when: withTube,
    },
    {
      id: 'strip',
      check: 'Is the rim strip caught?',
      why: 'A loose strip wanders under the bead.',
      weight: 2,
      when: spokedTube,
    },
    {
      id: 'lock',
      check: 'Is the bead sitting on the rim lock?',
      why: 'The lock has to be pushed in as the bead passes.',
      weight: 3,
      when: withLock,
    },
    { id: 'warm', check: 'Warm the tire.', why: 'A stiff cold tire does not give.', weight: 2 },
    {
      id: 'other-end',
      check: 'Work from the other end.',
      why: 'If one side refuses, the other often goes.',
      weight: 1,
    },
  ],
  'keeper-lifts': [
    {
      id: 'back-up',
      check: 'Back up one bite, and push the fitted part into the well.',
      why: 'It has come out of the well under the keeper.',
      weight: 5,
    },
    {
      id: 'small-bite',
      check: 'Take smaller bites from here.',
      why: 'The slack is nearly used up.',
      weight: 3,
    },
    { id: 'soap', check: 'Lubricate again.', why: 'It has dried, or was rubbed off.', weight: 3 },
  ],
  'tube-showing': [
    {
      id: 'out',
      check: 'Stop. Lever that bite back out and look at the tube.',
      why: 'A pinched tube is a flat on the first ride.',
      weight: 5,
      when: withTube,
    },
    {
      id: 'air',
      check: 'A breath of air so it holds its shape.',
      why: 'Too little air lets it fold.',
      weight: 4,
      when: withTube,
    },
    {
      id: 'push',
      check: 'Push down on the tire so that the tube drops away.',
      why: 'On a narrow tire it lies on the bead seat.',
      weight: 3,
      when: withTube,
    },
    {
      id: 'over-lock',
      check: 'Does it lie over the rim lock and not beneath it?',
      why: 'A tube under the lock bursts.',
      weight: 3,
      when: (f) => withTube(f) && withLock(f),
    },
  ],
  'valve-leans': [
    {
      id: 'round',
      check: 'Work the tube round until the stem stands square.',
      why: 'The tube sits twisted.',
      weight: 5,
      when: withTube,
    },
    {
      id: 'powder',
      check: 'Tube out, powder it, in again.',
      why: 'It sticks and drags its valve over.',
      weight: 3,
      when: withTube,
    },
    {
      id: 'creep',
      check: (f) =>
        `Has the tire crept on the rim? Look at ${withLock(f) ? 'lock and ' : 'the '}pressure.`,
      why: 'A creeping tire takes the tube with it.',
      weight: 3,
      when: withTube,
    },
    {
      id: 'hole',
      check: 'Does the stem fit its hole?',
      why: 'A stem with play leans, and leaks.',
      weight: 2,
    },
  ],
  'lock-stuck': [
    {
      id: 'nut',
      check: 'Nut back to the last two threads, then push.',
      why: 'It has no room to move.',
      weight: 5,
      when: withLock,
    },
    {
      id: 'lever',
      check: (f) =>
        `Press with a lever laid across it, or tap the lever.${f.disc === false ? '' : ' Never near the disc.'}`,
      why: 'Old rubber and dirt hold it.',
      weight: 4,
      when: withLock,
    },
    {
      id: 'tube',
      check: 'Is the tube beneath it?',
      why: 'Then it cannot sit down on the bead.',
      weight: 4,
      when: (f) => withTube(f) && withLock(f),
    },
    {
      id: 'bead',
      check: 'Is the bead above it on the wrong side? Bring it over with a lever on each side.',
      why: 'The bead has to pass above the lock.',
      weight: 3,
      when: withLock,
    },
  ],
  'strip-caught': [
    {
      id: 'out',
      check: 'Lever that bead out and lay the strip flat, its large hole at the valve.',
      why: 'It fills the well and shows the nipples to the tube.',
      weight: 5,
      when: spokedTube,
    },
    {
      id: 'loose',
      check: 'Is it loose? A snug one, or two layers of cloth tape.',
      why: 'A loose strip wanders.',
      weight: 4,
      when: spokedTube,
    },
  ],
  'not-seating': [
    {
      id: 'again',
      check: 'All air out, break the bead, lubricate, inflate again.',
      why: 'Most seat on the second try.',
      weight: 5,
    },
    {
      id: 'bounce',
      check: 'Bounce the wheel at the low place, well under the limit.',
      why: 'It helps the bead over the last step.',
      weight: 3,
    },
    {
      id: 'flow',
      check: 'Core out, for more flow.',
      why: 'A tubeless bead needs the air fast.',
      weight: 3,
      when: (f) => !f.tube,
    },
    {
      id: 'tube',
      check: 'Is a tube caught under the bead?',
      why: 'It keeps the bead from its seat.',
      weight: 3,
      when: withTube,
    },
    {
      id: 'lock',
      check: 'Is the rim lock loose enough?',
      why: 'A snug lock holds one bead down.',
      weight: 3,
      when: withLock,
    },
    {
      id: 'size',
      check: 'Read tire and rim again: the right size?',
      why: 'A wrong size never seats, and bursts.',
      weight: 2,
    },
    {
      id: 'damage',
      check: 'Look at bead and seat for damage and dirt.',
      why: 'A nick or a weld of rubber stops it in one place.',
      weight: 2,
    },
  ],
  'wrong-way': [
    {
      id: 'arrow',
      check: 'Which arrow counts here: road or dirt, front or rear?',
      why: 'Some tires have two, and on the other end it may mean something else.',
      weight: 4,
    },
    {
      id: 'again',
      check: 'It comes off and goes on the other way round.',
      why: 'A tire on backwards is the whole job again.',
      weight: 5,
    },
  ],
  'lever-slips': [
    {
      id: 'deep',
      check: 'Hook the bead, and go no deeper.',
      why: (f) =>
        f.tube
          ? 'A lever that is too deep slips, and finds the tube.'
          : 'A lever that is too deep slips.',
      weight: 4,
    },
    {
      id: 'small-bite',
      check: 'Take a smaller bite.',
      why: 'Too much bead pulls the lever off.',
      weight: 4,
    },
    {
      id: 'wipe',
      check: 'Wipe lever and protector dry.',
      why: 'Lubricant belongs on the bead.',
      weight: 3,
    },
    {
      id: 'hold',
      check: 'A hand on every lever under load; the keeper in between.',
      why: 'A lever that lets go flies.',
      weight: 3,
    },
  ],
  ...RING_CHECKS,
};

const NO_FORCE = 'More force is the wrong answer. Stop, and find out why.';
const SCRAP =
  'After about an hour without progress, and only if the tire is scrap anyway, the bead is cut in two places.';
const UNDER_AIR = 'Never above the limit; nobody over the wheel.';

/** The dangers of each trouble; none is told of another. */
const CAUTIONS: Record<Symptom, readonly string[]> = {
  'bead-stuck': [NO_FORCE, SCRAP],
  'bite-stuck': [NO_FORCE, SCRAP],
  'keeper-lifts': [NO_FORCE],
  'lever-slips': [NO_FORCE],
  'lock-stuck': [NO_FORCE],
  'tube-showing': [NO_FORCE],
  'strip-caught': [NO_FORCE],
  'valve-leans': ['Do not ride on a leaning stem: it tears.'],
  'not-seating': [NO_FORCE, `${UNDER_AIR} After the shop’s number of tries stop and look.`],
  'wrong-way': ['Do not ride with the tire on backwards.'],
  'ring-tilts': [NO_FORCE],
  'bolt-spins': [NO_FORCE],
  'bead-off-step': [NO_FORCE],
  'ring-leaks': [UNDER_AIR],
  'tire-slips': ['Do not ride until it holds: a tire that creeps tears its valve.'],
};

/** Rims that a trouble can be of; any where nothing is said. */
const BUILDS_OF: Partial<Record<Symptom, readonly Build[]>> = {
  'bite-stuck': ['spoked', 'cast'],
  'keeper-lifts': ['spoked', 'cast'],
  'lever-slips': ['spoked', 'cast'],
  'ring-tilts': ['beadlock'],
  'bead-off-step': ['beadlock'],
  'bolt-spins': ['beadlock', 'split'],
  'ring-leaks': ['beadlock', 'split'],
};

/** Whether a wheel of that build can have the trouble. */
export const canHave = (symptom: Symptom, build: Build): boolean =>
  BUILDS_OF[symptom]?.includes(build) ?? true;

/** The number of times a check cured a trouble in this shop. */
export interface Cure {
  symptom: Symptom;
  check: string;
  count: number;
}

interface Input extends Facts {
  symptom: Symptom;
  /** The shop's own log. */
  cures: Cure[];
}

/** A check with its place in the order. */
interface OrderedCheck {
  id: string;
  check: string;
  why: string;
  /** Cured it here so many times. */
  cured: number;
  likelier: string | null;
}

/** A cure of the shop's own counts as much as one step of the recalled order. */
const CURE_WEIGHT = 1;
const MORE_WEIGHT = 2;

/**
 * Trouble checks, the likeliest first for this wheel and this shop.
 *
 * `cures` from the shop's log reorder what is recalled. Common practice: more force is never the answer.
 */
export const trouble = defineWorking<Input, { checks: OrderedCheck[] }>({
  name: 'trouble',
  title: 'Trouble checks',
  input: () => ({
    symptom: oneOf(SYMPTOMS, 'What you see'),
    build: oneOf(BUILDS, 'Rim build'),
    tube: boolean('With a tube'),
    rimLocks: count(0, 3, 'Rim locks'),
    rimDiameterIn: quantity('in', 4, 23, 'Diameter of the rim'),
    disc: boolean('With a brake disc').optional(),
    cures: listOf(
      record(
        {
          symptom: oneOf(SYMPTOMS, 'What was seen'),
          check: text(40, 'What fixed it'),
          count: count(0, 1_000_000, 'How often'),
        },
        'A fix',
      ),
      200,
      'What fixed it before in this shop',
    ),
  }),
  example: {
    symptom: 'bite-stuck',
    build: 'spoked',
    tube: true,
    rimLocks: 1,
    rimDiameterIn: 19,
    cures: [{ symptom: 'bite-stuck', check: 'soap', count: 4 }],
  },
  work({ symptom, cures, ...facts }, show) {
    const curedBy = new Map<string, number>();
    // The same cure told twice is told of other times: they add up.
    for (const c of cures)
      if (c.symptom === symptom) curedBy.set(c.check, (curedBy.get(c.check) ?? 0) + c.count);
    const by = (value: string | ((f: Facts) => string)) =>
      typeof value === 'string' ? value : value(facts);
    const ordered = (canHave(symptom, facts.build) ? CHECKS[symptom] : [])
      .filter((c) => !c.when || c.when(facts))
      .map((c) => {
        const likelier = c.more?.(facts) ?? null;
        const cured = curedBy.get(c.id) ?? 0;
        return {
          ...c,
          check: by(c.check),
          why: by(c.why),
          cured,
          likelier,
          score: c.weight + (likelier ? MORE_WEIGHT : 0) + cured * CURE_WEIGHT,
        };
      })
      .sort((a, b) => b.score - a.score || a.id.localeCompare(b.id));
    for (const c of ordered)
      show.line(
        c.check,
        [
          `recalled ${c.weight}`,
          c.likelier && `${c.likelier} +${MORE_WEIGHT}`,
          c.cured > 0 && `fixed it here ${counted(c.cured, 'time')}`,
        ]
          .filter(Boolean)
          .join(', '),
        c.score,
      );
    if (ordered.length === 0) show.line('nothing', 'this wheel does not have that part', '–');
    show.basis('memory', 'how often each is the cause, until the shop’s log says otherwise');
    if (curedBy.size > 0) show.basis('measured', 'what fixed it in this shop before');
    show.basis('practice', 'what to look at');
    for (const caution of CAUTIONS[symptom]) show.caution(caution);
    if (ordered.some((c) => c.airOut))
      show.caution(
        `Deflate fully before you turn any ${facts.build === 'split' ? 'rim' : 'ring'} bolt. It can kill.`,
      );
    return {
      checks: ordered.map(({ id, check, why, cured, likelier }) => ({
        id,
        check,
        why,
        cured,
        likelier,
      })),
    };
  },
});

/** Whether a check belongs to a symptom. */
export const isCheckOf = (symptom: Symptom, check: string): boolean =>
  CHECKS[symptom].some((c) => c.id === check);
