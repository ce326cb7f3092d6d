import { NUT_SAYS } from '../../../bench/pressure';
import {
  all,
  beadlock,
  humped,
  locks,
  lockPlaces,
  not,
  school,
  tube,
  kind,
  rear,
  twoRings,
  type Row,
} from '../facts';

const nutOnCap = school('valveNut.school', 'against the cap');
const VALVE_NUT: Row = {
  id: 'set-nut',
  station: 'set',
  say: (f) => NUT_SAYS[f.school('valveNut.school')] ?? 'Valve nut as the shop leaves it.',
  why: 'A rubber-sleeved valve takes no nut at all.',
  tools: ['wrench for the valve nut'],
};

/** Seat and Set. Common practice; the limit itself is a working of its own. */
export const AIR: readonly Row[] = [
  {
    id: 'seat-clear',
    station: 'seat',
    say: 'Chuck clipped on, gauge and valve at arm’s length.',
    why: 'A bursting tire or rim kills.',
    confirm: 'Nobody over the wheel.',
    caution: 'Never a flammable gas. Never above the limit.',
    tools: ['compressor, clip-on chuck, gauge'],
  },
  {
    id: 'seat-little',
    station: 'seat',
    say: 'A little air first. Look all round: nothing protrudes.',
    why: 'A tube that shows is pinched at the next pound.',
    troubles: ['tube-showing', 'valve-leans'],
    when: tube,
  },
  {
    id: 'seat-flow',
    station: 'seat',
    say: 'Core out while it seats.',
    why: 'A tubeless bead needs the air fast.',
    tools: ['valve core tool'],
    when: all(not(tube), not(beadlock)),
  },
  {
    id: 'seat-center',
    station: 'seat',
    say: 'A little air to center the bead, then all out again.',
    why: (f) =>
      twoRings(f)
        ? 'Both beads are held: the tire finds its middle between the rings.'
        : 'The locked bead holds; the other one has to find its seat.',
    caution: 'By the tire’s own limit: these run low.',
    when: beadlock,
  },
  {
    id: 'seat-pops',
    station: 'seat',
    say: 'Air in, never past the limit. Listen for the two pops.',
    why: (f) =>
      humped(f)
        ? 'A bead has to climb the safety hump: it wants lubricant, and pops late.'
        : 'Most seat on the second try, with lubricant.',
    troubles: ['not-seating'],
    when: not(beadlock),
  },
  {
    id: 'seat-line',
    station: 'seat',
    say: 'Molded line the same all round, both sides.',
    why: 'A bead that hangs in one place comes off on the road.',
    confirm: 'Both sides looked at.',
    troubles: ['not-seating'],
  },
  {
    id: 'seat-settle',
    station: 'seat',
    say: 'Core out, tube slack, both beads stay? Core in, air again.',
    why: 'The tube settles without being stretched in one place.',
    tools: ['valve core tool'],
    when: all(tube, school('tube.settle', 'let slack')),
  },
  {
    id: 'set-core',
    station: 'seat',
    say: 'Core in, and snug.',
    why: 'It was out for seating, and the water looks at it too.',
    tools: ['valve core tool'],
    when: all(not(tube), not(beadlock)),
  },
  {
    id: 'seat-air',
    station: 'seat',
    say: 'Air back in, to the riding pressure.',
    why: 'A leak shows only under air. The chuck stays clipped on, nobody over the wheel.',
    tools: ['compressor, clip-on chuck, gauge'],
    when: (f) => !tube(f) || beadlock(f),
  },
  {
    id: 'seat-bubbles',
    station: 'seat',
    say: 'Soapy water on bead, stem and core, both sides.',
    why: 'Bubbles mean a leak.',
    parts: ['soapy water'],
    when: not(tube),
  },
  {
    id: 'set-lock',
    station: 'set',
    say: (f) => `${f.locks.length > 1 ? 'Rim locks' : 'Rim lock'} snug now.`,
    why: (f) => `Snug, not tight: overtightening breaks ${f.locks.length > 1 ? 'them' : 'it'}.`,
    places: lockPlaces,
    tools: ['wrench for the rim lock'],
    when: locks,
  },
  { ...VALVE_NUT, when: all(tube, not(nutOnCap)) },
  {
    id: 'set-rollout',
    station: 'set',
    reads: 'rollout',
    say: 'Air to the measuring pressure, then tape the rollout of both driven tires.',
    why: 'An unmatched pair steers the car.',
    confirm: 'Both written down.',
    tools: ['steel tape', 'compressor, clip-on chuck, gauge'],
    when: (f) => (rear(f) && kind('drag')(f)) || (f.wheel.pair === true && !kind('sidecar')(f)),
  },
  {
    id: 'set-match',
    station: 'set',
    reads: 'rollout',
    say: 'Air to the measuring pressure, then tape the rollout: sidecar wheel against the rear.',
    why: 'Two driven wheels must match in circumference.',
    tools: ['steel tape', 'compressor, clip-on chuck, gauge'],
    when: (f) => (rear(f) || f.wheel.pair === true) && kind('sidecar')(f),
  },
  {
    id: 'set-pressure',
    station: 'set',
    say: 'Set the pressure, cold.',
    why: 'With a gauge whose error you know.',
    tools: ['compressor, clip-on chuck, gauge'],
  },
  {
    id: 'set-cap',
    station: 'set',
    say: 'Cap on.',
    why: 'It keeps grit off the core, and is the second seal.',
  },
  // Backed off against the cap: the cap has to be there.
  { ...VALVE_NUT, when: all(tube, nutOnCap) },
];
