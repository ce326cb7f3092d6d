import { WHEELS_OF_THE_TRADE } from '../../../tests/wheels-of-the-trade';
import { stepsFor } from '.';

const STATIONS = ['off', 'toff', 'in', 'on', 'seat', 'set', 'back'] as const;

/** Whole procedures, station by station: a change in any of them is meant, or it is a mistake. */
describe('golden procedures', () => {
  const GOLDEN = new Map<string, Record<(typeof STATIONS)[number], string>>([
    ['dirt rear, one lock', {
      off: 'cool loosen lift mark caliper chain out axle pads',
      toff: 'core nut lock break soap first tube second',
      in: 'clean cracks spokes true old-weights strip lock',
      on: 'arrow shake powder tube-air soap first tube lock-feel mark start half last look',
      seat: 'clear little pops line settle',
      set: 'lock nut pressure cap',
      back: 'grease spacers pads chain axle caliper hand align torque ends pin pump spin',
    }],
    ['dirt front, two locks', {
      off: 'loosen lift mark caliper out axle pads',
      toff: 'core nut lock break soap first tube second',
      in: 'clean cracks spokes true old-weights strip lock',
      on: 'arrow shake powder tube-air soap first tube lock-feel mark start half last look',
      seat: 'clear little pops line settle',
      set: 'lock nut pressure cap',
      back: 'grease spacers pads axle caliper hand torque ends pin pump spin',
    }],
    ['trials rear, double-tubed', {
      off: 'cool loosen lift mark caliper chain out axle pads',
      toff: 'core nut lock break soap first tube second',
      in: 'clean cracks spokes true old-weights strip lock',
      on: 'arrow shake sleeve powder tube-air soap first tube lock-feel mark start half last look',
      seat: 'clear little pops line settle',
      set: 'lock nut pressure cap',
      back: 'grease spacers pads chain axle caliper hand align torque ends pin pump spin',
    }],
    ['adventure front, spoked with a tube', {
      off: 'loosen lift mark sensor caliper out axle pads',
      toff: 'core nut break soap first tube second',
      in: 'clean cracks spokes true old-weights strip',
      on: 'arrow shake powder tube-air soap first tube mark start half last look',
      seat: 'clear little pops line settle',
      set: 'nut pressure cap',
      back: 'grease spacers pads axle caliper hand sensor torque ends pin pump spin',
    }],
    ['adventure rear, spoked with a tube', {
      off: 'cool loosen lift mark sensor caliper chain out axle pads',
      toff: 'core nut break soap first tube second',
      in: 'clean cracks spokes true old-weights strip',
      on: 'arrow shake powder tube-air soap first tube mark start half last look',
      seat: 'clear little pops line settle',
      set: 'nut pressure cap',
      back: 'grease spacers pads chain axle caliper hand sensor align torque ends pin pump spin',
    }],
    ['road rear, cast, chain', {
      off: 'cool loosen lift mark sensor caliper chain out axle pads',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first mark start half last look',
      seat: 'clear flow pops line bubbles',
      set: 'core pressure cap',
      back: 'grease spacers pads chain axle caliper hand sensor align torque ends pin pump spin',
    }],
    ['cruiser rear, cast, shaft', {
      off: 'cool way loosen lift mark caliper shaft out axle pads',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first mark start half last look',
      seat: 'clear flow pops line bubbles',
      set: 'core pressure cap',
      back: 'grease splines spacers pads axle caliper hand torque ends pin exhaust pump spin',
    }],
    ['scooter rear, hub, drum', {
      off: 'cool way loosen lift mark brake-drum out axle',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first mark start half last look',
      seat: 'clear flow pops line bubbles',
      set: 'core pressure cap',
      back: 'grease seize spacers drum axle hand torque ends pin exhaust pump spin',
    }],
    ['scooter rear, split rim', {
      off: 'cool way loosen lift mark brake-drum out axle',
      toff: 'split-deflate nut break-split tube second-clamped',
      in: 'clean cracks true old-weights halves',
      on: 'arrow shake powder tube-air soap tube-clamped mark-clamped split split-torque look',
      seat: 'clear little pops line settle',
      set: 'nut pressure cap',
      back: 'grease seize spacers drum axle hand torque ends pin exhaust pump spin',
    }],
    ['sidecar wheel, doubled strip', {
      off: 'cool loosen lift mark brake-drum shaft out axle',
      toff: 'core nut break soap first tube second',
      in: 'clean cracks spokes true old-weights strip',
      on: 'arrow shake powder tube-air soap first tube mark start half last look',
      seat: 'clear little pops line settle',
      set: 'nut pressure match cap',
      back: 'grease splines spacers drum axle hand torque ends pin pump spin',
    }],
    ['quad front, cast', {
      off: 'loosen lift out',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first start half last look',
      seat: 'clear flow pops line bubbles',
      set: 'core pressure cap',
      back: 'nuts torque pedal',
    }],
    ['side-by-side rear, beadlock', {
      off: 'loosen lift out',
      toff: 'split-deflate ring second-clamped',
      in: 'clean cracks true old-weights stem gap',
      on: 'arrow shake soap step ring ring-torque look',
      seat: 'clear center line bubbles',
      set: 'pressure cap',
      back: 'nuts torque pedal',
    }],
    ['quad rear on safety humps', {
      off: 'loosen lift out',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first start half last look',
      seat: 'clear flow pops line bubbles',
      set: 'core pressure cap',
      back: 'nuts torque pedal',
    }],
    ['sidecar rig, front wheel', {
      off: 'loosen lift mark caliper out axle pads',
      toff: 'core nut break soap first tube second',
      in: 'clean cracks spokes true old-weights strip',
      on: 'arrow shake powder tube-air soap first tube mark start half last look',
      seat: 'clear little pops line settle',
      set: 'nut pressure cap',
      back: 'grease spacers pads axle caliper hand torque ends pin pump spin',
    }],
    ['sidecar rig, rear wheel', {
      off: 'cool loosen lift mark caliper shaft out axle pads',
      toff: 'core nut break soap first tube second',
      in: 'clean cracks spokes true old-weights strip',
      on: 'arrow shake powder tube-air soap first tube mark start half last look',
      seat: 'clear little pops line settle',
      set: 'nut pressure match cap',
      back: 'grease splines spacers pads axle caliper hand torque ends pin pump spin',
    }],
    ['drag rear, two rings', {
      off: 'loosen lift out',
      toff: 'split-deflate ring second-clamped',
      in: 'clean cracks true old-weights stem gap',
      on: 'arrow shake soap step ring ring-torque look',
      seat: 'clear center line bubbles',
      set: 'pressure rollout cap',
      back: 'nuts torque pedal',
    }],
    ['drag rear, beadlock', {
      off: 'loosen lift out',
      toff: 'split-deflate ring second-clamped',
      in: 'clean cracks true old-weights stem gap',
      on: 'arrow shake soap step ring ring-torque look',
      seat: 'clear center line bubbles',
      set: 'pressure rollout cap',
      back: 'nuts torque pedal',
    }],
  ]);

  test.each(WHEELS_OF_THE_TRADE)('%s', (name, input) => {
    const steps = stepsFor(input).map((s) => s.id);
    const shaped = Object.fromEntries(STATIONS.map((s) => [s, steps.filter((id) => id.startsWith(`${s}-`)).map((id) => id.slice(s.length + 1)).join(' ')]));
    expect(shaped).toEqual(GOLDEN.get(name));
    // Once it was ridden: whatever has an axle has bolts that want a second look.
    expect(steps.filter((id) => id.startsWith('leave-'))).toEqual(steps.includes('back-axle') ? ['leave-cool'] : []);
    expect(steps.filter((id) => !id.startsWith('leave-'))).toHaveLength(Object.values(shaped).join(' ').split(' ').length);
  });

  test.each(WHEELS_OF_THE_TRADE)('%s, word for word', (_name, input) => {
    const places = (s: ReturnType<typeof stepsFor>[number]) => s.places.map((p) => `${p.what} ${Math.round(p.deg)}${p.toDeg === undefined ? '' : `-${Math.round(p.toDeg)}`}`).join(', ');
    const whole = stepsFor(input).map((s) =>
      [s.say, s.sideUp && `${s.sideUp} side up`, places(s), s.parts.length > 0 && `parts: ${s.parts.join(', ')}`, s.tools.length > 0 && `tools: ${s.tools.join(', ')}`, s.caution && `! ${s.caution}`].filter(Boolean).join(' | '),
    );
    expect(whole.join('\n')).toMatchSnapshot();
  });
});
