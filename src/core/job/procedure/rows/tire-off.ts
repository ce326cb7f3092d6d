import {
  all,
  beadlock,
  changer,
  clamped,
  disc,
  leverPlaces,
  lockPlaces,
  locks,
  lockWord,
  not,
  oneRing,
  school,
  several,
  split,
  spoked,
  squeezed,
  tubeWas,
  twoRings,
  valveAndLocks,
  type Facts,
  type Row,
} from '../facts';
import type { Step } from '../step';

const NO_FORCE = 'More force is the wrong answer: stop and find out why.';
const padded = school('disc.levers', 'with a pad');
/** Levers and the disc, by the shop's school; it warps either way. */
export const discCaution = (f: Facts): string =>
  !disc(f)
    ? ''
    : padded(f)
      ? 'A lever near the disc only padded, and resting on the rim. A disc warps.'
      : 'Never hook a lever under the disc.';
const leverTools = (f: Facts): string[] =>
  changer(f) ? ['changer', 'rim protectors'] : ['three levers', 'rim protectors'];

const leversOff = (f: Facts): Step['shows'] => (changer(f) ? null : 'levers-off');
const beadPath = (f: Facts): Step['reads'] => (changer(f) ? null : 'bead-path');

const brokenBy = (f: Facts): { say: string; why: string; tools: string[] } =>
  f.has('squeeze breaker')
    ? {
        say: 'Squeeze until one bead lets go.',
        why: 'That side comes off the rim before the tool squeezes again.',
        tools: ['squeeze breaker'],
      }
    : f.has('shoe breaker')
      ? {
          say: 'Break both beads: the shoe close to the flange, not touching it.',
          why: 'Go gently near the valve. Check the supports again after each turn-over.',
          tools: ['shoe breaker'],
        }
      : {
          say: 'Break both beads.',
          why: 'Knee or foot, or two levers an inch apart, curve up. Go gently near the valve.',
          tools: ['three levers'],
        };

