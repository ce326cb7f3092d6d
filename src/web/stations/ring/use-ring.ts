import { useEffect, useMemo, useRef } from 'react';
import { ringOf, type RingNow } from '../../../core/job';
import type { Step } from '../../../core/job/procedure';
import { torqueCheck, torqueWrench } from '../../../core/bench/torque';
import { attempt, type Reason } from '../../../core/base/working';
import { useJob } from '../../shared/job-context';
import { useDevice, type LiveDevice } from '../../shared/use-device';
import { useApp } from '../../store';

/** The bolts of the step at hand, and the wrench that walks round them. */
export interface RingAtHand {
  /** Null where the step has no bolts, or no one counted them. */
  ring: RingNow | null;
  /** The step is about bolts that no one counted yet. */
  isUncounted: boolean;
  wrench: LiveDevice;
  /** Why the last click ticked nothing; null where it did, or none came. */
  refused: Reason | null;
  /** Ticks the next bolt by hand. */
  tick(): void;
}

/**
 * The bolts of the step at hand. While `listening`, a click of the wrench at the wanted torque
 * ticks the next bolt, and a click at another torque ticks nothing.
 */
export const useRing = (step: Step | undefined, listening: boolean): RingAtHand => {
  const { state, wheel, write } = useJob();
  const isRing = step?.shows === 'ring' && step.id.endsWith('-torque');
  const ring = useMemo(() => (step?.shows === 'ring' ? ringOf(state) : null), [state, step]);
  const wrenches = useApp((s) => s.shop.shop?.wrenches);
  const wantedNm = ring?.wantedNm ?? null;
  const covers = useMemo(() => {
    if (wantedNm === null) return null;
    const known = (wrenches ?? []).map(({ name, minNm, maxNm }) => ({ name, minNm, maxNm }));
    const found = attempt(torqueWrench, { torqueNm: wantedNm, wrenches: known });
    return found.ok ? (found.working.result.wrench?.name ?? null) : null;
  }, [wrenches, wantedNm]);
  const wrench = useDevice('torque-wrench', isRing && listening, true, covers);
  const { reading, forget } = wrench;
  const click = useMemo(
    () =>
      reading && wantedNm !== null
        ? attempt(torqueCheck, { wantedNm, reachedNm: reading.value })
        : null,
    [reading, wantedNm],
  );
  const busy = useRef<string | null>(null);
  const put = async (torqueNm: number | null, device: string | null) => {
    if (!ring?.next) return;
    const { ring: name, pass, bolt } = ring.next;
    // Pressed again before it is written, it is still one turn.
    const turn = `${name} ${pass} ${bolt}`;
    if (busy.current === turn) return;
    busy.current = turn;
    try {
      await write([{ kind: 'ring-bolt', data: { ring: name, pass, bolt, torqueNm, device } }]);
    } finally {
      if (busy.current === turn) busy.current = null;
    }
  };
  const latest = useRef(put);
  useEffect(() => {
    latest.current = put;
  });
  const isGood = click?.ok === true && click.working.result.within;
  useEffect(() => {
    if (!reading || !isGood) return;
    forget();
    void latest.current(reading.value, reading.device);
  }, [reading, isGood, forget]);
  const refused = click?.ok && !click.working.result.within ? click.working.result.reason : null;
  const counted = wheel.build === 'split' ? state.wheel?.rimBolts : state.wheel?.ringBolts;
  return {
    ring,
    isUncounted: isRing && counted === null,
    wrench,
    refused,
    tick: () => void put(wantedNm, null),
  };
};
