import {
  all,
  beadlock,
  changer,
  clamped,
  doubled,
  leverPlaces,
  locks,
  lockPlaces,
  lockWord,
  nipples,
  not,
  oneRing,
  school,
  several,
  split,
  spoked,
  tube,
  twoRings,
  type Facts,
  type Row,
} from '../facts';
import { lightMarkPlace, lightMarkSays } from '../../../bench/beads';
import type { Step } from '../step';
import { discCaution } from './tire-off';

const powderOn = (f: Facts): string =>
  f.school('powder.where') === 'in the tire'
    ? 'Powder inside the tire'
    : f.school('powder.where') === 'both'
      ? 'Powder the tube and inside the tire'
      : 'Powder the tube';
const leverTools = (f: Facts): string[] =>
  changer(f) ? ['changer', 'rim protectors'] : ['three levers', 'rim protectors', 'bead keeper'];
const beadPath = (f: Facts): Step['reads'] => (changer(f) ? null : 'bead-path');
const mark = (f: Facts) => lightMarkPlace(f.school('lightMark.to'), f.wheel.heavySpotDeg);

/** Common practice. */
export const TIRE_ON: readonly Row[] = [
  {
    id: 'on-arrow',
    station: 'tire-on',
    say: (f) =>
      f.tire.arrows
        ? 'Find the arrow. Check it three times.'
        : 'No arrow on it: read which way the wheel turns.',
    why: 'A tire on backwards is the whole job again.',
    sideUp: 'other',
    troubles: ['wrong-way'],
    shows: 'arrow',
  },
  {
    id: 'on-shake',
    station: 'tire-on',
    say: 'Shake the new tire out, labels off. Warm a stiff one.',
    why: 'Grit and a curled label both wear through.',
    parts: ['tire'],
  },
  {
    id: 'on-sleeve',
    station: 'tire-on',
    say: 'Slit an old tube around its inside, valve cut out, powder it, and wear it around the new one.',
    why: 'It stops pinch flats, not nails.',
    confirm: 'No fold between sleeve and tube.',
    parts: ['old tube, as a sleeve', 'talc'],
    when: doubled,
  },
  {
    id: 'on-powder',
    station: 'tire-on',
    say: (f) => `${powderOn(f)}, thin and all round.`,
    why: 'It settles without sticking, and does not drag its valve over. Shake the rest out.',
    parts: ['talc'],
    when: tube,
  },
  {
    id: 'on-tube-air',
    station: 'tire-on',
    say: (f) =>
      doubled(f)
        ? 'Core in, a breath of air: a doubled tube wants less.'
        : 'Core in, just enough air to hold the tube’s shape.',
    why: 'Too little folds and pinches; too much will not go in.',
    confirm: 'The gauge does not move.',
    parts: ['tube'],
    tools: ['valve core tool'],
    when: tube,
  },
  {
    id: 'on-soap',
    station: 'tire-on',
    say: 'Lubricate both faces of the beads generously.',
    why: (f) =>
      tube(f)
        ? 'Never an oil that stays slippery: the tire creeps and the valve shears.'
        : 'Never an oil that stays slippery: the tire creeps on the rim.',
    parts: ['lubricant for beads'],
  },
  {
    id: 'on-strap',
    station: 'tire-on',
    say: 'Strap the wheel round the spoke best in line with the pull.',
    why: 'The strap pulls along the spoke and bends nothing.',
    caution: 'Never a pin that bends spokes.',
    guards: 'part',
    tools: ['strap'],
    when: all(changer, spoked, not(clamped)),
  },
  {
    id: 'on-tube-inside',
    station: 'tire-on',
    say: 'Tube into the tire, valve through the hole, nut on two turns.',
    why: 'Tire and tube go on together. No hunting for the hole.',
    places: () => [{ what: 'valve', deg: 0 }],
    troubles: ['valve-leans'],
    when: all(tube, not(clamped), school('tube.in', 'with the tire')),
  },
  {
    id: 'on-first',
    station: 'tire-on',
    say: (f) =>
      f.locks.length === 0
        ? 'First bead on, by hand and knees.'
        : f.school('lock.firstBead') === 'held in'
          ? `First bead on. Keep the ${lockWord(f)} pushed in.`
          : `First bead on, then over the ${lockWord(f)} with a lever on each side.`,
    why: (f) =>
      nipples(f)
        ? 'Check that the strip is not caught under the bead.'
        : 'Check that nothing is caught under the bead.',
    sideUp: 'other',
    places: lockPlaces,
    reads: beadPath,
    troubles: ['bite-stuck', 'strip-caught', 'lock-stuck', 'wrong-way'],
    when: not(clamped),
  },
  {
    id: 'on-inner',
    station: 'tire-on',
    say: 'Inner bead over the rim first, down into the well.',
    why: 'The ring holds the outer bead alone.',
    sideUp: 'other',
    tools: ['three levers', 'rim protectors'],
    parts: ['lubricant for beads'],
    when: oneRing,
  },
  {
    id: 'on-tube-clamped',
    station: 'tire-on',
    say: 'Tube into the tire, valve through the hole, nut on two turns.',
    why: 'Once the rim is bolted together it can’t go in.',
    places: () => [{ what: 'valve', deg: 0 }],
    troubles: ['valve-leans'],
    when: all(tube, clamped),
  },
  {
    id: 'on-mark-clamped',
    station: 'tire-on',
    say: (f) =>
      mark(f).isHeavySpotMissing ? lightMarkSays(mark(f)) : `Line it up. ${lightMarkSays(mark(f))}`,
    why: 'Usually the lightest point. Once bolted together, the tire can’t be turned.',
    places: (f) => [{ what: 'light mark', deg: mark(f).deg }],
    shows: 'light-mark',
    when: (f) => f.tire.lightMark && clamped(f),
  },
  {
    id: 'on-split',
    station: 'tire-on',
    say: 'Tire on the first half, then the second half down on it.',
    why: (f) =>
      tube(f)
        ? 'No tube between the halves. Every rim bolt started by hand, then pulled down evenly.'
        : 'Every rim bolt started by hand, then pulled down evenly.',
    confirm: 'The halves meet all round.',
    caution: 'Rim bolts first, air last.',
    tools: ['sockets for the rim bolts'],
    troubles: ['tube-showing'],
    when: split,
  },
  {
    id: 'on-split-torque',
    station: 'tire-on',
    say: 'Torque the rim bolts, crossing, two passes.',
    why: 'A bolt that the others have let go carries nothing.',
    caution: 'All rim bolts torqued before any air goes in. Values from the maker’s manual.',
    tools: ['torque wrench'],
    shows: 'ring',
    troubles: ['bolt-spins'],
    when: split,
  },
  {
    id: 'on-step',
    station: 'tire-on',
    say: (f) =>
      twoRings(f)
        ? 'Soapy bead onto the step all round, then its ring; then the other side.'
        : 'Soapy bead onto the step all round, then the ring.',
    why: (f) =>
      twoRings(f)
        ? 'Each side is measured, clamped and torqued on its own.'
        : 'A bead that is not down on the step tilts the ring.',
    confirm: (f) =>
      twoRings(f)
        ? 'Both beads lie on their steps all round.'
        : 'The bead lies on the step all round.',
    parts: ['lubricant for beads'],
    when: beadlock,
  },
  {
    id: 'on-ring',
    station: 'tire-on',
    say: (f) => `Anti-seize, every bolt by hand, then half a turn each, ${f.school('ring.order')}.`,
    why: (f) =>
      twoRings(f)
        ? 'The gap at each ring’s edge closes evenly.'
        : 'The gap at the ring’s edge closes evenly.',
    caution:
      'Deflated first. Only a torque wrench finishes ring bolts. The maker’s manual decides the value.',
    reads: 'ring-gap',
    shows: 'ring',
    troubles: ['ring-tilts', 'bead-off-step', 'bolt-spins'],
    confirm: 'The gap is even all round before any torque.',
    parts: ['anti-seize'],
    tools: ['sockets for the ring bolts'],
    when: beadlock,
  },
  {
    id: 'on-ring-torque',
    station: 'tire-on',
    say: (f) =>
      `Torque the ${twoRings(f) ? 'bolts of both rings' : 'ring bolts'}, ${f.school('ring.order')}, two passes${twoRings(f) ? ' each' : ''}.`,
    why: 'The second pass finds bolts that the settling bead has let go.',
    caution: 'Deflated first. Only a torque wrench finishes. The maker’s value binds.',
    tools: ['torque wrench'],
    reads: 'ring-gap',
    shows: 'ring',
    troubles: ['ring-tilts', 'bead-off-step', 'bolt-spins'],
    when: beadlock,
  },
  {
    id: 'on-tube',
    station: 'tire-on',
    say: 'Tube in, valve through the hole, nut on two turns.',
    why: 'A leaning stem tears. Work the tube round until it stands square.',
    places: () => [{ what: 'valve', deg: 0 }],
    troubles: ['valve-leans', 'tube-showing'],
    when: all(tube, not(clamped), school('tube.in', 'after the first bead')),
  },
  {
    id: 'on-lock-feel',
    station: 'tire-on',
    say: (f) =>
      f.locks.length > 1
        ? `Feel that the tube lies over the ${lockWord(f)}, and that they still move.`
        : `Feel that the tube lies over the ${lockWord(f)}, and that it still moves.`,
    why: (f) => several(f, 'A tube under the lock bursts.', 'A tube under a lock bursts.'),
    places: lockPlaces,
    troubles: ['lock-stuck', 'tube-showing'],
    when: all(tube, locks),
  },
  {
    id: 'on-mark',
    station: 'tire-on',
    say: (f) =>
      mark(f).isHeavySpotMissing ? lightMarkSays(mark(f)) : `Line it up. ${lightMarkSays(mark(f))}`,
    why: (f) =>
      `Usually the lightest point. ${changer(f) ? 'Look again once the bead is on: mounting turns the tire.' : 'Look again after the last bite: levering turns the tire.'}`,
    places: (f) => [{ what: 'light mark', deg: mark(f).deg }],
    shows: 'light-mark',
    when: (f) => f.tire.lightMark && !clamped(f),
  },
  {
    id: 'on-start',
    station: 'tire-on',
    say: (f) =>
      changer(f)
        ? `Second bead: head on just past the ${f.locks.length > 0 ? lockWord(f) : 'valve'}, far side down in the well.`
        : 'Second bead: start here, keeper on, small bites.',
    why: (f) =>
      f.locks.length > 0
        ? `The bead at valve and ${several(f, 'lock', 'locks')} must be able to drop.`
        : 'The bead at the valve must be able to drop.',
    caution: (f) =>
      [discCaution(f), tube(f) ? 'Never a lever on the tube.' : ''].filter(Boolean).join(' '),
    guards: 'part',
    sideUp: 'other',
    places: leverPlaces('on'),
    tools: leverTools,
    reads: beadPath,
    troubles: ['bite-stuck', 'keeper-lifts', 'lever-slips', 'tube-showing'],
    shows: (f) => (changer(f) ? null : 'levers-on'),
    when: not(clamped),
  },
  {
    id: 'on-half',
    station: 'tire-on',
    say: 'Stop. Push the bead you have fitted down into the well.',
    why: (f) =>
      `You are halfway. If it has climbed back up, ${changer(f) ? 'the rest needs' : 'the last bites need'} force, and force ${tube(f) ? 'pinches tubes' : 'hurts beads'}.`,
    caution: (f) => (changer(f) ? 'If the bead climbs, back up.' : 'If the keeper lifts, back up.'),
    guards: 'part',
    places: leverPlaces('on'),
    troubles: ['keeper-lifts', 'bite-stuck', 'tube-showing'],
    shows: 'push-down',
    when: not(clamped),
  },
  {
    id: 'on-last',
    station: 'tire-on',
    say: (f) =>
      `${changer(f) ? 'The last stretch, slowly.' : 'Last bites, smaller.'}${f.locks.length > 0 ? ` Press the ${lockWord(f)} in as the bead passes.` : changer(f) ? ' Hold the far bead down in the well.' : ' Share an awkward last one in two.'}`,
    why: (f) =>
      changer(f)
        ? 'The bead is at its tightest here.'
        : 'The last three or four inches go in one stroke.',
    places: leverPlaces('on'),
    tools: leverTools,
    reads: beadPath,
    troubles: ['bite-stuck', 'keeper-lifts', 'lock-stuck', 'tube-showing'],
    shows: 'push-down',
    when: not(clamped),
  },
  {
    id: 'on-look',
    station: 'tire-on',
    say: (f) =>
      `${tube(f) ? 'Feel all round: no tube on the bead seat. Valve straight.' : 'Look all round: beads clean, stem straight.'}${f.tire.arrows ? ' Arrow again.' : ''}`,
    why: 'Cheaper to find now than under air.',
    places: () => [{ what: 'valve', deg: 0 }],
    troubles: ['tube-showing', 'valve-leans', 'strip-caught', 'wrong-way'],
    shows: 'arrow',
  },
];
