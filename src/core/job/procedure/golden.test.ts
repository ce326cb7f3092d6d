import { WHEELS_OF_THE_TRADE } from '../../../../tests/wheels-of-the-trade';
import { stepsFor } from '.';

const STATIONS = ['off', 'toff', 'in', 'on', 'seat', 'set', 'back'] as const;

/** Whole procedures, station by station: a change in any of them is meant, or it is a mistake. */
describe('golden procedures', () => {
  const GOLDEN = new Map<string, Record<(typeof STATIONS)[number], string>>([
    [
      'dirt rear, one lock',
      {
        off: 'cool loosen lift mark caliper chain axle-out out axle pads',
        toff: 'core nut lock break soap first tube second',
        in: 'clean cracks spokes true old-weights strip lock',
        on: 'arrow shake powder tube-air soap first tube lock-feel mark start half last look',
        seat: 'clear little pops line settle',
        set: 'lock pressure cap nut',
        back: 'grease spacers chain axle pads caliper hand align torque slack ends pin pump spin down',
      },
    ],
    [
      'dirt front, two locks',
      {
        off: 'loosen lift mark caliper axle-out out axle pads',
        toff: 'core nut lock break soap first tube second',
        in: 'clean cracks spokes true old-weights strip lock',
        on: 'arrow shake powder tube-air soap first tube lock-feel mark start half last look',
        seat: 'clear little pops line settle',
        set: 'lock pressure cap nut',
        back: 'grease spacers axle pads caliper hand torque ends pin pump spin down',
      },
    ],
    [
      'trials rear, double-tubed',
      {
        off: 'cool loosen lift mark caliper chain axle-out out axle pads',
        toff: 'core nut lock break soap first tube second',
        in: 'clean cracks spokes true old-weights strip lock',
        on: 'arrow shake sleeve powder tube-air soap first tube lock-feel mark start half last look',
        seat: 'clear little pops line settle',
        set: 'lock pressure cap nut',
        back: 'grease spacers chain axle pads caliper hand align torque slack ends pin pump spin down',
      },
    ],
    [
      'adventure front, spoked with a tube',
      {
        off: 'loosen lift mark sensor caliper axle-out out axle pads',
        toff: 'core nut break soap first tube second',
        in: 'clean cracks spokes true old-weights strip',
        on: 'arrow shake powder tube-air soap first tube mark start half last look',
        seat: 'clear little pops line settle',
        set: 'pressure cap nut',
        back: 'grease spacers axle pads caliper hand sensor torque ends pin pump spin down',
      },
    ],
    [
      'adventure rear, spoked with a tube',
      {
        off: 'cool loosen lift mark sensor caliper chain axle-out out axle pads',
        toff: 'core nut break soap first tube second',
        in: 'clean cracks spokes true old-weights strip',
        on: 'arrow shake powder tube-air soap first tube mark start half last look',
        seat: 'clear little pops line settle',
        set: 'pressure cap nut',
        back: 'grease spacers chain axle pads caliper hand sensor align torque slack ends pin pump spin down',
      },
    ],
    [
      'road rear, cast, chain',
      {
        off: 'cool loosen lift mark sensor caliper chain axle-out out axle pads',
        toff: 'core break soap first second',
        in: 'clean cracks true old-weights stem',
        on: 'arrow shake soap first mark start half last look',
        seat: 'clear flow pops line air bubbles',
        set: 'core pressure cap',
        back: 'grease spacers chain axle pads caliper hand sensor align torque slack ends pin pump spin down',
      },
    ],
    [
      'cruiser rear, cast, shaft',
      {
        off: 'cool way loosen lift mark caliper axle-out shaft out axle pads',
        toff: 'core break soap first second',
        in: 'clean cracks true old-weights stem',
        on: 'arrow shake soap first mark start half last look',
        seat: 'clear flow pops line air bubbles',
        set: 'core pressure cap',
        back: 'grease splines spacers axle pads caliper hand torque ends pin exhaust pump spin down',
      },
    ],
    [
      'scooter rear, hub, drum',
      {
        off: 'cool way loosen lift mark brake-drum out hub',
        toff: 'core break soap first second',
        in: 'clean cracks true old-weights stem',
        on: 'arrow shake soap first mark start half last look',
        seat: 'clear flow pops line air bubbles',
        set: 'core pressure cap',
        back: 'grease seize spacers hub drum hand torque pin exhaust pump spin down',
      },
    ],
    [
      'scooter rear, split rim',
      {
        off: 'cool way loosen lift mark brake-drum out hub',
        toff: 'split-deflate nut break-split tube second-clamped',
        in: 'clean cracks true old-weights halves',
        on: 'arrow shake powder tube-air soap tube-clamped mark-clamped split split-torque look',
        seat: 'clear little pops line settle',
        set: 'pressure cap nut',
        back: 'grease seize spacers hub drum hand torque pin exhaust pump spin down',
      },
    ],
    [
      'sidecar wheel, doubled strip',
      {
        off: 'cool loosen lift mark brake-drum axle-out shaft out axle',
        toff: 'core nut break soap first tube second',
        in: 'clean cracks spokes true old-weights strip',
        on: 'arrow shake powder tube-air soap first tube mark start half last look',
        seat: 'clear little pops line settle',
        set: 'match pressure cap nut',
        back: 'grease splines spacers axle drum hand torque ends pin pump spin down',
      },
    ],
    [
      'quad front, cast',
      {
        off: 'loosen lift out',
        toff: 'core break soap first second',
        in: 'clean cracks true old-weights stem',
        on: 'arrow shake soap first start half last look',
        seat: 'clear flow pops line air bubbles',
        set: 'core pressure cap',
        back: 'nuts pedal lower torque',
      },
    ],
    [
      'side-by-side rear, beadlock',
      {
        off: 'loosen lift out',
        toff: 'split-deflate ring inner second-clamped',
        in: 'clean cracks true old-weights stem gap',
        on: 'arrow shake soap inner step ring ring-torque look',
        seat: 'clear center line air bubbles',
        set: 'pressure cap',
        back: 'nuts pedal lower torque',
      },
    ],
    [
      'quad rear on safety humps',
      {
        off: 'loosen lift out',
        toff: 'core break soap first second',
        in: 'clean cracks true old-weights stem',
        on: 'arrow shake soap first start half last look',
        seat: 'clear flow pops line air bubbles',
        set: 'core pressure cap',
        back: 'nuts pedal lower torque',
      },
    ],
    [
      'sidecar rig, front wheel',
      {
        off: 'loosen lift mark caliper axle-out out axle pads',
        toff: 'core nut break soap first tube second',
        in: 'clean cracks spokes true old-weights strip',
        on: 'arrow shake powder tube-air soap first tube mark start half last look',
        seat: 'clear little pops line settle',
        set: 'pressure cap nut',
        back: 'grease spacers axle pads caliper hand torque ends pin pump spin down',
      },
    ],
    [
      'sidecar rig, rear wheel',
      {
        off: 'cool loosen lift mark caliper axle-out shaft out axle pads',
        toff: 'core nut break soap first tube second',
        in: 'clean cracks spokes true old-weights strip',
        on: 'arrow shake powder tube-air soap first tube mark start half last look',
        seat: 'clear little pops line settle',
        set: 'match pressure cap nut',
        back: 'grease splines spacers axle pads caliper hand torque ends pin pump spin down',
      },
    ],
    [
      'drag rear, two rings',
      {
        off: 'loosen lift out',
        toff: 'split-deflate ring second-clamped',
        in: 'clean cracks true old-weights stem gap',
        on: 'arrow shake soap step ring ring-torque look',
        seat: 'clear center line air bubbles',
        set: 'rollout pressure cap',
        back: 'nuts pedal lower torque',
      },
    ],
    [
      'drag rear, beadlock',
      {
        off: 'loosen lift out',
        toff: 'split-deflate ring inner second-clamped',
        in: 'clean cracks true old-weights stem gap',
        on: 'arrow shake soap inner step ring ring-torque look',
        seat: 'clear center line air bubbles',
        set: 'rollout pressure cap',
        back: 'nuts pedal lower torque',
      },
    ],
  ]);

  test.each(WHEELS_OF_THE_TRADE)('%s', (name, input) => {
    const steps = stepsFor(input).map((s) => s.id);
    const shaped = Object.fromEntries(
      STATIONS.map((s) => [
        s,
        steps
          .filter((id) => id.startsWith(`${s}-`))
          .map((id) => id.slice(s.length + 1))
          .join(' '),
      ]),
    );
    expect(shaped).toEqual(GOLDEN.get(name));
    // Once it was ridden: whatever has an axle has bolts that want a second look.
    expect(steps.filter((id) => id.startsWith('leave-'))).toEqual(
      steps.includes('back-hand') ? ['leave-cool'] : [],
    );
    expect(steps.filter((id) => !id.startsWith('leave-'))).toHaveLength(
      Object.values(shaped).join(' ').split(' ').length,
    );
  });

  const ONE_PER_BUILD = WHEELS_OF_THE_TRADE.filter(
    ([, { wheel }], i, all) =>
      i === all.findIndex(([, other]) => other.wheel.build === wheel.build),
  );
  test.each(ONE_PER_BUILD)('%s, word for word', (_name, input) => {
    const places = (s: ReturnType<typeof stepsFor>[number]) =>
      s.places
        .map(
          (p) =>
            `${p.what} ${Math.round(p.deg)}${p.toDeg === undefined ? '' : `-${Math.round(p.toDeg)}`}`,
        )
        .join(', ');
    const whole = stepsFor(input).map((s) =>
      [
        s.say,
        s.sideUp && `${s.sideUp} side up`,
        places(s),
        s.parts.length > 0 && `parts: ${s.parts.join(', ')}`,
        s.tools.length > 0 && `tools: ${s.tools.join(', ')}`,
        s.caution && `! ${s.caution}`,
      ]
        .filter(Boolean)
        .join(' | '),
    );
    expect(whole.join('\n')).toMatchSnapshot();
  });
});
