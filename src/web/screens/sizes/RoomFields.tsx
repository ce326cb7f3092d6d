import { CLEARANCE_PLACES } from '../../../core/fit/tires';
import { POSITION_WORDS, type Wheel } from '../../../core/fit/wheels';
import { QuantityField } from '../../shared/fields';
import { RecordPick } from '../../shared/RecordPick';
import type { RecordPage } from '../../store/records-api';
import type { TypedRooms } from './use-typed-rooms';

interface Props {
  wheelId: string;
  /** Of the wheel that is picked; empty for none. */
  machineName: string;
  /** The note on the room of this wheel. */
  note: { hint?: string; problem?: string };
  rooms: TypedRooms;
  onWheel: (wheelId: string) => void;
}

const capital = (word: string): string => `${word[0]!.toUpperCase()}${word.slice(1)}`;

/** The wheel that the sizes are for, and the room round its present tire. */
export const RoomFields = ({ wheelId, machineName, note, rooms, onWheel }: Props) => {
  const nameOf = (wheel: Wheel, machines: RecordPage['machines']): string =>
    `${machines[wheel.machineId] ?? machineName}, ${POSITION_WORDS[wheel.position].toLowerCase()}`;
  return (
    <div
      role="group"
      aria-label="Clearance measured with the current tire"
      className="mt-2 grid grid-cols-2 items-start gap-x-3 gap-y-1 border-t-2 border-ink pt-2 sm:grid-cols-[1.8fr_1fr_1fr_1fr_1fr]"
    >
      <div className="max-sm:col-span-2">
        <RecordPick
          kind="wheels"
          label="On the wheel"
          value={wheelId}
          onChange={onWheel}
          none="no wheel selected"
          nameOf={nameOf}
          {...note}
        />
      </div>
      {CLEARANCE_PLACES.map((place) => (
        <QuantityField
          key={place}
          label={capital(place)}
          unit="mm"
          value={rooms.textOf(place)}
          onChange={(text) => rooms.type(place, text)}
          problem={rooms.problemOf(place)}
        />
      ))}
    </div>
  );
};
