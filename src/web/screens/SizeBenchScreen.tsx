import { useEffect, useMemo, useState } from 'react';
import { inUse } from '../../core/shop';
import {
  CLEARANCE_PLACES,
  SIZE_LETTERS,
  tireCompare,
  tireSize,
  type ClearancePlace,
  type Clearances,
  type SizeChange,
} from '../../core/tires';
import { POSITION_WORDS, wheelEnd } from '../../core/wheels';
import { attempt } from '../../core/working';
import { Button } from '../parts/Button';
import { ChoiceField, QuantityField, TextField } from '../parts/fields';
import { Frame, Waiting } from '../parts/Frame';
import { useUnits } from '../parts/quantity';
import { Reasons } from '../parts/Reasons';
import { SizePicture } from '../parts/SizePicture';
import { VerdictMark } from '../parts/VerdictMark';
import { useAddress } from '../parts/use-address';
import { BasisTag, useMainWorking } from '../parts/working';
import { useApp } from '../store';
import { api } from '../store/api';

const MOST = 4;
const START = ['130/90-16', '130/80-16'];

interface BenchAddress {
  given: string[];
  wheelId: string;
}
const readBench = (params: URLSearchParams): BenchAddress => ({
  given: params.getAll('size').slice(0, MOST),
  wheelId: params.get('wheel') ?? '',
});
const writeBench = (params: URLSearchParams, { given, wheelId }: BenchAddress): void => {
  params.delete('size');
  for (const size of given) params.append('size', size);
  if (wheelId) params.set('wheel', wheelId);
  else params.delete('wheel');
};

/** What the drawing cannot show of a change, in one sentence. */
const useAside = () => {
  const { say } = useUnits();
  return (c: SizeChange): string =>
    [
      `${say(c.turnsPerKm, '1/km')}`,
      Math.abs(c.speedometerErrorPct) < 0.05
        ? 'speedometer unchanged'
        : `speedometer reads ${say(Math.abs(c.speedometerErrorPct), 'pct')} ${c.speedometerErrorPct > 0 ? 'high' : 'low'}`,
      c.likeRearTeeth !== null && `geared like ${c.likeRearTeeth.toFixed(1)} teeth at the rear`,
      c.sensor && `sensor ratio ${say(c.sensor.changePct, 'pct', { sign: true })}`,
    ]
      .filter(Boolean)
      .join(' · ');
};

