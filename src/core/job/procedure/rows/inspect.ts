import {
  beadlock,
  clamped,
  doubled,
  locks,
  lockPlaces,
  lockWord,
  marksHeavySpot,
  nipples,
  not,
  school,
  sealedRim,
  spoked,
  tube,
  tubeWas,
  all,
  split,
  twoRings,
  type Row,
} from '../facts';

/** Common practice. */
export const INSPECT: readonly Row[] = [
  {
    id: 'in-clean',
    station: 'inspect',
    say: 'Clean to bare metal where beads and weights sit.',
    why: 'A wet or dirty seat leaks, and the tire creeps.',
    tools: ['solvent, then alcohol and water'],
  },
  {
    id: 'in-cracks',
    station: 'inspect',
    say: 'Look for cracks, dents and corrosion. Start at the valve hole.',
    why: 'That is where water enters.',
    places: () => [{ what: 'valve hole', deg: 0 }],
    reads: 'findings',
  },
  {
    id: 'in-spokes',
    station: 'inspect',
    say: 'Ring the spokes. A dull one is loose.',
    why: (f) =>
      f.wheel.sealed
        ? 'Turning a nipple breaks the seal: seal it again before the tire goes on.'
        : 'Tension now, while the nipples can be reached.',
    caution: 'Spoke work is a skilled job: a wheel pulled out of true breaks spokes.',
    reads: 'spokes',
    when: spoked,
  },
  {
    id: 'in-seal',
    station: 'inspect',
    say: (f) =>
      split(f)
        ? 'Check the seal between the halves: new, and in its groove.'
        : 'Check the spoke seal all around: cracks, lifted edges, damp.',
    why: 'It is all that holds the air.',
    confirm: 'The seal is whole.',
    reads: 'findings',
    when: all(sealedRim, (f) => spoked(f) || split(f)),
  },
  {
    id: 'in-true',
    station: 'inspect',
    say: 'Spin it: runout, up and down and side to side.',
    why: 'At six places or more, from a fixed point on the stand.',
    tools: ['balance stand'],
    reads: 'runout',
  },
  {
    id: 'in-old-weights',
    station: 'inspect',
    say: 'Old weights off, residue off, then alcohol and water.',
    why: 'Solvent leaves a film that weights do not hold on.',
    caution: 'Solvent with air to breathe, or a respirator.',
    tools: ['solvent, then alcohol and water'],
  },
  {
    id: 'in-heavy',
    station: 'inspect',
    say: 'Bare wheel on the stand: let it settle, twice. Mark its heavy spot.',
    why: 'The light mark goes there, and it is often not the valve.',
    tools: ['balance stand'],
    when: marksHeavySpot,
  },
  {
    id: 'in-strip',
    station: 'inspect',
    say: (f) =>
      f.wheel.strips > 1
        ? 'Two rim strips, one over the other: snug, their large holes at the valve.'
        : 'Rim strip: snug, its large hole at the valve.',
    why: 'Bare nipples chafe through the tube.',
    places: () => [{ what: 'large hole', deg: 0 }],
    parts: (f) => [f.wheel.strips > 1 ? `${f.wheel.strips} rim strips` : 'rim strip'],
    troubles: ['strip-caught'],
    when: nipples,
  },
  {
    id: 'in-lock',
    station: 'inspect',
    say: (f) =>
      f.locks.length > 1
        ? `Do the ${lockWord(f)} move? Is the rubber good?`
        : `Does the ${lockWord(f)} move? Is the rubber good?`,
    why: (f) =>
      clamped(f) ? 'A stuck lock pins the bead.' : 'A stuck lock fights you on the last bites.',
    places: lockPlaces,
    parts: (f) => [lockWord(f)],
    troubles: ['lock-stuck'],
    when: locks,
  },
  {
    id: 'in-tube',
    station: 'inspect',
    say: 'Old tube: wash it, pump it up, listen, look along its inside.',
    why: (f) =>
      nipples(f)
        ? 'That is where nipples rub. Its age and its patches decide too.'
        : 'That is where it rubs. Its age and its patches decide too.',
    confirm: 'It holds its air.',
    reads: 'findings',
    // A doubled tube wears the old one as its sleeve.
    when: all(tube, not(doubled), tubeWas, school('tube.school', 'reuse')),
  },
  {
    id: 'in-stem',
    station: 'inspect',
    say: 'New valve stem in, core in it.',
    why: 'Its age is unknown, and it is the cheapest part of the job.',
    places: () => [{ what: 'valve', deg: 0 }],
    parts: ['valve stem, new'],
    when: not(tube),
  },
  {
    id: 'in-halves',
    station: 'inspect',
    say: 'Look at the halves: bolt holes, threads, the faces that meet.',
    why: 'A pulled thread or a bent face lets the rim open under air.',
    caution: 'A cracked half is done: nothing goes on it.',
    reads: 'findings',
    when: all(split),
  },
  {
    id: 'in-gap',
    station: 'inspect',
    say: (f) =>
      `Measure bead ${twoRings(f) ? 'bundles and ring gap, both sides' : 'bundle and ring gap, at several places'}. Note the crush.`,
    why: 'Castings, machining and tires vary, every time.',
    confirm: 'The gap is marked on the wheel.',
    tools: ['caliper'],
    reads: 'crush',
    when: beadlock,
  },
];
