import { CLEARANCE_PLACES } from '../../../core/tires';
import { POSITION_WORDS } from '../../../core/wheels';
import { ChoiceField, QuantityField } from '../../parts/fields';
import type { ShopAnswer } from '../../store/api';
import type { TypedRooms } from './use-typed-rooms';

interface Props {
  shop: ShopAnswer;
  wheelId: string;
  /** What is to be said of the room of this wheel. */
  note: { hint?: string; problem?: string };
  rooms: TypedRooms;
  onWheel: (wheelId: string) => void;
}

const capital = (word: string): string => `${word[0]!.toUpperCase()}${word.slice(1)}`;

/** Which wheel the sizes are for, and the room round its present tire. */
export const RoomFields = ({ shop, wheelId, note, rooms, onWheel }: Props) => {
  const nameOf = (machineId: string) => shop.machines.find((m) => m.id === machineId)?.name ?? '';
  const wheels = shop.wheels.map(
    (w) => [w.id, `${nameOf(w.machineId)}, ${POSITION_WORDS[w.position].toLowerCase()}`] as const,
  );
  return (
    <div
      role="group"
      aria-label="Room measured with the present tire"
      className="mt-2 grid grid-cols-2 items-start gap-x-3 gap-y-1 border-t-2 border-ink pt-2 sm:grid-cols-[1.8fr_1fr_1fr_1fr_1fr]"
    >
      <div className="max-sm:col-span-2">
        <ChoiceField
          label="On the wheel"
          value={wheelId}
          onChange={onWheel}
          options={[['', 'no wheel in particular'], ...wheels]}
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
