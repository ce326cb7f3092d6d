import { timeText } from '../../parts/moment-text';
import { BLOCK_WORDS, type BlockName } from '../../../core/shop/day';
import type { PlanAnswer } from '../../store/day-api';

const MINUTE_MS = 60_000;

/** A block of work as it is drawn. */
export interface Bar {
  key: string;
  visitId: string;
  jobId: string;
  block: BlockName;
  person: string;
  startMs: number;
  endMs: number;
  fixed: boolean;
  /** Number of its wheel in this plan, by first start. */
  wheelNumber: number;
  wheel: string;
  label: string;
  /** Of the block with which a promised machine is done: the promise. */
  promisedMs: number | null;
  /** The promise is not kept. */
  late: boolean;
}

export const clockOf = (ms: number): string => timeText(new Date(ms));

/** The rows of a plan on the clock. */
export const barsOf = ({ at, working }: PlanAnswer): Bar[] => {
  const atMs = Date.parse(at);
  const wheels = new Map(
    working.input.visits.flatMap((v) => v.wheels.map((w) => [w.id, w.name] as const)),
  );
  const late = new Set(working.result.broken.map((b) => b.visitId));
  const dueOf = (visitId: string, endMin: number): number | null => {
    const dueMin = working.input.visits.find((v) => v.id === visitId)?.dueMin ?? null;
    const isLast = working.result.done.some((d) => d.visitId === visitId && d.endMin === endMin);
    return dueMin === null || !isLast ? null : atMs + dueMin * MINUTE_MS;
  };
  const order = [...working.result.rows].sort((a, b) => a.startMin - b.startMin);
  const numbers = [...new Set(order.map((row) => row.wheelId))];
  return working.result.rows.map((row) => {
    const [startMs, endMs] = [atMs + row.startMin * MINUTE_MS, atMs + row.endMin * MINUTE_MS];
    const wheel = wheels.get(row.wheelId) ?? '';
    return {
      key: `${row.wheelId} ${row.block}`,
      visitId: row.visitId,
      jobId: row.wheelId,
      block: row.block,
      person: row.person,
      startMs,
      endMs,
      fixed: row.fixed,
      wheelNumber: numbers.indexOf(row.wheelId) + 1,
      wheel,
      label: `${wheel}, ${BLOCK_WORDS[row.block]}, ${row.person}, ${clockOf(startMs)} to ${clockOf(endMs)}${row.fixed ? ', pinned' : ''}`,
      promisedMs: dueOf(row.visitId, row.endMin),
      late: late.has(row.visitId),
    };
  });
};

/** A wheel of the plan: when its work ends, against what was promised. */
export interface PlannedWheel {
  number: number;
  jobId: string;
  wheel: string;
  endMs: number;
  promisedMs: number | null;
  late: boolean;
}

/** The wheels of a plan by their numbers. */
export const plannedWheels = (bars: readonly Bar[]): PlannedWheel[] => {
  const numbers = [...new Set(bars.map((b) => b.wheelNumber))].sort((a, b) => a - b);
  return numbers.map((number) => {
    const its = bars.filter((b) => b.wheelNumber === number);
    const [{ jobId, wheel }] = its as [Bar, ...Bar[]];
    return {
      number,
      jobId,
      wheel,
      endMs: Math.max(...its.map((b) => b.endMs)),
      promisedMs: its.find((b) => b.promisedMs !== null)?.promisedMs ?? null,
      late: its.some((b) => b.late),
    };
  });
};

/** Width of a letter of a block's text, and of what stands beside it, in pixels. */
const LETTER_PX = 8;
const BESIDE_PX = 46;

/** Whether a text fits so many lines of a block; no word is cut. */
export const hasRoomFor = (text: string, widthPx: number, lines: number): boolean => {
  const roomPx = widthPx - BESIDE_PX;
  const longestPx = Math.max(...text.split(' ').map((word) => word.length)) * LETTER_PX;
  return longestPx <= roomPx && text.length * LETTER_PX <= roomPx * lines;
};
