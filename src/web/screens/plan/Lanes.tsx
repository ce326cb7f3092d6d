import { hourText } from '../../parts/moment-text';
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { CSS } from '@dnd-kit/utilities';
import { Pin } from 'lucide-react';
import { Link } from 'react-router';
import { BLOCK_WORDS } from '../../../core/shop/day';
import { clockOf, hasRoomFor, type Bar } from './plan-rows';
import { WheelNumber } from './PlannedWheels';

const MINUTE_MS = 60_000;
const HOUR_MS = 3_600_000;
/** A block is set by hand to so many minutes. */
const SNAP_MIN = 5;
const LANE_PX = 84;
const PX_PER_MIN = 4.2;
const NAME_PX = 130;
/** A block narrower than this has no room for its number. */
const MIN_NUMBER_PX = 34;

/** The new place of a block: its person, and when it begins. */
export interface Moved {
  bar: Bar;
  person: string;
  startMs: number;
}

/** The arrows: five minutes to a side, a person up or down. */
const byArrows: KeyboardCoordinateGetter = (event, { currentCoordinates: { x, y } }) => {
  const step = SNAP_MIN * PX_PER_MIN;
  switch (event.code) {
    case 'ArrowRight':
      return { x: x + step, y };
    case 'ArrowLeft':
      return { x: x - step, y };
    case 'ArrowDown':
      return { x, y: y + LANE_PX };
    case 'ArrowUp':
      return { x, y: y - LANE_PX };
    default:
      return undefined;
  }
};

const HOW =
  'Space starts a move. Left and right change the time by five minutes, up and down the person. Space pins it; Escape cancels.';

const Block = ({
  bar,
  fromMs,
  onFree,
}: {
  bar: Bar;
  fromMs: number;
  onFree: (bar: Bar) => void;
}) => {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: bar.key,
  });
  const width = ((bar.endMs - bar.startMs) / MINUTE_MS) * PX_PER_MIN;
  const its =
    bar.promisedMs === null ? BLOCK_WORDS[bar.block] : `promised ${clockOf(bar.promisedMs)}`;
  const hasName = hasRoomFor(bar.wheel, width, 2) && hasRoomFor(its, width, 1);
  return (
    <div
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      aria-label={bar.label}
      onKeyUp={(e) => {
        if (e.key === 'f' && bar.fixed) onFree(bar);
      }}
      className={`absolute top-2 flex h-[68px] cursor-grab touch-none items-center gap-2 overflow-hidden rounded-b-2xl border-2 px-1.5 text-[15px] leading-tight select-none ${
        bar.late ? 'border-stop' : bar.fixed ? 'border-ink' : 'border-lip'
      } ${isDragging ? 'z-20 bg-paper shadow-lg' : bar.fixed ? 'bg-paper' : 'bg-water3'}`}
      style={{
        left: NAME_PX + ((bar.startMs - fromMs) / MINUTE_MS) * PX_PER_MIN,
        width: Math.max(16, width - 3),
        transform: CSS.Translate.toString(transform),
      }}
    >
      {width >= MIN_NUMBER_PX && <WheelNumber number={bar.wheelNumber} />}
      {(hasName || hasRoomFor(its, width, 2)) && (
        <span className="min-w-0">
          {hasName && (
            <span className="block font-semibold">
              {bar.fixed && <Pin size={14} className="mr-1 inline" aria-hidden="true" />}
              {bar.wheel}
            </span>
          )}
          <span className={`block ${bar.late ? 'text-stop' : 'text-ink2'}`}>{its}</span>
        </span>
      )}
    </div>
  );
};

/**
 * Lanes of time, one for each person: a block is dragged, or moved by keys, to someone and to a
 * time.
 */
