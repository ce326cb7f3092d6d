import type { Machine, Wheel } from '../wheels';
import { wheelEnd } from '../wheels/wheel';
import { ruleWord, type RuleValues } from '../rules';
import type { StationId } from '../job/stations';

/** One thing to do, in the order of the work. */
export interface Step {
  id: string;
  station: StationId;
  /** What to do, short and spoken. */
  say: string;
  why: string;
  caution?: string;
  /** What the dial shows for this step, beside valve and locks. */
  shows?: 'levers-off' | 'levers-on' | 'push-down' | 'light-mark' | 'arrow' | 'spokes' | 'runout' | 'findings';
}

export interface ProcedureInput {
  machine: Pick<Machine, 'kind' | 'drive'>;
  wheel: Wheel;
  /** With a tube in the tire that goes on. */
  tube: boolean;
  lightMark: boolean;
  rules: RuleValues;
}

interface Facts extends ProcedureInput {
  locks: number;
  rear: boolean;
  disc: boolean;
  spoked: boolean;
  split: boolean;
  beadlock: boolean;
  tubeWas: boolean;
}

type When = (facts: Facts) => boolean;
type Row = Omit<Step, 'say'> & { say: string | ((f: Facts) => string); when?: When };

const all =
  (...tests: When[]): When =>
  (f) =>
    tests.every((t) => t(f));
const not =
  (test: When): When =>
  (f) =>
    !test(f);
const rear: When = (f) => f.rear;
const disc: When = (f) => f.disc;
const spoked: When = (f) => f.spoked;
const split: When = (f) => f.split;
const beadlock: When = (f) => f.beadlock;
const clamped: When = (f) => f.split || f.beadlock;
const locks: When = (f) => f.locks > 0;
const tube: When = (f) => f.tube;
const tubeWas: When = (f) => f.tubeWas;
const drive =
  (kind: Machine['drive']): When =>
  (f) =>
    f.rear && f.machine.drive === kind;
const school =
  (key: string, value: string): When =>
  (f) =>
    ruleWord(key, f.rules) === value;
const fourWheels: When = (f) => f.machine.kind === 'quad' || f.machine.kind === 'side-by-side';

const lockWord = (f: Facts) => (f.locks > 1 ? 'rim locks' : 'rim lock');

const WHEEL_OFF: Row[] = [
  { id: 'off-cool', station: 'wheel-off', say: 'Let the exhaust cool.', why: 'It sits where your arm goes.', when: all(rear, not(fourWheels)) },
  { id: 'off-loosen', station: 'wheel-off', say: (f) => (fourWheels(f) ? 'Crack the wheel nuts loose on the ground.' : 'Loosen pinch bolts and axle nut on the ground.'), why: 'On a stand the machine would rock.' },
  { id: 'off-lift', station: 'wheel-off', say: 'Lift it and secure it on both sides.', why: 'Leave the side stand down as a fallback.', caution: 'Pull on the machine before you reach under it.' },
  { id: 'off-mark', station: 'wheel-off', say: 'Mark or photograph spacers, washers and adjuster blocks.', why: 'Left and right differ.', when: not(fourWheels) },
  { id: 'off-caliper', station: 'wheel-off', say: 'Unbolt the caliper and hang it on a wire.', why: 'The hose carries nothing.', when: all(disc, not(fourWheels)) },
  { id: 'off-brake-drum', station: 'wheel-off', say: 'Unhook the brake rod and the anti-rotation arm.', why: 'The plate stays with the wheel.', when: all(not(disc), not(fourWheels)) },
  { id: 'off-chain', station: 'wheel-off', say: 'Slack the chain, both adjusters alike, and lift it off.', why: 'Alike now, aligned later.', when: drive('chain') },
  { id: 'off-belt', station: 'wheel-off', say: 'Slack the belt, both adjusters alike, and lift it off.', why: 'A belt that is twisted or folded is scrap.', when: drive('belt') },
  { id: 'off-shaft', station: 'wheel-off', say: 'Draw the wheel off the drive, vent kept up.', why: 'The case spills its oil when it tips.', when: drive('shaft') },
  { id: 'off-out', station: 'wheel-off', say: 'Take the wheel out.', why: 'Watch for loose dampers, collars and spacers.' },
  { id: 'off-axle', station: 'wheel-off', say: 'Clean the axle. Feel the bearings: smooth, no play.', why: 'The wheel goes back to a ready axle.', when: not(fourWheels) },
];

