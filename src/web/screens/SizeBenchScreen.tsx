import { skipToken } from '@reduxjs/toolkit/query/react';
import { useMemo } from 'react';
import { tireCompare, tireSize } from '../../core/fit/tires';
import { wheelEnd, type Wheel } from '../../core/fit/wheels';
import { attempt } from '../../core/base/working';
import { Button } from '../parts/Button';
import { Frame, Waiting } from '../shared/Frame';
import { SizePicture } from '../pictures/SizePicture';
import { useAddress } from '../parts/use-address';
import { BasisTag, useMainWorking } from '../shared/working';
import { useApp, useDo } from '../store';
import { readRecord, useMachineQuery, useRecordQuery } from '../store/records-api';
import { RoomFields } from './sizes/RoomFields';
import { SizeField } from './sizes/SizeField';
import { useRooms } from './sizes/use-rooms';
import { useTypedRooms } from './sizes/use-typed-rooms';
import { refusalText } from '../shared/refusal';

const MOST = 4;
const START = ['140/80-17', '130/80-17'];

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

const sizeOf = (marking: string): string | null => {
  const read = attempt(tireSize, { marking: marking || ' ' });
  return read.ok ? read.working.result.size : null;
};

/** The note on the measured room, for a comparison that begins with this size. */
const roomNote = (
  wheelId: string,
  from: string | null,
  first: string,
): { hint?: string; problem?: string } => {
  if (from === null) return wheelId ? { hint: 'No clearance measured on this wheel yet.' } : {};
  const [measured, compared] = [sizeOf(from), sizeOf(first)];
  if (measured !== null && compared !== null && measured !== compared)
    return { problem: `Clearance was measured with ${from}, not with size A. Measure again.` };
  return { hint: `Clearance as last measured, with ${from} on.` };
};

/** Two to four sizes to scale over one another, on the room that was measured. */
export const SizeBenchScreen = () => {
  const [{ given, wheelId }, set] = useAddress(readBench, writeBench);
  const shop = useApp((s) => s.shop.shop);
  const dispatch = useDo();
  const { currentData: record } = useRecordQuery(
    wheelId ? { kind: 'wheels', id: wheelId } : skipToken,
  );
  const wheel = record as Wheel | undefined;
  const { currentData: ofMachine } = useMachineQuery(wheel?.machineId ?? skipToken);
  const sizes = given.length >= 2 ? given : wheel ? [wheel.tireMarking, wheel.tireMarking] : START;
  const { rooms: measured, from } = useRooms(wheelId);
  const rooms = useTypedRooms(measured);
  const { clearancesMm } = rooms;

  const put = (to: string[]) => set({ given: to, wheelId });
  const chooseWheel = async (id: string) => {
    rooms.clear();
    const chosen = id ? await dispatch(readRecord('wheels', id)).catch(() => null) : null;
    set({ given: chosen ? [chosen.tireMarking, ...sizes.slice(1)] : sizes, wheelId: id }, true);
  };

  const rules = useMemo(
    () => Object.fromEntries((shop?.rules ?? []).map((r) => [r.key, r.value])),
    [shop?.rules],
  );
  const filled = sizes.map((s) => s.trim()).filter(Boolean);
  const key = filled.join('|');
  const compared = useMemo(() => {
    const end = wheel && wheelEnd(wheel.position);
    const { machine, wheels = [] } = ofMachine ?? {};
    const other =
      machine?.wheelSensors && wheels.find((w) => !w.archived && wheelEnd(w.position) !== end);
    const { sprocketFront = null, sprocketRear = null } = machine ?? {};
    return attempt(tireCompare, {
      sizes: key.split('|').map((s) => s || ' '),
      rules,
      clearancesMm,
      ...(end ? { end } : {}),
      ...(sprocketFront !== null && sprocketRear !== null
        ? { sprockets: { front: sprocketFront, rear: sprocketRear } }
        : {}),
      ...(other ? { otherEnd: other.tireMarking } : {}),
    });
  }, [key, rules, clearancesMm, wheel, ofMachine]);
  useMainWorking('the sizes compared', compared.ok ? compared.working : null);
  if (!shop)
    return (
      <Frame title="Compare sizes">
        <Waiting what="Loading records" />
      </Frame>
    );

  // Empty fields are not compared: the others stand by their place among those that are filled.
  const placeOf = (i: number): number =>
    sizes[i]!.trim() ? sizes.slice(0, i).filter((s) => s.trim()).length : -1;
  const badAt = compared.ok ? -1 : Number(/^sizes\[(\d)\]/.exec(compared.problem.field)?.[1] ?? -1);
  return (
    <Frame title="Compare sizes">
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_430px]">
        <section aria-label="Both sizes overlaid" className="order-2 lg:order-1">
          {compared.ok ? (
            <SizePicture
              comparison={compared.working.result}
              clearancesMm={clearancesMm}
              className="w-full lg:max-h-[calc(100dvh-320px)]"
            />
          ) : (
            <p className="py-16 text-center text-xl text-ink2">
              {filled.length < 2 ? 'Enter a second size.' : 'A size can’t be read yet.'}
            </p>
          )}
          <RoomFields
            wheelId={wheelId}
            machineName={ofMachine?.machine.name ?? ''}
            note={roomNote(wheelId, from, sizes[0]!)}
            rooms={rooms}
            onWheel={(id) => void chooseWheel(id)}
          />
        </section>
        <section className="order-1 space-y-2 lg:order-2">
          {sizes.map((size, i) => (
            <SizeField
              key={i}
              index={i}
              size={size}
              change={
                compared.ok && i > 0 && placeOf(i) > 0
                  ? compared.working.result.changes[placeOf(i) - 1]
                  : undefined
              }
              problem={
                !compared.ok && badAt >= 0 && placeOf(i) === badAt
                  ? refusalText(compared.problem)
                  : null
              }
              onChange={(to) => put(sizes.map((s, j) => (j === i ? to : s)))}
              onAway={sizes.length > 2 && i > 0 ? () => put(sizes.filter((_, j) => j !== i)) : null}
            />
          ))}
          <div className="flex flex-wrap items-center gap-3">
            {sizes.length < MOST && (
              <Button small onClick={() => put([...sizes, ''])}>
                Add size
              </Button>
            )}
            {compared.ok && (
              <BasisTag title="the sizes compared" working={compared.working}>
                math
              </BasisTag>
            )}
          </div>
        </section>
      </div>
    </Frame>
  );
};