export const Lanes = ({
  bars,
  people,
  fromMs,
  onMove,
  onFree,
}: {
  bars: readonly Bar[];
  people: readonly string[];
  fromMs: number;
  onMove: (moved: Moved) => void;
  onFree: (bar: Bar) => void;
}) => {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byArrows }),
  );
  const firstHour = Math.ceil(fromMs / HOUR_MS) * HOUR_MS;
  const lastMs = Math.max(fromMs + 4 * HOUR_MS, ...bars.map((b) => b.endMs)) + 30 * MINUTE_MS;
  const hours = Array.from(
    { length: Math.ceil((lastMs - firstHour) / HOUR_MS) },
    (_, i) => firstHour + i * HOUR_MS,
  );
  const at = (ms: number) => NAME_PX + ((ms - fromMs) / MINUTE_MS) * PX_PER_MIN;

  /** The place of a block after being moved by so many pixels. */
  const movedBy = (bar: Bar, delta: { x: number; y: number }): Moved => {
    const steps = Math.round(delta.x / PX_PER_MIN / SNAP_MIN);
    const lane = people.indexOf(bar.person) + Math.round(delta.y / LANE_PX);
    const person = people[Math.min(people.length - 1, Math.max(0, lane))]!;
    return { bar, person, startMs: Math.max(fromMs, bar.startMs + steps * SNAP_MIN * MINUTE_MS) };
  };
  const barOf = (id: string | number) => bars.find((b) => b.key === id);
  const put = ({ active, delta }: DragEndEvent) => {
    const bar = barOf(active.id);
    if (bar && (delta.x !== 0 || delta.y !== 0)) onMove(movedBy(bar, delta));
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Moving: ${barOf(active.id)?.label ?? ''}`,
    onDragOver: () => undefined,
    onDragEnd: ({ active }) => `Pinned: ${barOf(active.id)?.wheel ?? ''}`,
    onDragCancel: ({ active }) => `Moving: ${barOf(active.id)?.label ?? ''}`,
  };
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={put}
      accessibility={{ announcements, screenReaderInstructions: { draggable: HOW } }}
    >
      <div
        className="overflow-x-auto border-b-2 border-ink pb-1"
        tabIndex={0}
        role="region"
        aria-label="Schedule"
      >
        <div className="relative" style={{ width: at(lastMs) }}>
          <div
            className="relative h-6 border-b-2 border-ink text-[14px] text-ink2"
            aria-hidden="true"
          >
            {hours.map((ms) => (
              <span key={ms} className="num absolute -translate-x-1/2" style={{ left: at(ms) }}>
                {hourText(new Date(ms))}
              </span>
            ))}
          </div>
          {people.map((person) => (
            <div
              key={person}
              className="relative border-b border-stone3"
              style={{ height: LANE_PX }}
            >
              <span className="head sticky left-0 z-10 flex h-full w-[124px] items-center bg-stone pr-2 text-lg leading-tight">
                {person}
              </span>
              {hours.map((ms) => (
                <span
                  key={ms}
                  className="absolute inset-y-0 border-l border-dotted border-stone3"
                  style={{ left: at(ms) }}
                  aria-hidden="true"
                />
              ))}
              {bars
                .filter((b) => b.person === person)
                .map((bar) => (
                  <Block key={bar.key} bar={bar} fromMs={fromMs} onFree={onFree} />
                ))}
            </div>
          ))}
        </div>
      </div>
      <p className="mt-1 text-[15px] text-ink2">
        Drag a block to a person and time to pin it. {HOW} F unpins it.
      </p>
    </DndContext>
  );
};

/** The same on a phone: what each does, one after the other. */
export const LaneList = ({ bars, people }: { bars: readonly Bar[]; people: readonly string[] }) => (
  <div>
    {people.map((person) => (
      <section key={person} aria-label={person} className="mb-3">
        <h2 className="text-2xl">{person}</h2>
        <ol className="rows">
          {bars
            .filter((b) => b.person === person)
            .map((bar) => (
              <li key={bar.key} className="flex gap-3 border-b border-stone3 py-2">
                <span className="num w-28 shrink-0">
                  {clockOf(bar.startMs)} to {clockOf(bar.endMs)}
                </span>
                <Link to={`/jobs/${bar.jobId}`} className="min-w-0 leading-tight no-underline">
                  <span className="block font-semibold">{bar.wheel}</span>
                  <span className={bar.late ? 'text-stop' : 'text-ink2'}>
                    {BLOCK_WORDS[bar.block]}
                    {bar.fixed && ', pinned'}
                  </span>
                </Link>
              </li>
            ))}
        </ol>
      </section>
    ))}
  </div>
);