const TIRE_OFF: Row[] = [
  { id: 'toff-split-deflate', station: 'tire-off', say: 'Deflate fully. Core out. Wait until it is silent.', why: 'A split rim under air comes apart with force.', caution: 'Deflate fully before undoing any rim bolt. It can kill.', when: clamped },
  { id: 'toff-core', station: 'tire-off', say: 'Valve cap and core out. Two hands: it flies.', why: 'All air out before anything else.', when: not(clamped) },
  { id: 'toff-nut', station: 'tire-off', say: 'Take the nut off the valve.', why: 'A hanging valve tears its tube.', when: tubeWas },
  { id: 'toff-lock', station: 'tire-off', say: (f) => `Back the ${lockWord(f)} off to the last two threads and push in.`, why: 'It must move freely, or the bead stays pinned.', when: locks },
  { id: 'toff-break', station: 'tire-off', say: 'Break both beads.', why: 'Go gently near the valve. Check the supports again after each turn-over.', caution: 'Never with the disc underneath.', when: not(clamped) },
  { id: 'toff-break-split', station: 'tire-off', say: 'Undo the rim bolts evenly and lift the halves apart.', why: 'Break the beads first where they stick.', when: split },
  { id: 'toff-ring', station: 'tire-off', say: 'Undo the ring bolts evenly and lift the ring off.', why: 'Keep bolts and washers together: mark where the ring sat.', when: beadlock },
  { id: 'toff-soap', station: 'tire-off', say: 'Lubricate the beads. Protect the rim.', why: 'A dry bead asks for force.', when: not(clamped) },
  { id: 'toff-first', station: 'tire-off', say: 'Lever the first bead off in small bites. Kneel the far side into the well.', why: 'The first bites pinch tubes. A lever that has hooked the bead goes no deeper.', caution: 'Never hook a lever under the disc. More force is the wrong answer: stop and find out why.', shows: 'levers-off', when: not(clamped) },
  { id: 'toff-tube', station: 'tire-off', say: 'Pull the tube out. Write down its age.', why: 'Its wear tells what the rim did to it.', when: (f) => f.tubeWas && (clamped(f) || ruleWord('tube.out', f.rules) === 'at once') },
  { id: 'toff-tube-feel', station: 'tire-off', say: 'Feel where the tube lies, and keep the levers off it.', why: 'It stays in to save a step: the second bead pinches it first.', when: all(tubeWas, not(clamped), school('tube.out', 'left in')) },
  { id: 'toff-second', station: 'tire-off', say: 'Second bead off, the rim walks out.', why: 'Drop the far side of the rim first.', shows: 'levers-off', when: not(clamped) },
  { id: 'toff-tube-late', station: 'tire-off', say: 'Tube out of the tire. Write down its age.', why: 'Its wear tells what the rim did to it.', when: all(tubeWas, not(clamped), school('tube.out', 'left in')) },
  { id: 'toff-second-clamped', station: 'tire-off', say: 'Take the tire off the rim.', why: 'Look at both beads as they come.', when: clamped },
];

const INSPECT: Row[] = [
  { id: 'in-clean', station: 'inspect', say: 'Clean to bare metal where beads and weights sit.', why: 'A wet or dirty seat leaks, and the tire creeps.' },
  { id: 'in-cracks', station: 'inspect', say: 'Look for cracks, dents and corrosion. Start at the valve hole.', why: 'That is where water enters.', shows: 'findings' },
  { id: 'in-spokes', station: 'inspect', say: 'Ring the spokes. A dull one is loose.', why: 'Tension now, while the nipples can be reached.', shows: 'spokes', when: spoked },
  { id: 'in-true', station: 'inspect', say: 'Spin it: runout, up and down and side to side.', why: 'At six places or more, from a fixed point on the stand.', shows: 'runout' },
  { id: 'in-old-weights', station: 'inspect', say: 'Old weights off, residue off, then alcohol and water.', why: 'Solvent leaves a film that weights do not hold on.' },
  { id: 'in-strip', station: 'inspect', say: 'Rim strip: snug, its large hole at the valve.', why: 'Bare nipples chafe through the tube.', when: all(spoked, tube) },
  { id: 'in-lock', station: 'inspect', say: (f) => `Does the ${lockWord(f)} move? Is the rubber good?`, why: 'A stuck lock fights you on the last bites.', when: locks },
  { id: 'in-stem', station: 'inspect', say: 'New valve stem in.', why: 'Its age is unknown, and it is the cheapest part of the job.', when: not(tube) },
  { id: 'in-gap', station: 'inspect', say: 'Measure bead bundles and ring gap. Note the crush.', why: 'Castings, machining and tires vary, every time.', when: beadlock },
];

