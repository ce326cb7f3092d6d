import { useState } from 'react';
import { ruleNumber } from '../../core/base/rules';
import type { InstrumentItem } from '../../core/shop/records';
import { useJob } from '../shared/job-context';
import { useApp } from '../store';

/** A gauge as the arithmetic needs it. */
interface GaugeInHand {
  name: string;
  /** Its readings under known pressures. */
  checks: { appliedKpa: number; readsKpa: number }[];
  stepKpa: number;
}

/** The shop's gauges, the one in hand and the one beside it. */
export interface Gauges {
  all: readonly InstrumentItem[];
  first: GaugeInHand;
  second: GaugeInHand;
  pick(which: 'first' | 'second', name: string): void;
}

/** Begins with the gauge that was written before, else with the one that was last in hand here. */
export const useGauges = (): Gauges => {
  const { state, shop } = useJob();
  const lastGauge = useApp((s) => s.prefs.gauge);
  const all = shop.instruments.filter((i) => i.kind === 'gauge');
  const before = state.pressureSet;
  const [names, setNames] = useState(() => ({
    first: before ? (before.gauge ?? '') : all.some((g) => g.name === lastGauge) ? lastGauge : '',
    second: before?.second?.gauge ?? '',
  }));
  const inHand = (name: string): GaugeInHand => {
    const gauge = all.find((g) => g.name === name);
    return {
      name,
      checks: gauge?.checks.map(({ appliedKpa, readsKpa }) => ({ appliedKpa, readsKpa })) ?? [],
      stepKpa: gauge?.stepKpa ?? ruleNumber('gauge.stepKpa', state.rules),
    };
  };
  return {
    all,
    first: inHand(names.first),
    second: inHand(names.second),
    pick: (which, name) => setNames((n) => ({ ...n, [which]: name })),
  };
};
