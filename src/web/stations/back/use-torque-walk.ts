import { useState } from 'react';
import type { DeviceLine } from '../../../core/bench/devices';
import { fastenersOf, type EntryData } from '../../../core/job';
import {
  torqueCheck,
  torqueSequence,
  torqueWrench,
  type Lubricant,
  type TorqueChoice,
  type TorqueTurn,
  type TorqueWrench,
} from '../../../core/bench/torque';
import type { Fastener } from '../../../core/fit/wheels';
import type { Working } from '../../../core/base/working';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import { useDo } from '../../store';
import { announce } from '../../store/jobs-slice';

/** The way a fastener was tightened. */
export type Tightened = EntryData['torqued']['how'];

/**
 * A fastener in its turn, with the wrench that covers it; no choice where the manual has no figure.
 */
export interface WalkRow {
  fastener: Fastener;
  turn: TorqueTurn;
  choice: Working<TorqueChoice> | null;
}

/**
 * On the threads, null where the manual means what is there; and a head in line with the handle,
 * null without one.
 */
interface TorqueAid {
  thread: Lubricant | null;
  extensionMm: number | null;
}

const NO_AID: TorqueAid = { thread: null, extensionMm: null };

/** The fasteners of this wheel, one after the other, then once round again. */
export interface TorqueWalk {
  rows: readonly WalkRow[];
  /** The one that comes next; undefined once all are tightened. */
  next: WalkRow | undefined;
  /**
   * The open ones that have one way to be right: a wrench covers them, or the manual has no figure.
   */
  sure: readonly WalkRow[];
  /** All are tightened, and those with a torque were not gone over again yet. */
  isSecondRound: boolean;
  /** The aid beside the plain wrench at the next one; gone once it is written. */
  aid: TorqueAid;
  setAid(aid: Partial<TorqueAid>): void;
  /** A wrench that is not the shop's, while this station is worked. */
  borrowed: TorqueWrench | null;
  borrow(wrench: TorqueWrench | null): void;
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
  const [aid, setAid] = useState<TorqueAid>(NO_AID);
  const [borrowed, borrow] = useState<TorqueWrench | null>(null);
  const ours = shop.wrenches.map(({ name, minNm, maxNm, leverMm }) => ({
    name,
    minNm,
    maxNm,
    ...(leverMm !== null ? { leverMm } : {}),
  }));
  const wrenches = borrowed ? [borrowed, ...ours] : ours;
  const fasteners = fastenersOf(state);
  const isOpen = ({ name }: Fastener) => !state.torqued[name];
  const atHand = fasteners.find(isOpen);
  const extension = aid.extensionMm === null ? {} : { extensionMm: aid.extensionMm };
  const used = { ...(aid.thread === null ? {} : { thread: aid.thread }), ...extension };
  const { turns } = torqueSequence.run({
    fasteners: fasteners.map((f) => ({
      name: f.name,
      torqueNm: f.torqueNm,
      renews: f.renews,
      ...(f === atHand ? used : {}),
    })),
    wrenches,
  }).result;
  // Both are in the order in which they are tightened.
  const rows = fasteners.map((fastener, i): WalkRow => ({
    fastener,
    turn: turns[i]!,
    choice:
      fastener.torqueNm === null
        ? null
        : torqueWrench.run({
            torqueNm: fastener.torqueNm,
            wrenches,
            ...(fastener === atHand ? extension : {}),
          }),
  }));
  const next = rows.find(({ fastener }) => isOpen(fastener));
  const again = rows.filter(
    ({ fastener }) => fastener.torqueNm !== null && !state.secondRound.includes(fastener.name),
  );
  const entry = (fastener: Fastener, how: Tightened, wrench: string | null) => ({
    fastener: fastener.name,
    how,
    torqueNm: fastener.torqueNm,
    wrench,
    ...(fastener.torqueNm !== null && fastener === atHand ? aid : NO_AID),
  });
  const keep = async (fastener: Fastener, how: Tightened, wrench: string | null) => {
    const isKept = await write([{ kind: 'torqued', data: entry(fastener, how, wrench) }]);
    if (isKept) setAid(NO_AID);
    return isKept;
  };
  const click = (fastener: Fastener, { value, device }: DeviceLine) => {
    // The click is at the wrench; with a head in line there is more at the fastener.
    const settingNm = fastener === atHand ? next?.choice?.result.settingNm : null;
    const reachedNm = value * (settingNm ? fastener.torqueNm! / settingNm : 1);
    const { within, reason } = torqueCheck.run({ wantedNm: fastener.torqueNm!, reachedNm }).result;
    // A click at another torque is no torque of this fastener: it is said, and nothing is ticked.
    if (!within) return void dispatch(announce({ text: tell(reason), tone: 'stop' }));
    const data = { ...entry(fastener, 'torqued', device), torqueNm: reachedNm, device };
    void write([{ kind: 'torqued', data }], tell(reason));
    setAid(NO_AID);
  };
  const wrenchOf = ({ choice }: WalkRow) => choice?.result.wrench?.name ?? null;
  // Without a wrench for it only the fitter can say how it was tightened.
  const sure = rows.filter(
    (r) => isOpen(r.fastener) && (r.fastener.torqueNm === null || wrenchOf(r) !== null),
  );
  const keepAll = (those: readonly WalkRow[]) =>
    write(
      those.map((r) => ({
        kind: 'torqued' as const,
        data: entry(r.fastener, r.fastener.torqueNm === null ? 'snug' : 'torqued', wrenchOf(r)),
      })),
      those.length > 1 ? 'Tightened as shown.' : undefined,
    );
  const keepNext = async () => {
    if (next && sure.includes(next) && (await keepAll([next]))) setAid(NO_AID);
  };
  const keepRound = (stepId: string) =>
    write(
      [
        ...again.map(({ fastener }) => ({
          kind: 'torqued' as const,
          data: {
            ...state.torqued[fastener.name]!,
            device: null,
            torqueNm: fastener.torqueNm,
            pass: 2 as const,
          },
        })),
        { kind: 'step', data: { stepId } },
      ],
      'Second pass saved.',
    );
  const isSecondRound = !next && again.length > 0;
  return {
    rows,
    next,
    sure,
    isSecondRound,
    aid,
    setAid: (part) => setAid((a) => ({ ...a, ...part })),
    borrowed,
    borrow,
    keep,
    click,
    keepNext,
    keepAll,
    keepRound,
  };
};
