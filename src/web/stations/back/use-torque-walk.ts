import { useState } from 'react';
import type { DeviceLine } from '../../../core/devices';
import { fastenersOf, type EntryData } from '../../../core/job';
import {
  torqueCheck,
  torqueSequence,
  torqueWrench,
  type Lubricant,
  type TorqueChoice,
  type TorqueTurn,
} from '../../../core/torque';
import type { Fastener } from '../../../core/wheels';
import type { Working } from '../../../core/working';
import { useJob } from '../../parts/job-context';
import { useUnits } from '../../parts/quantity';
import { useDo } from '../../store';
import { announce } from '../../store/jobs-slice';

/** How a fastener was tightened. */
export type Tightened = EntryData['torqued']['how'];

/** A fastener in its turn, with the wrench that covers it; no choice where the manual has no figure. */
export interface WalkRow {
  fastener: Fastener;
  turn: TorqueTurn;
  choice: Working<TorqueChoice> | null;
}

/** The fasteners of this wheel, one after the other, then once round again. */
export interface TorqueWalk {
  rows: readonly WalkRow[];
  /** The one that comes next; undefined once all are tightened. */
  next: WalkRow | undefined;
  /** The open ones that have one way to be right: a wrench covers them, or the manual has no figure. */
  sure: readonly WalkRow[];
  /** All are tightened, and those with a torque were not gone over again yet. */
  isSecondRound: boolean;
  /** On the threads of the next one; null where the manual means what is there. */
  thread: Lubricant | null;
  setThread(thread: Lubricant | null): void;
  /** Writes how a fastener was tightened. */
  keep(fastener: Fastener, how: Tightened, wrench: string | null): Promise<boolean>;
  /** The wrench clicked: it is written where it is this fastener's torque, else said. */
  click(fastener: Fastener, line: DeviceLine): void;
  /** The next one as it has to be: torqued with its wrench, snug where there is no figure. */
  keepNext(): Promise<void>;
  /** Writes these as `keepNext` writes one. */
  keepAll(rows: readonly WalkRow[]): Promise<boolean>;
  /** Every one that has a torque clicked once more; ticks `stepId` with it. */
  keepRound(stepId: string): Promise<boolean>;
}

/** The torque walk of the station. */
export const useTorqueWalk = (): TorqueWalk => {
  const { state, shop, write } = useJob();
  const dispatch = useDo();
  const { tell } = useUnits();
  const [thread, setThread] = useState<Lubricant | null>(null);
  const wrenches = shop.wrenches.map(({ name, minNm, maxNm, leverMm }) => ({
    name,
    minNm,
    maxNm,
    ...(leverMm !== null ? { leverMm } : {}),
  }));
  const fasteners = fastenersOf(state);
  const isOpen = ({ name }: Fastener) => !state.torqued[name];
  const { turns } = torqueSequence.run({
    fasteners: fasteners.map((f) => ({
      name: f.name,
      torqueNm: f.torqueNm,
      renews: f.renews,
      ...(thread !== null && f === fasteners.find(isOpen) ? { thread } : {}),
    })),
    wrenches,
  }).result;
  // Both are in the order in which they are tightened.
  const rows = fasteners.map((fastener, i): WalkRow => ({
    fastener,
    turn: turns[i]!,
    choice: fastener.torqueNm === null ? null : torqueWrench.run({ torqueNm: fastener.torqueNm, wrenches }),
  }));
  const next = rows.find(({ fastener }) => isOpen(fastener));
  const again = rows.filter(({ fastener }) => fastener.torqueNm !== null && !state.secondRound.includes(fastener.name));
  const entry = (fastener: Fastener, how: Tightened, wrench: string | null) => ({
    fastener: fastener.name,
    how,
    torqueNm: fastener.torqueNm,
    wrench,
    thread: fastener.torqueNm !== null && fastener === next?.fastener ? thread : null,
  });
  const keep = async (fastener: Fastener, how: Tightened, wrench: string | null) => {
    const isKept = await write([{ kind: 'torqued', data: entry(fastener, how, wrench) }]);
    if (isKept) setThread(null);
    return isKept;
  };
  const click = (fastener: Fastener, { value, device }: DeviceLine) => {
    const { within, reason } = torqueCheck.run({ wantedNm: fastener.torqueNm!, reachedNm: value }).result;
    // A click at another torque is no torque of this fastener: it is said, and nothing is ticked.
    if (!within) return void dispatch(announce({ text: tell(reason), tone: 'stop' }));
    const data = { ...entry(fastener, 'torqued', device), torqueNm: value, device };
    void write([{ kind: 'torqued', data }], tell(reason));
    setThread(null);
  };
  const wrenchOf = ({ choice }: WalkRow) => choice?.result.wrench?.name ?? null;
  // Without a wrench for it only the fitter can say how it was tightened.
  const sure = rows.filter((r) => isOpen(r.fastener) && (r.fastener.torqueNm === null || wrenchOf(r) !== null));
  const keepAll = (those: readonly WalkRow[]) =>
    write(
      those.map((r) => ({
        kind: 'torqued' as const,
        data: entry(r.fastener, r.fastener.torqueNm === null ? 'snug' : 'torqued', wrenchOf(r)),
      })),
      those.length > 1 ? 'Tightened as shown.' : undefined,
    );
  const keepNext = async () => {
    if (next && sure.includes(next) && (await keepAll([next]))) setThread(null);
  };
  const keepRound = (stepId: string) =>
    write(
      [
        ...again.map(({ fastener }) => ({
          kind: 'torqued' as const,
          data: { ...state.torqued[fastener.name]!, device: null, torqueNm: fastener.torqueNm, pass: 2 as const },
        })),
        { kind: 'step', data: { stepId } },
      ],
      'Gone over once more.',
    );
  const isSecondRound = !next && again.length > 0;
  return { rows, next, sure, isSecondRound, thread, setThread, keep, click, keepNext, keepAll, keepRound };
};