/** The rooms last measured on a wheel. */
const useRooms = (wheelId: string): { rooms: Clearances; from: string | null } => {
  const [known, setKnown] = useState<{ wheelId: string; rooms: Clearances; from: string | null }>({
    wheelId: '',
    rooms: {},
    from: null,
  });
  useEffect(() => {
    if (!wheelId) return;
    let gone = false;
    api.wheelRecord(wheelId).then(
      ({ history, wheel }) => {
        if (!gone)
          setKnown({
            wheelId,
            rooms: Object.fromEntries(history.clearances.map((c) => [c.place, c.mm])),
            from: history.clearances[0]?.withTire ?? wheel.tireMarking,
          });
      },
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [wheelId]);
  return known.wheelId === wheelId ? known : { rooms: {}, from: null };
};

/** Whether two markings name one size, whatever follows it; null where one cannot be read. */
const sameSize = (a: string, b: string): boolean | null => {
  const [x, y] = [a, b].map((marking) => attempt(tireSize, { marking: marking || ' ' }));
  return x?.ok && y?.ok ? x.working.result.canonical.split(' ')[0] === y.working.result.canonical.split(' ')[0] : null;
};

/** Two to four sizes to scale over one another, on the room that was measured. */
export const SizeBenchScreen = () => {
  const [{ given, wheelId }, set] = useAddress(readBench, writeBench);
  const { say, read, write } = useUnits();
  const all = useApp((s) => s.shop.shop);
  const shop = useMemo(() => all && inUse(all), [all]);
  const aside = useAside();
  const wheel = shop?.wheels.find((w) => w.id === wheelId);
  const sizes = given.length >= 2 ? given : wheel ? [wheel.tireMarking, wheel.tireMarking] : START;
  const machine = shop?.machines.find((m) => m.id === wheel?.machineId);
  const { rooms, from } = useRooms(wheelId);
  const [typed, setTyped] = useState<Partial<Record<ClearancePlace, string>>>({});

  const put = (to: string[]) => set({ given: to, wheelId });
  const chooseWheel = (id: string) => {
    setTyped({});
    const w = shop?.wheels.find((x) => x.id === id);
    set({ given: w ? [w.tireMarking, ...sizes.slice(1)] : sizes, wheelId: id }, true);
  };

  const clearancesMm = useMemo(() => {
    const all: Clearances = {};
    for (const place of CLEARANCE_PLACES) {
      const text = typed[place];
      const value = text === undefined ? rooms[place] : text.trim() ? (read(text, 'mm') ?? undefined) : undefined;
      if (value !== undefined && value >= 0 && value <= 1000) all[place] = value;
    }
    return all;
  }, [typed, rooms, read]);
  const rules = useMemo(() => Object.fromEntries((shop?.rules ?? []).map((r) => [r.key, r.value])), [shop?.rules]);
  const filled = sizes.map((s) => s.trim()).filter(Boolean);
  const key = filled.join('|');
  const compared = useMemo(() => {
    const other =
      machine?.wheelSensors && wheel
        ? shop?.wheels.find((w) => w.machineId === machine.id && wheelEnd(w.position) !== wheelEnd(wheel.position))
        : undefined;
    return attempt(tireCompare, {
      sizes: key.split('|').map((s) => s || ' '),
      rules,
      clearancesMm,
      ...(wheel ? { end: wheelEnd(wheel.position) } : {}),
      ...(machine && machine.sprocketFront !== null && machine.sprocketRear !== null
        ? { sprockets: { front: machine.sprocketFront, rear: machine.sprocketRear } }
        : {}),
      ...(other ? { otherEnd: other.tireMarking } : {}),
    });
  }, [key, rules, clearancesMm, wheel, machine, shop?.wheels]);
  useMainWorking('the sizes compared', compared.ok ? compared.working : null);
  const badAt = compared.ok ? -1 : Number(/^sizes\[(\d)\]/.exec(compared.problem.field)?.[1] ?? -1);
  if (!shop)
    return (
      <Frame title="Size bench">
        <Waiting what="Reading the records" />
      </Frame>
    );
  const isOther = from !== null && sameSize(from, sizes[0]!) === false;
  let n = -1;
  return (
    <Frame title="Size bench">
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_430px]">
        <section aria-label="The sizes over one another" className="order-2 lg:order-1">
          {compared.ok ? (
            <SizePicture
              comparison={compared.working.result}
              clearancesMm={clearancesMm}
              className="w-full lg:max-h-[480px]"
            />
          ) : (
            <p className="py-16 text-center text-xl text-ink2">
              {filled.length < 2 ? 'Type a second size.' : 'A size is not readable yet.'}
            </p>
          )}
          <div
            role="group"
            aria-label="Room measured with the present tire"
            className="mt-2 grid grid-cols-2 items-start gap-x-3 gap-y-1 border-t-2 border-ink pt-2 sm:grid-cols-[1.8fr_1fr_1fr_1fr_1fr]"
          >
            <div className="max-sm:col-span-2">
              <ChoiceField
                label="On the wheel"
                value={wheelId}
                onChange={chooseWheel}
                options={[
                  ['', 'no wheel in particular'],
                  ...shop.wheels.map(
                    (w) =>
                      [
                        w.id,
                        `${shop.machines.find((m) => m.id === w.machineId)?.name ?? ''}, ${POSITION_WORDS[w.position].toLowerCase()}`,
                      ] as const,
                  ),
                ]}
                {...(from
                  ? isOther
                    ? {
                        problem: `The room was measured with ${from} on, and A is another size: the room left is not right.`,
                      }
                    : { hint: `Room as last measured, with ${from} on.` }
                  : wheelId
                    ? { hint: 'No room measured on this wheel yet.' }
                    : {})}
              />
            </div>
            {CLEARANCE_PLACES.map((place) => (
              <QuantityField
                key={place}
                label={`${place[0]!.toUpperCase()}${place.slice(1)}`}
                unit="mm"
                value={typed[place] ?? (rooms[place] !== undefined ? write(rooms[place], 'mm', 2) : '')}
                onChange={(v) => setTyped((all) => ({ ...all, [place]: v }))}
                problem={
                  typed[place]?.trim() && clearancesMm[place] === undefined
                    ? `A length up to ${say(1000, 'mm')}.`
                    : null
                }
              />
            ))}
          </div>
        </section>
        <section className="order-1 space-y-2 lg:order-2">
          {sizes.map((size, i) => {
            if (size.trim()) n++;
            const at = size.trim() ? n : -1;
            const change = compared.ok && i > 0 && at > 0 ? compared.working.result.changes[at - 1] : undefined;
            return (
              <div key={i}>
                <div className="flex items-end gap-2">
                  <div className="flex-1">
                    <TextField
                      label={i === 0 ? 'A, the present one' : `${SIZE_LETTERS[i]}, as printed`}
                      value={size}
                      maxLength={40}
                      onChange={(v) => put(sizes.map((s, j) => (j === i ? v : s)))}
                      problem={
                        !compared.ok && at === badAt && at >= 0
                          ? `${compared.problem.message} Right would be ${compared.problem.expected}.`
                          : null
                      }
                    />
                  </div>
                  {sizes.length > 2 && i > 0 && (
                    <Button small onClick={() => put(sizes.filter((_, j) => j !== i))}>
                      Away<span className="sr-only"> with {size}</span>
                    </Button>
                  )}
                </div>
                {change && (
                  <div className="mt-1 text-[16px]">
                    <p className="flex flex-wrap items-center gap-x-3">
                      <VerdictMark verdict={change.verdict} />
                      {aside(change)}
                    </p>
                    <Reasons reasons={change.reasons.filter((r) => r.verdict !== 'good')} />
                  </div>
                )}
              </div>
            );
          })}
          <div className="flex flex-wrap items-center gap-3">
            {sizes.length < MOST && (
              <Button small onClick={() => put([...sizes, ''])}>
                One more size
              </Button>
            )}
            {compared.ok && (
              <BasisTag title="the sizes compared" working={compared.working}>
                the arithmetic
              </BasisTag>
            )}
          </div>
        </section>
      </div>
    </Frame>
  );
};