const TIRE_ON: Row[] = [
  { id: 'on-arrow', station: 'tire-on', say: 'Find the arrow. Check it three times.', why: 'A tire on backwards is the whole job again.', shows: 'arrow' },
  { id: 'on-shake', station: 'tire-on', say: 'Shake the new tire out, labels off. Warm a stiff one.', why: 'Grit and a curled label both wear through.' },
  { id: 'on-powder', station: 'tire-on', say: 'Powder the tube, thin and all round.', why: 'It settles without sticking.', when: tube },
  { id: 'on-tube-air', station: 'tire-on', say: 'Core in, just enough air to hold the tube\u2019s shape.', why: 'Too little folds and pinches; too much will not go in.', when: tube },
  { id: 'on-soap', station: 'tire-on', say: 'Lubricate both faces of the beads, generous.', why: 'Never an oil that stays slippery: the tire creeps and the valve shears.' },
  { id: 'on-tube-inside', station: 'tire-on', say: 'Tube into the tire, valve through the hole, nut on two turns.', why: 'Tire and tube go on together, and nobody hunts for the hole.', when: all(tube, not(clamped), school('tube.in', 'with the tire')) },
  { id: 'on-first', station: 'tire-on', say: (f) => (f.locks > 0 ? `First bead on. Keep the ${lockWord(f)} pushed in.` : 'First bead on, by hand and knees.'), why: 'Check that nothing is caught under the bead.', when: not(clamped) },
  { id: 'on-split', station: 'tire-on', say: 'Tire on the first half, then the second half down on it.', why: 'No tube between the halves. Pull the bolts down evenly.', caution: 'All rim bolts torqued before any air goes in.', when: split },
  { id: 'on-step', station: 'tire-on', say: 'Soapy bead onto the step all round, then the ring.', why: 'Start every bolt by hand; half a turn each, round and round.', caution: 'Only a torque wrench finishes ring bolts. The maker\u2019s manual decides the value.', when: beadlock },
  { id: 'on-tube', station: 'tire-on', say: 'Tube in, valve through the hole, nut on two turns.', why: 'A leaning stem tears. Work the tube round until it stands square.', when: all(tube, not(clamped), school('tube.in', 'after the first bead')) },
  { id: 'on-lock-feel', station: 'tire-on', say: (f) => `Feel that the tube lies over the ${lockWord(f)}, and that it still moves.`, why: 'A tube under the lock bursts.', when: all(tube, locks) },
  { id: 'on-mark', station: 'tire-on', say: (f) => `Line the light mark up with the ${ruleWord('lightMark.to', f.rules)}.`, why: 'Usually the lightest point. Look again after the last bite: levering turns the tire.', shows: 'light-mark', when: (f) => f.lightMark },
  { id: 'on-start', station: 'tire-on', say: 'Second bead: start here, keeper on, small bites.', why: 'The bead at valve and lock must be able to drop.', shows: 'levers-on', when: not(clamped) },
  { id: 'on-half', station: 'tire-on', say: 'Stop. Push the bead you have fitted down into the well.', why: 'You are halfway. If it has climbed back up, the last bites need force, and force pinches tubes.', caution: 'If the keeper lifts, back up.', shows: 'push-down', when: not(clamped) },
  { id: 'on-last', station: 'tire-on', say: (f) => (f.locks > 0 ? `Last bites, smaller. Press the ${lockWord(f)} in as the bead passes.` : 'Last bites, smaller. Share an awkward last one in two.'), why: 'The last three or four inches go in one stroke.', shows: 'push-down', when: not(clamped) },
  { id: 'on-look', station: 'tire-on', say: (f) => (f.tube ? 'Feel all round: no tube on the bead seat. Valve straight. Arrow again.' : 'Look all round: beads clean, stem straight. Arrow again.'), why: 'Cheaper to find now than under air.', shows: 'arrow' },
];

const ROWS: readonly Row[] = [...WHEEL_OFF, ...TIRE_OFF, ...INSPECT, ...TIRE_ON];

/** The steps of the four hands-on stations for this wheel. Common practice throughout. */
export const procedureFor = (input: ProcedureInput): Step[] => {
  const { wheel } = input;
  const facts: Facts = {
    ...input,
    locks: wheel.rimLockDegs.length,
    rear: wheelEnd(wheel.position) === 'rear',
    disc: wheel.discSide !== 'none',
    spoked: wheel.build === 'spoked',
    split: wheel.build === 'split',
    beadlock: wheel.build === 'beadlock',
    tubeWas: wheel.tube,
  };
  return ROWS.filter((row) => !row.when || row.when(facts)).map(({ when: _when, say, ...step }) => ({
    ...step,
    say: typeof say === 'function' ? say(facts) : say,
  }));
};
