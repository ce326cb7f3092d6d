import type { Check, Facts } from './check';

const isRing = (f: Facts) => f.build === 'beadlock';
const withTube = (f: Facts) => f.tube;
const bolts = (f: Facts): string => (isRing(f) ? 'ring bolts' : 'rim bolts');

/**
 * The checks on wheels that are clamped, and for a tire that creeps. Common practice; the order is
 * from memory.
 */
export const RING_CHECKS = {
  'ring-tilts': [
    {
      id: 'bead-step',
      check: 'Is the bead down on the step all round?',
      why: 'A bead that rides up holds the ring off on that side.',
      weight: 5,
      when: isRing,
    },
    {
      id: 'pull-open',
      airOut: true,
      check: 'Air out. Loosen the near side half a turn and tighten where the gap is wide.',
      why: 'Bolts run down on one side tilt the ring.',
      weight: 4,
      when: isRing,
    },
    {
      id: 'gap-round',
      check: 'Gap round the ring by feeler, eight places.',
      why: 'It tells a tilt from a dent.',
      weight: 3,
      when: isRing,
    },
    {
      id: 'ring-bent',
      airOut: true,
      check: 'Air out, ring off: lay it on a flat plate. Is it bent?',
      why: 'A ring that was pulled down unevenly stays bent.',
      weight: 2,
      when: isRing,
    },
    {
      id: 'dirt',
      airOut: true,
      check: 'Air out, ring off: is there dirt, sand or old rubber under it?',
      why: 'It holds the ring off at one place.',
      weight: 2,
      when: isRing,
    },
  ],
  'bolt-spins': [
    {
      id: 'thread',
      airOut: true,
      check: 'Air out, bolt out: are its threads and those of the hole whole?',
      why: 'A pulled thread carries nothing, and the next bolt carries for two.',
      weight: 5,
    },
    {
      id: 'insert',
      airOut: true,
      check: 'Air out: does an insert or a stud turn in the rim?',
      why: 'It takes a new one, not more torque.',
      weight: 3,
    },
    {
      id: 'bottoms',
      airOut: true,
      check: (f) => `Air out: are the ${bolts(f)} too long for their holes?`,
      why: 'A bolt that bottoms clicks without clamping.',
      weight: 3,
    },
    {
      id: 'seize',
      airOut: true,
      check: 'Air out: is the head greasy where it should bite, or dry where it should slide?',
      why: 'The maker’s torque is for his lubricant.',
      weight: 2,
    },
  ],
  'bead-off-step': [
    {
      id: 'all-out',
      airOut: true,
      check: 'Air out, ring off, and start over with the bead on the step.',
      why: 'A ring never pulls a bead down onto its step.',
      weight: 5,
      when: isRing,
    },
    {
      id: 'soap',
      check: 'Soapy water on bead and step.',
      why: 'A dry bead hangs on the edge.',
      weight: 4,
      when: isRing,
    },
    {
      id: 'size',
      check: 'Read the tire’s and the step’s diameter again.',
      why: 'A bead of another size does not lie down.',
      weight: 2,
      when: isRing,
    },
  ],
  'ring-leaks': [
    {
      id: 'soap-ring',
      check: 'Soapy water all round: where does it bubble?',
      why: 'The ring’s edge, a bolt and the valve leak alike.',
      weight: 5,
    },
    {
      id: 'crush',
      check: 'Measure bundle and gap: is there crush enough?',
      why: 'Too little crush does not seal.',
      weight: 4,
      when: isRing,
    },
    {
      id: 'second-pass',
      airOut: true,
      check: (f) => `Air out, then torque the ${bolts(f)} again, all of them.`,
      why: 'The bead settles and lets them go.',
      weight: 3,
    },
    {
      id: 'seal',
      airOut: true,
      check: 'Air out, halves apart: is the seal new and in its groove?',
      why: 'It is made for one assembly.',
      weight: 4,
      when: (f) => f.build === 'split' && !f.tube,
    },
    {
      id: 'tube-leaks',
      check: 'Is it the tube? Listen at the valve hole.',
      why: 'Between the halves a tube is pinched.',
      weight: 4,
      when: withTube,
    },
  ],
  'tire-slips': [
    {
      id: 'witness',
      check: 'Paint a witness mark over tire and rim, and look after the next ride.',
      why: 'It tells how far, and whether it goes on.',
      weight: 5,
    },
    {
      id: 'slip-pressure',
      check: 'Is the pressure lower than tube, lock or ring stand?',
      why: 'The bead lets go of its seat.',
      weight: 4,
    },
    {
      id: 'slip-wet',
      check: 'Was the bead put on with oil, or is its seat wet?',
      why: 'What stays slippery lets it creep, and the valve shears.',
      weight: 3,
    },
    {
      id: 'slip-crush',
      check: 'Measure bundle and gap: is there crush enough?',
      why: 'With too little the wheel turns inside the tire.',
      weight: 5,
      when: isRing,
    },
    {
      id: 'slip-lock',
      check: 'Is the rim lock snug?',
      why: 'A loose lock pins nothing.',
      weight: 4,
      when: (f) => f.rimLocks > 0,
    },
  ],
} satisfies Record<string, readonly Check[]>;
