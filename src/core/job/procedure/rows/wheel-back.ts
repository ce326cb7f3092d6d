import {
  adjusters,
  all,
  disc,
  drive,
  fourWheels,
  kind,
  not,
  onHub,
  rear,
  sensors,
  throughAxle,
  type Row,
} from '../facts';

const bike = not(fourWheels);
const twoCalipers: NonNullable<Row['when']> = (f) => f.wheel.discSide === 'both';

/** Common practice; every torque is the manual's. */
export const WHEEL_BACK: readonly Row[] = [
  {
    id: 'back-grease',
    station: 'wheel-back',
    say: (f) =>
      onHub(f)
        ? 'Thin grease on spacers and seal lips.'
        : 'Thin grease on axle, spacers and seal lips.',
    why: 'They come apart again next time.',
    parts: ['grease'],
    when: bike,
  },
  {
    id: 'back-splines',
    station: 'wheel-back',
    say: 'Clean and grease the splines, wheel onto the drive, case still upright.',
    why: 'Dry splines wear to nothing.',
    parts: ['spline grease'],
    when: all(drive('shaft'), bike),
  },
  {
    id: 'back-seize',
    station: 'wheel-back',
    say: 'Anti-seize where the shaft meets the bearing.',
    why: 'It rusts fast there.',
    parts: ['anti-seize'],
    when: all(kind('scooter'), rear),
  },
  {
    id: 'back-spacers',
    station: 'wheel-back',
    reads: 'photo',
    say: (f) =>
      adjusters(f)
        ? 'Spacers and adjuster blocks on the sides you marked.'
        : 'Spacers and washers on the sides you marked.',
    why: 'Left and right differ.',
    when: bike,
  },
  {
    id: 'back-chain',
    station: 'wheel-back',
    say: 'Chain on first.',
    why: 'With the axle in there is no slack to lift it.',
    when: all(drive('chain'), bike),
  },
  {
    id: 'back-belt',
    station: 'wheel-back',
    say: 'Belt on first. Don’t fold or pry it.',
    why: 'A belt that is twisted or folded is scrap.',
    when: all(drive('belt'), bike),
  },
  {
    id: 'back-axle',
    station: 'wheel-back',
    say: 'Axle in by hand.',
    why: 'A light tap with a soft mallet at most: if it needs more, it is misaligned.',
    when: throughAxle,
  },
  {
    id: 'back-hub',
    station: 'wheel-back',
    say: 'Wheel onto the shaft, hub nut by hand.',
    why: 'It slides on when the splines line up. Never drive it on.',
    when: all(onHub, bike),
  },
  {
    id: 'back-pads',
    station: 'wheel-back',
    say: (f) =>
      twoCalipers(f)
        ? 'Calipers off their wires. Spread the pads with wood.'
        : 'Caliper off its wire. Spread the pads with wood.',
    why: 'Metal nicks a pad or a disc.',
    caution: 'Never metal between the pads. The hose carries no weight.',
    guards: 'part',
    tools: ['wood wedge'],
    when: all(disc, bike),
  },
  {
    id: 'back-caliper',
    station: 'wheel-back',
    say: (f) =>
      twoCalipers(f)
        ? 'Guide the calipers over the discs, their bolts by hand.'
        : 'Guide the caliper over the disc, its bolts by hand.',
    why: 'They are torqued with the rest, once all line up.',
    confirm: 'No hose is twisted.',
    tools: ['sockets'],
    when: all(disc, bike),
  },
  {
    id: 'back-drum',
    station: 'wheel-back',
    say: 'Hook up the anti-rotation arm, then the brake rod.',
    why: 'Without the arm the plate turns with the wheel.',
    confirm: 'The arm is held.',
    caution: 'A drum without its arm locks the wheel.',
    when: all(not(disc), bike),
  },
  {
    id: 'back-nuts',
    station: 'wheel-back',
    say: 'Wheel on, every nut by hand, crossing.',
    why: 'It centers before it is pulled down.',
    when: fourWheels,
  },
  {
    id: 'back-hand',
    station: 'wheel-back',
    say: 'Start every fastener by hand, tighten none until all line up.',
    why: (f) =>
      onHub(f)
        ? 'Wheel and brake pull each other straight.'
        : 'Drive, axle and bracket pull each other straight.',
    when: bike,
  },
  {
    id: 'back-sensor',
    station: 'wheel-back',
    reads: 'sensor',
    say: 'Sensor back with its shims: ring on its side, gap free.',
    why: 'Wrong side or a changed gap turns on the warning light.',
    confirm: 'It turns clear of the ring all round.',
    when: all(sensors, bike),
  },
  {
    id: 'back-align',
    station: 'wheel-back',
    reads: 'chain',
    say: (f) =>
      drive('belt')(f)
        ? 'Pull the wheel against its stops. Check alignment and slack.'
        : 'Pull the wheel against its stops, a rag between chain and sprocket. Check alignment and slack.',
    why: (f) =>
      drive('belt')(f)
        ? 'Both adjusters alike, a little at a time: a tight belt ruins bearings. By the manual’s own measure.'
        : 'Half a turn at a time, measured before and after, on the stand that the manual names.',
    tools: (f) => (drive('belt')(f) ? [] : ['rag']),
    when: all(adjusters, bike),
  },
  {
    id: 'back-pedal',
    station: 'wheel-back',
    reads: 'brake',
    say: 'Press the brake: firm?',
    why: 'The machine rolls off the stands next.',
    confirm: 'Firm, before it rolls.',
    caution: 'A soft pedal is found before the road finds it.',
    when: fourWheels,
  },
  {
    id: 'back-lower',
    station: 'wheel-back',
    say: 'Lower it off the stands, onto its wheels.',
    why: 'On the ground the wheel cannot turn under the wrench.',
    confirm: 'Clear underneath, and it stands by itself.',
    caution: 'Nuts snug before it carries weight.',
    when: fourWheels,
  },
  {
    id: 'back-torque',
    station: 'wheel-back',
    say: (f) =>
      fourWheels(f)
        ? 'Torque the wheel nuts in a crisscross pattern, two passes.'
        : `Torque everything, two passes: ${onHub(f) ? 'hub nut first' : 'axle nut before pinch bolts'}${disc(f) ? ', then the caliper’s' : ''}.`,
    why: (f) =>
      fourWheels(f)
        ? 'Now, on the ground, and before it rolls.'
        : onHub(f)
          ? 'Hold the brake so that the shaft cannot turn.'
          : 'See that the far end of the axle is not turning too.',
    caution: 'Values from the machine’s manual.',
    tools: ['torque wrench'],
  },
  {
    id: 'back-slack',
    station: 'wheel-back',
    say: 'Check slack and alignment again.',
    why: 'Tightening the axle moves it.',
    confirm: 'Both still in spec with the axle torqued.',
    when: all(adjusters, bike),
  },
  {
    id: 'back-ends',
    station: 'wheel-back',
    say: 'Check both ends of the axle.',
    why: 'The far end may have turned with the nut, or stand out.',
    confirm: 'Seated on both sides, and neither end turned.',
    when: throughAxle,
  },
  {
    id: 'back-pin',
    station: 'wheel-back',
    say: 'New cotter pin, and any other one-time part.',
    why: 'An old one breaks where it was bent.',
    parts: ['new cotter pin'],
    when: (f) => bike(f) || f.machine.renews === true,
  },
  {
    id: 'back-exhaust',
    station: 'wheel-back',
    say: 'Exhaust and bags back on: new gasket, clamp gap off the pipe’s slots.',
    why: 'An old one blows.',
    parts: ['exhaust gasket'],
    when: all(rear, kind('scooter', 'cruiser')),
  },
  {
    id: 'back-pump',
    station: 'wheel-back',
    reads: 'brake',
    say: (f) =>
      disc(f) ? 'Pump the brake until it is firm.' : 'Work the brake: it takes hold, and lets go.',
    why: (f) =>
      disc(f) ? 'The pads stand back after they were parted.' : 'Rod and arm were unhooked.',
    confirm: 'Firm, before it rolls.',
    caution: 'Skip this and the first pull of the lever stops nothing.',
    when: bike,
  },
  {
    id: 'back-spin',
    station: 'wheel-back',
    say: 'Spin the wheel: free, true, nothing rubs.',
    why: 'Ear and eye find what the hands missed.',
    when: bike,
  },
  {
    id: 'back-down',
    station: 'wheel-back',
    say: 'Lower it off its stands.',
    why: 'Only with the brake firm and every fastener torqued.',
    when: bike,
  },
  {
    id: 'leave-cool',
    station: 'hand-over',
    say: 'After the ride, once cool: recheck the bolts.',
    why: 'Heat and the first load let go what was tight.',
    tools: ['torque wrench'],
    when: bike,
  },
];
