import { adjusters, all, disc, drive, fourWheels, kind, not, rear, sensors, type Row } from '../facts';

const bike = not(fourWheels);

/** Common practice; every torque is the manual's. */
export const WHEEL_BACK: readonly Row[] = [
  { id: 'back-grease', station: 'wheel-back', say: 'Thin grease on axle, spacers and seal lips.', why: 'They come apart again next time.', parts: ['grease'], when: bike },
  { id: 'back-splines', station: 'wheel-back', say: 'Clean and grease the splines, wheel onto the drive, case still upright.', why: 'Dry splines wear to nothing.', parts: ['spline grease'], when: all(drive('shaft'), bike) },
  { id: 'back-seize', station: 'wheel-back', say: 'Anti-seize where the shaft meets the bearing.', why: 'It rusts fast there.', parts: ['anti-seize'], when: all(kind('scooter'), rear) },
  { id: 'back-spacers', station: 'wheel-back', reads: 'photo', say: (f) => (adjusters(f) ? 'Spacers and adjuster blocks on the sides you marked.' : 'Spacers and washers on the sides you marked.'), why: 'Left and right differ.', when: bike },
  { id: 'back-pads', station: 'wheel-back', say: 'Pads apart with wood, and guide the disc in.', why: 'Metal nicks a pad or a disc.', caution: 'Never metal between the pads.', guards: 'part', tools: ['wood wedge'], when: all(disc, bike) },
  { id: 'back-drum', station: 'wheel-back', say: 'Hook up the anti-rotation arm, then the brake rod.', why: 'Without the arm the plate turns with the wheel.', confirm: 'The arm is held.', caution: 'A drum without its arm locks the wheel.', when: all(not(disc), bike) },
  { id: 'back-chain', station: 'wheel-back', say: 'Chain on first.', why: 'With the axle in there is no slack to lift it.', when: all(drive('chain'), bike) },
  { id: 'back-belt', station: 'wheel-back', say: 'Belt on first, neither folded nor pried.', why: 'A belt that is twisted or folded is scrap.', when: all(drive('belt'), bike) },
  { id: 'back-axle', station: 'wheel-back', say: 'Axle in by hand.', why: 'A light tap with a soft mallet at most: if it needs more, it is misaligned.', when: bike },
  { id: 'back-caliper', station: 'wheel-back', say: (f) => (f.wheel.discSide === 'both' ? 'Calipers back on, their bolts by hand.' : 'Caliper back on, its bolts by hand.'), why: 'They are torqued with the rest, once all line up.', confirm: 'No hose is twisted.', tools: ['sockets'], when: all(disc, bike) },
  { id: 'back-nuts', station: 'wheel-back', say: 'Wheel on, every nut by hand, crossing.', why: 'It centers before it is pulled down.', when: fourWheels },
  { id: 'back-hand', station: 'wheel-back', say: 'Start every fastener by hand, tighten none until all line up.', why: 'Drive, axle and bracket pull each other straight.', when: bike },
  { id: 'back-sensor', station: 'wheel-back', reads: 'sensor', say: 'Sensor back with its shims: ring on its side, gap free.', why: 'A ring that touches, or a wide gap, puts the lamp on.', confirm: 'It turns clear of the ring all round.', when: all(sensors, bike) },
  { id: 'back-align', station: 'wheel-back', reads: 'chain', say: 'Pull the wheel against its stops. Check alignment and slack.', why: (f) => (drive('belt')(f) ? 'Both adjusters alike, a little at a time: a tight belt ruins bearings. By the manual’s own measure.' : 'Half a turn at a time, measured before and after, on the stand that the manual names.'), tools: ['rag'], when: all(adjusters, bike) },
  { id: 'back-torque', station: 'wheel-back', say: (f) => (fourWheels(f) ? 'Torque the wheel nuts, crossing, twice round.' : `Torque everything, twice round: axle nut before pinch bolts${disc(f) ? ', then the caliper’s' : ''}.`), why: (f) => (fourWheels(f) ? 'On the ground again, so that the wheel cannot turn.' : 'See that the far end of the axle is not turning too.'), caution: 'Values from the machine’s manual.', tools: ['torque wrench'] },
  { id: 'back-ends', station: 'wheel-back', say: 'Look at both ends of the axle.', why: 'The far end may have turned with the nut, or stand out.', confirm: 'Seated on both sides, and neither end turned.', when: bike },
  { id: 'back-pin', station: 'wheel-back', say: 'New split pin where one was, and what is used once only.', why: 'An old one breaks where it was bent.', parts: ['new split pin'], when: (f) => bike(f) || f.machine.renews === true },
  { id: 'back-exhaust', station: 'wheel-back', say: 'Exhaust and bags back on: new gasket, clamp gap off the pipe’s slots.', why: 'An old one blows.', parts: ['exhaust gasket'], when: all(rear, kind('scooter', 'cruiser')) },
  { id: 'back-pump', station: 'wheel-back', reads: 'brake', say: (f) => (disc(f) ? 'Pump the brake until it is firm.' : 'Work the brake: it takes hold, and lets go.'), why: (f) => (disc(f) ? 'The pads stand back after they were parted.' : 'Rod and arm were unhooked.'), confirm: 'Firm, before it rolls.', caution: 'Without this the first pull at the lever stops nothing.', when: bike },
  { id: 'back-pedal', station: 'wheel-back', reads: 'brake', say: 'Press the brake: firm?', why: 'The machine rolls off the stands next.', confirm: 'Firm, before it rolls.', caution: 'A soft pedal is found before the road finds it.', when: fourWheels },
  { id: 'back-spin', station: 'wheel-back', say: 'Spin the wheel: free, true, nothing rubs.', why: 'Ear and eye find what the hands missed.', when: bike },
  { id: 'leave-cool', station: 'hand-over', say: 'Ridden and cool again: bolts once more.', why: 'Heat and the first load let go what was tight.', tools: ['torque wrench'], when: bike },
];
