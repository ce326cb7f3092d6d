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

const twoCalipers = (f: Parameters<NonNullable<Row['when']>>[0]) => f.wheel.discSide === 'both';

/** Common practice. */
export const WHEEL_OFF: readonly Row[] = [
  {
    id: 'off-cool',
    station: 'wheel-off',
    say: 'Let the exhaust cool.',
    why: 'It sits where your arm goes.',
    when: all(rear, not(fourWheels)),
  },
  {
    id: 'off-way',
    station: 'wheel-off',
    say: 'Exhaust or bags off where they block the way.',
    why: 'A wheel that is twisted out past them bends something.',
    tools: ['sockets'],
    when: all(rear, kind('scooter', 'cruiser')),
  },
  {
    id: 'off-loosen',
    station: 'wheel-off',
    say: (f) =>
      fourWheels(f)
        ? 'Crack the wheel nuts loose on the ground.'
        : onHub(f)
          ? 'Loosen the hub nut on the ground.'
          : 'Loosen pinch bolts and axle nut on the ground.',
    why: 'On a stand the machine would rock.',
    tools: ['sockets'],
  },
  {
    id: 'off-lift',
    station: 'wheel-off',
    say: 'Lift it and secure it on both sides.',
    why: (f) =>
      fourWheels(f)
        ? 'Stands under the frame, both sides: a jack alone is no support.'
        : 'Leave the side stand down as a fallback.',
    confirm: 'It does not move when you pull on it.',
    caution: 'Pull on the machine before you reach under it.',
    tools: (f) => (fourWheels(f) ? ['jack and two stands'] : ['center stand or jack, stands']),
  },
  {
    id: 'off-mark',
    station: 'wheel-off',
    say: (f) =>
      adjusters(f)
        ? 'Mark or take a photo of spacers, washers and adjuster blocks.'
        : 'Mark or take a photo of spacers and washers.',
    why: 'Left and right differ.',
    reads: 'photo',
    when: not(fourWheels),
  },
  {
    id: 'off-sensor',
    station: 'wheel-off',
    say: (f) =>
      `Note which side the sensor ring is on${f.wheel.discSide === 'left' || f.wheel.discSide === 'right' ? `, disc ${f.wheel.discSide}` : ''}. Sensor off, its shims kept.`,
    why: 'Wrong side or a changed gap turns on the warning light.',
    confirm: 'The sensor hangs clear of the wheel.',
    when: all(sensors, not(fourWheels)),
  },
  {
    id: 'off-caliper',
    station: 'wheel-off',
    say: (f) =>
      f.wheel.caliper === 'radial'
        ? `Draw the radial ${twoCalipers(f) ? 'calipers' : 'caliper'} straight off and hang ${twoCalipers(f) ? 'them' : 'it'} on a wire.`
        : `Unbolt the ${twoCalipers(f) ? 'calipers and hang them' : 'caliper and hang it'} on a wire.`,
    why: (f) =>
      f.wheel.caliper === 'radial'
        ? 'Tilted, it scratches the rim; and the hose carries nothing.'
        : 'Never let it hang by the hose.',
    caution: 'Leave the brake lever alone while the pads hang free.',
    guards: 'part',
    tools: ['sockets', 'wire or cord'],
    when: all(disc, not(fourWheels)),
  },
  {
    id: 'off-brake-drum',
    station: 'wheel-off',
    say: 'Unhook the brake rod and the anti-rotation arm.',
    why: 'The plate stays with the wheel.',
    when: all(not(disc), not(fourWheels)),
  },
  {
    id: 'off-chain',
    station: 'wheel-off',
    say: 'Slack the chain, both adjusters alike, and lift it off.',
    why: 'Turn both the same and it realigns.',
    when: all(drive('chain'), not(fourWheels)),
  },
  {
    id: 'off-belt',
    station: 'wheel-off',
    say: 'Slack the belt, both adjusters alike, and lift it off.',
    why: 'A belt that is twisted or folded is scrap.',
    when: all(drive('belt'), not(fourWheels)),
  },
  {
    id: 'off-axle-out',
    station: 'wheel-off',
    say: 'Support the wheel and pull the axle.',
    why: (f) =>
      disc(f)
        ? 'A wheel that drops bends the disc or pinches a finger.'
        : 'A wheel that drops pinches a finger.',
    when: throughAxle,
  },
  {
    id: 'off-shaft',
    station: 'wheel-off',
    say: 'Pull the wheel off the drive. Keep the vent up.',
    why: 'The case spills its oil when it tips.',
    confirm: 'The case stands upright.',
    when: all(drive('shaft'), not(fourWheels)),
  },
  {
    id: 'off-out',
    station: 'wheel-off',
    say: (f) => (onHub(f) ? 'Take the wheel off.' : 'Take the wheel out.'),
    why: (f) =>
      fourWheels(f)
        ? 'Keep the nuts together.'
        : onHub(f)
          ? 'Keep nut and washers together.'
          : 'Watch for loose dampers, collars and spacers.',
  },
  {
    id: 'off-axle',
    station: 'wheel-off',
    say: 'Clean the axle. Feel the bearings: smooth, no play.',
    why: 'The wheel goes back to a ready axle.',
    reads: 'findings',
    parts: ['grease'],
    when: throughAxle,
  },
  {
    id: 'off-hub',
    station: 'wheel-off',
    say: 'Clean shaft and splines. Feel the hub: smooth, no play.',
    why: 'The wheel goes back to a ready shaft.',
    reads: 'findings',
    parts: ['grease'],
    when: all(onHub, not(fourWheels)),
  },
  {
    id: 'off-pads',
    station: 'wheel-off',
    say: 'Look at the pads.',
    why: 'This is the moment to see them.',
    reads: 'findings',
    when: all(disc, not(fourWheels)),
  },
];
