import { isCalm } from '../../../core/bench/devices';
import { seatLadderOf, seatLimitOf } from '../../../core/job';
import type { SeatLadder, SeatLimit } from '../../../core/bench/pressure';
import type { Working } from '../../../core/base/working';
import { useJob } from '../../shared/job-context';
import type { LiveDevice } from '../../shared/use-device';
import type { Writing } from '../../store/job-writing';

/** The seating at hand: its limit, what to do next, and what can be written of it. */
export interface Seating {
  limit: Working<SeatLimit>;
  ladder: Working<SeatLadder>;
  /** Readings of this try, the newest last. */
  takenKpa: readonly number[];
  /** Ends the try with all air out. */
  again(): Promise<void>;
  /** Takes the gauge's reading, where it may be taken. */
  takeLive(): Promise<void>;
  /** Takes a reading that was typed; true once the log has it. */
  takeTyped(gaugeKpa: number): Promise<boolean>;
  /** A bead let go, at what the gauge showed then. */
  pop(): Promise<void>;
}

/** The margin above the limit from which a gauge's reading counts although it was not taken. */
const ABOVE_KPA = 0.01;

/**
 * The state of the seating by log and gauge. The gauge's readings count although they were not
 * taken.
 */
export const useSeating = (gauge: LiveDevice): Seating => {
  const { state, write } = useJob();
  const limit = seatLimitOf(state);
  const takenKpa = state.seatReadings.slice(state.seatTries.from).map((r) => r.gaugeKpa);
  const seenKpa = gauge.track.highest;
  const shownKpa = [seenKpa, gauge.line?.value ?? null].flatMap((kpa) =>
    kpa === null ? [] : [Math.max(0, kpa)],
  );
  const ladder = seatLadderOf(state, shownKpa);

  /**
   * The highest that was shown and never taken, where it was above the limit: the log gets it when
   * the try ends.
   */
  const untold = (): Writing[] => {
    const knownKpa = Math.max(limit.result.limitKpa + ABOVE_KPA, ...takenKpa);
    if (!gauge.device || seenKpa === null || seenKpa <= knownKpa) return [];
    return [{ kind: 'seat-reading', data: { gaugeKpa: seenKpa, device: gauge.device.name } }];
  };
  const again = async () => {
    const why = ladder.result.reasons[0]!.says;
    const done = await write(
      [...untold(), { kind: 'seat-again', data: { why } }],
      'All air out. New try.',
    );
    if (done) gauge.anew();
  };
  const takeLive = async () => {
    if (!gauge.reading) return;
    const { value, device } = gauge.reading;
    if (await write([{ kind: 'seat-reading', data: { gaugeKpa: Math.max(0, value), device } }]))
      gauge.forget();
  };
  const takeTyped = (gaugeKpa: number) =>
    write([{ kind: 'seat-reading', data: { gaugeKpa, device: null } }]);
  const pop = async () => {
    const isShown = gauge.line && isCalm(gauge.track);
    const data = isShown
      ? { gaugeKpa: Math.max(0, gauge.line!.value), device: gauge.line!.device }
      : { gaugeKpa: takenKpa.at(-1) ?? 0, device: null };
    if (await write([{ kind: 'pop', data }], 'A pop.')) gauge.note();
  };
  return { limit, ladder, takenKpa, again, takeLive, takeTyped, pop };
};