/** Common practice; the hazard of a split rim or a beadlock under air comes first. */
export const TIRE_OFF: readonly Row[] = [
  {
    id: 'toff-split-deflate',
    station: 'tire-off',
    say: 'Deflate fully. Core out. Wait until it is silent.',
    why: (f) =>
      split(f)
        ? 'A split rim under air comes apart with force.'
        : 'A ring under air comes off with force.',
    confirm: 'No sound at the stem, and the tire gives under the thumb.',
    caution: (f) =>
      `Deflate fully before undoing any ${split(f) ? 'rim' : 'ring'} bolt. It can kill.`,
    tools: ['valve core tool'],
    reads: 'air-out',
    when: clamped,
  },
  {
    id: 'toff-core',
    station: 'tire-off',
    say: 'Valve cap and core out. Two hands: it flies.',
    why: 'All air out before anything else.',
    confirm: 'No sound at the stem.',
    places: (f) => valveAndLocks(f).slice(0, 1),
    tools: ['valve core tool'],
    when: not(clamped),
  },
  {
    id: 'toff-nut',
    station: 'tire-off',
    say: 'Take the nut off the valve.',
    why: 'A hanging valve tears its tube.',
    places: (f) => valveAndLocks(f).slice(0, 1),
    tools: ['wrench for the valve nut'],
    when: tubeWas,
  },
  {
    id: 'toff-lock',
    station: 'tire-off',
    say: (f) => `Back the ${lockWord(f)} off to the last two threads and push in.`,
    why: (f) =>
      several(
        f,
        'It must move freely, or the bead stays pinned.',
        'They must move freely, or the bead stays pinned.',
      ),
    confirm: (f) =>
      f.locks.length > 2 ? 'All move freely.' : several(f, 'It moves freely.', 'Both move freely.'),
    caution: (f) =>
      `If ${several(f, 'it', 'one')} sticks, press with a lever laid across it, or tap the lever.${disc(f) ? ' Never near the disc.' : ''}`,
    guards: 'part',
    places: lockPlaces,
    tools: ['wrench for the rim lock'],
    troubles: ['lock-stuck'],
    when: all(locks, not(clamped)),
  },
  {
    id: 'toff-break',
    station: 'tire-off',
    say: (f) => brokenBy(f).say,
    why: (f) => brokenBy(f).why,
    caution: (f) => (disc(f) ? 'Never with the disc underneath.' : ''),
    guards: 'part',
    places: valveAndLocks,
    tools: (f) => [...brokenBy(f).tools, 'wheel stand, bucket or blocks'],
    troubles: ['bead-stuck', 'lock-stuck', 'lever-slips'],
    when: not(clamped),
  },
  {
    id: 'toff-break-split',
    station: 'tire-off',
    say: 'Undo the rim bolts evenly and lift the halves apart.',
    why: 'Break the beads first where they stick.',
    tools: ['sockets for the rim bolts'],
    troubles: ['bead-stuck'],
    caution: 'Deflated first: a split rim under air comes apart with force.',
    wants: 'air-out',
    when: split,
  },
  {
    id: 'toff-ring',
    station: 'tire-off',
    say: (f) =>
      twoRings(f)
        ? 'Undo the bolts of one ring evenly and lift it off, then the other ring.'
        : 'Undo the ring bolts evenly and lift the ring off.',
    why: (f) =>
      `Keep bolts and washers together: mark where ${twoRings(f) ? 'each ring sat, and on which side' : 'the ring sat'}.`,
    tools: ['sockets for the ring bolts'],
    troubles: ['bead-stuck'],
    caution: 'Deflated first: a ring under air comes off with force.',
    wants: 'air-out',
    when: beadlock,
  },
  {
    id: 'toff-soap',
    station: 'tire-off',
    say: 'Lubricate the beads. Protect the rim.',
    why: 'A dry bead asks for force.',
    parts: ['lubricant for beads'],
    tools: ['rim protectors'],
    when: not(clamped),
  },
  {
    id: 'toff-strap',
    station: 'tire-off',
    say: 'Strap the wheel round the spoke best in line with the pull.',
    why: 'The strap pulls along the spoke and bends nothing.',
    caution: 'Never a pin that bends spokes.',
    guards: 'part',
    tools: ['strap'],
    when: all(changer, spoked),
  },
  {
    id: 'toff-first',
    station: 'tire-off',
    say: (f) =>
      changer(f)
        ? `Head on just past the ${f.locks.length > 0 ? lockWord(f) : 'valve'}: first bead off, the far side down in the well.`
        : 'Lever the first bead off in small bites. Kneel the far side into the well.',
    why: (f) =>
      changer(f)
        ? tubeWas(f)
          ? 'Go slowly at first: that is when tubes get pinched.'
          : 'Go slowly at first, and watch the bead come over.'
        : tubeWas(f)
          ? 'The first bites pinch tubes. A lever that has hooked the bead goes no deeper.'
          : 'A lever that has hooked the bead goes no deeper.',
    caution: (f) => `${discCaution(f)} ${NO_FORCE}`.trim(),
    guards: 'part',
    sideUp: 'other',
    places: leverPlaces('off'),
    tools: leverTools,
    reads: beadPath,
    troubles: ['bite-stuck', 'lever-slips', 'lock-stuck'],
    shows: leversOff,
    when: not(clamped),
  },
  {
    id: 'toff-tube',
    station: 'tire-off',
    say: 'Pull the tube out. Write down its age.',
    why: 'Its wear tells what the rim did to it.',
    reads: 'findings',
    when: (f) => tubeWas(f) && (clamped(f) || f.school('tube.out') === 'at once'),
  },
  {
    id: 'toff-tube-feel',
    station: 'tire-off',
    say: 'Feel where the tube lies, and keep the levers off it.',
    why: 'It stays in to save a step: the second bead pinches it first.',
    troubles: ['tube-showing'],
    when: all(tubeWas, not(clamped), school('tube.out', 'left in')),
  },
  {
    id: 'toff-squeeze',
    station: 'tire-off',
    say: 'Squeeze again: the second bead.',
    why: 'With the first side still on, the tool would only fold the tire.',
    caution: (f) => (disc(f) ? 'Never with the disc underneath.' : ''),
    guards: 'part',
    tools: ['squeeze breaker'],
    troubles: ['bead-stuck'],
    when: all(not(clamped), squeezed),
  },
  {
    id: 'toff-second',
    station: 'tire-off',
    say: (f) =>
      changer(f)
        ? 'Second bead over the head, the rim lifts out.'
        : f.locks.length > 0
          ? `Second bead: from both sides toward the ${several(f, 'lock', 'locks')}, stop short, and the rim walks out.`
          : 'Second bead off, the rim walks out.',
    why: 'Drop the far side of the rim first.',
    caution: (f) => `${discCaution(f)} ${NO_FORCE}`.trim(),
    guards: 'part',
    places: leverPlaces('off'),
    tools: leverTools,
    reads: beadPath,
    troubles: ['bite-stuck', 'tube-showing', 'lever-slips'],
    shows: leversOff,
    when: not(clamped),
  },
  {
    id: 'toff-tube-late',
    station: 'tire-off',
    say: 'Tube out of the tire. Write down its age.',
    why: 'Its wear tells what the rim did to it.',
    reads: 'findings',
    when: all(tubeWas, not(clamped), school('tube.out', 'left in')),
  },
  {
    id: 'toff-inner',
    station: 'tire-off',
    say: 'Break the inner bead and lubricate it.',
    why: 'One ring frees one bead. The other sits on the rim like any other.',
    caution: (f) => (disc(f) ? 'Never with the disc underneath.' : ''),
    guards: 'part',
    parts: ['lubricant for beads'],
    tools: ['bead breaker'],
    troubles: ['bead-stuck'],
    when: oneRing,
  },
  {
    id: 'toff-second-clamped',
    station: 'tire-off',
    say: (f) =>
      oneRing(f) ? 'Lever the inner bead over the rim, tire off.' : 'Take the tire off the rim.',
    why: 'Look at both beads as they come.',
    reads: 'findings',
    tools: (f) => (oneRing(f) ? ['three levers', 'rim protectors'] : []),
    when: clamped,
  },
];
