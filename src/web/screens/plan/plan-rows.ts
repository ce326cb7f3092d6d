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
  wheel: string;
  says: string;
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
      wheel,
      says: `${wheel}, ${BLOCK_WORDS[row.block]}, ${row.person}, ${clockOf(startMs)} to ${clockOf(endMs)}${row.fixed ? ', pinned' : ''}`,
      promisedMs: dueOf(row.visitId, row.endMin),
      late: late.has(row.visitId),
    };
  });
};
